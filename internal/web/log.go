package web

import (
	"log/slog"
	"net/http"
	"time"

	"freshshard/internal/reply"
)

// logs writes a line for each call: who, what, where from, how it ended and how
// long it took. The id goes back to the caller, so that a complaint finds its
// lines. Looking whether something changed is not worth a line.
func (v *Server) logs(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		start := time.Now()
		c, ctx, w := reply.Begin(r.Context(), w)
		next.ServeHTTP(w, r.WithContext(ctx))
		level := slog.LevelDebug
		switch {
		case !v.filled().Over(): // whoever waits asks every second
		case c.Status >= 500:
			level = slog.LevelError
		case r.Method != http.MethodGet && r.Method != http.MethodHead, c.Status == http.StatusForbidden,
			c.Status == http.StatusTooManyRequests:
			level = slog.LevelInfo
		}
		if r.Context().Err() != nil && c.Status != http.StatusOK {
			level = slog.LevelDebug // whoever asked has gone
		}
		slog.Log(ctx, level, "call", "call", c.ID, "person", c.Person, "method", r.Method, "path",
			reply.LoggedPath(r.URL.Path),
			"from",
			v.addressOf(r), "status", c.Status, "ms", time.Since(start).Milliseconds())
	})
}
