package reply

import (
	"context"
	"crypto/rand"
	"encoding/hex"
	"log/slog"
	"net/http"
	"strings"

	"freshshard/internal/record"
)

// Call is what is logged of one call.
type Call struct {
	ID     string
	Person int64
	Status int
}

type logKey struct{}

// Begin gives a call its number, which goes back to the caller, and remembers how it ends.
func Begin(ctx context.Context, w http.ResponseWriter) (*Call, context.Context, http.ResponseWriter) {
	raw := make([]byte, 8)
	_, _ = rand.Read(raw) // never fails
	c := &Call{ID: hex.EncodeToString(raw), Status: http.StatusOK}
	w.Header().Set("X-Call-Id", c.ID)
	return c, context.WithValue(ctx, logKey{}, c), &statusWriter{w, c}
}

// Note keeps who makes a call, for its line in the log.
func Note(ctx context.Context, a record.Account) {
	if c, ok := ctx.Value(logKey{}).(*Call); ok {
		c.Person = a.ID
	}
}

// Log is the log with the call's id on every line.
func Log(ctx context.Context) *slog.Logger {
	if c, ok := ctx.Value(logKey{}).(*Call); ok {
		return slog.With("call", c.ID)
	}
	return slog.Default()
}

// CallOf is the number of a call as its log has it.
func CallOf(ctx context.Context) string {
	if c, ok := ctx.Value(logKey{}).(*Call); ok {
		return c.ID
	}
	return "none"
}

// secretPaths begin the addresses that open something to whoever has them.
var secretPaths = []string{"/api/passport/", "/api/quote/", "/feeds/", PassportPath, QuotePath}

// LoggedPath is a path without what it must not tell.
func LoggedPath(p string) string {
	for _, s := range secretPaths {
		if strings.HasPrefix(p, s) {
			return s + "…"
		}
	}
	return p
}

// statusWriter remembers how a call ended.
type statusWriter struct {
	http.ResponseWriter
	c *Call
}

func (w *statusWriter) Unwrap() http.ResponseWriter { return w.ResponseWriter }

func (w *statusWriter) WriteHeader(status int) {
	w.c.Status = status
	w.ResponseWriter.WriteHeader(status)
}
