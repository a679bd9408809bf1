package web

import (
	"context"
	"io"
	"net/http"
	"time"

	"freshshard/internal/reply"
)

// mostIgnored is how much is read of a body that a call does not ask for, bytes.
const mostIgnored = 8 << 20

// callTime is when a call is given up: longer than anything but a stream takes.
const callTime = 60 * time.Second

// guard is the door before everything: only names of the shop's own, callers
// that keep reading and sending, headers for every answer.
func (v *Server) guard(next http.Handler) http.Handler {
	own := reply.Names(v.options.Hosts)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		secure(w.Header())
		if reply.LoggedPath(r.URL.Path) != r.URL.Path { // it opens something to whoever has it
			w.Header().Set("Referrer-Policy", "no-referrer")
		}
		if !own.Has(r.Host) {
			reply.Write(w, reply.New(http.StatusMisdirectedRequest, "host",
				"This shop is not reached under that name. Use its address, or start the program with --host and the name."))
			return
		}
		ctx := context.WithValue(r.Context(), callKey{}, v.callerOf(r))
		if !isStream(r.URL.Path) {
			var cancel context.CancelFunc
			ctx, cancel = context.WithTimeout(ctx, callTime)
			defer cancel()
		}
		r = r.WithContext(ctx)
		next.ServeHTTP(reply.Steady(w, r), r)
		// What a call did not want to know is read to its end, so that its answer arrives.
		if r.Body != nil && r.Body != http.NoBody {
			_, _ = io.CopyN(io.Discard, r.Body, mostIgnored)
		}
	})
}

// secure keeps the page to its own scripts and out of other sites' frames, and
// answers out of every store; static files say otherwise for themselves.
func secure(h http.Header) {
	// Radix places its layers with inline styles.
	h.Set("Content-Security-Policy",
		"default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; frame-ancestors 'none'; "+
			"base-uri 'self'; form-action 'self'; object-src 'none'")
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("X-Frame-Options", "DENY")
	h.Set("Referrer-Policy", "same-origin")
	h.Set("X-Robots-Tag", "noindex, nofollow")
	h.Set("Cross-Origin-Opener-Policy", "same-origin")
	h.Set("Cross-Origin-Resource-Policy", "same-origin")
	h.Set("Permissions-Policy", "camera=(self), microphone=(self), geolocation=()")
	h.Set("Cache-Control", "no-store")
}
