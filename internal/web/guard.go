package web

import (
	"context"
	"io"
	"net"
	"net/http"
	"os"
	"strings"
	"time"
)

// How long a connection may stand still: a slow van's network is let on as long
// as something comes or goes.
const (
	stillReading = 20 * time.Second
	stillWriting = 30 * time.Second
)

// mostChunk is how much is written before somebody must have read of it.
const mostChunk = 64 << 10

// mostIgnored is how much is read of a body that a call does not ask for, bytes.
const mostIgnored = 8 << 20

// callTime is when a call is given up: longer than anything but a stream takes.
const callTime = 60 * time.Second

// guard is the door before everything: only names of the shop's own, callers
// that keep reading and sending, headers for every answer.
func (v *Server) guard(next http.Handler) http.Handler {
	own := ownNames(v.options.Hosts)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		secure(w.Header())
		if loggedPath(r.URL.Path) != r.URL.Path { // it opens something to whoever has it
			w.Header().Set("Referrer-Policy", "no-referrer")
		}
		if !own.has(r.Host) {
			write(w, problem(http.StatusMisdirectedRequest, "host",
				"This shop is not reached under that name. Use its address, or start the program with --host and the name."))
			return
		}
		ctx := context.WithValue(r.Context(), callKey{}, v.callerOf(r))
		c := http.NewResponseController(w)
		if !isStream(r.URL.Path) {
			var cancel context.CancelFunc
			ctx, cancel = context.WithTimeout(ctx, callTime)
			defer cancel()
		}
		r = r.WithContext(ctx)
		if r.Body != nil && r.Body != http.NoBody {
			r.Body = &steadyBody{r.Body, c}
		}
		next.ServeHTTP(&steadyWriter{w, c}, r)
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

// names are the host names under which the shop is reached.
type names map[string]bool

// ownNames are those of the machine itself and those that were given. A name
// that leads here from elsewhere could be somebody else's page that reaches
// into the shop's network.
func ownNames(given []string) names {
	n := names{"localhost": true}
	if host, err := os.Hostname(); err == nil {
		host = strings.ToLower(host)
		n[host], n[host+".local"] = true, true
	}
	for _, g := range given {
		n[strings.ToLower(g)] = true
	}
	return n
}

// has says whether a Host header names the shop. An address by numbers always
// does: no name leads anybody astray there.
func (n names) has(host string) bool {
	if h, _, err := net.SplitHostPort(host); err == nil {
		host = h
	}
	host = strings.ToLower(strings.Trim(host, "[]"))
	return net.ParseIP(host) != nil || n[strings.TrimSuffix(host, ".")]
}

// steadyBody gives up on a sender that sends nothing more.
type steadyBody struct {
	io.ReadCloser
	c *http.ResponseController
}

func (b *steadyBody) Read(p []byte) (int, error) {
	// Where a connection takes no deadline (in tests), there is none to keep.
	_ = b.c.SetReadDeadline(time.Now().Add(stillReading))
	return b.ReadCloser.Read(p)
}

// steadyWriter gives up on a reader that reads nothing more.
type steadyWriter struct {
	http.ResponseWriter
	c *http.ResponseController
}

func (w *steadyWriter) Unwrap() http.ResponseWriter { return w.ResponseWriter }

func (w *steadyWriter) Flush() { _ = w.c.Flush() } // as far as the connection can

func (w *steadyWriter) Write(p []byte) (n int, err error) {
	for len(p) > 0 && err == nil {
		_ = w.c.SetWriteDeadline(time.Now().Add(stillWriting))
		var k int
		k, err = w.ResponseWriter.Write(p[:min(len(p), mostChunk)])
		n, p = n+k, p[k:]
	}
	return n, err
}
