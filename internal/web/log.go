package web

import (
	"context"
	"crypto/rand"
	"encoding/hex"
	"log/slog"
	"net/http"
	"strings"
	"time"

	"freshshard/internal/record"
)

// call is what is logged of one call.
type call struct {
	id     string
	person int64
	status int
}

type logKey struct{}

// note keeps who makes a call, for its line in the log.
func note(ctx context.Context, a record.Account) {
	if c, ok := ctx.Value(logKey{}).(*call); ok {
		c.person = a.ID
	}
}

// logged is the log with the call's id on every line.
func logged(ctx context.Context) *slog.Logger {
	if c, ok := ctx.Value(logKey{}).(*call); ok {
		return slog.With("call", c.id)
	}
	return slog.Default()
}

// callOf is the number of a call as its log has it.
func callOf(ctx context.Context) string {
	if c, ok := ctx.Value(logKey{}).(*call); ok {
		return c.id
	}
	return "none"
}

// secretPaths begin the addresses that open something to whoever has them.
var secretPaths = []string{"/api/passport/", "/feeds/", passportPath}

// loggedPath is a path without what it must not tell.
func loggedPath(p string) string {
	for _, s := range secretPaths {
		if strings.HasPrefix(p, s) {
			return s + "…"
		}
	}
	return p
}

// logs writes a line for each call: who, what, where from, how it ended and how
// long it took. The id goes back to the caller, so that a complaint finds its
// lines. Looking whether something changed is not worth a line.
func (v *Server) logs(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		raw := make([]byte, 8)
		_, _ = rand.Read(raw) // never fails
		c := &call{id: hex.EncodeToString(raw), status: http.StatusOK}
		w.Header().Set("X-Call-Id", c.id)
		start := time.Now()
		ctx := context.WithValue(r.Context(), logKey{}, c)
		next.ServeHTTP(&statusWriter{w, c}, r.WithContext(ctx))
		level := slog.LevelDebug
		switch {
		case !v.filled().Over(): // whoever waits asks every second
		case c.status >= 500:
			level = slog.LevelError
		case r.Method != http.MethodGet && r.Method != http.MethodHead, c.status == http.StatusForbidden,
			c.status == http.StatusTooManyRequests:
			level = slog.LevelInfo
		}
		if r.Context().Err() != nil && c.status != http.StatusOK {
			level = slog.LevelDebug // whoever asked has gone
		}
		slog.Log(ctx, level, "call", "call", c.id, "person", c.person, "method", r.Method, "path", loggedPath(r.URL.Path),
			"from",
			v.addressOf(r), "status", c.status, "ms", time.Since(start).Milliseconds())
	})
}

// statusWriter remembers how a call ended.
type statusWriter struct {
	http.ResponseWriter
	c *call
}

func (w *statusWriter) Unwrap() http.ResponseWriter { return w.ResponseWriter }

func (w *statusWriter) WriteHeader(status int) {
	w.c.status = status
	w.ResponseWriter.WriteHeader(status)
}
