package reply

import (
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

// names are the host names under which the shop is reached.
type names map[string]bool

// Names are those of the machine itself and those that were given. A name
// that leads here from elsewhere could be somebody else's page that reaches
// into the shop's network.
func Names(given []string) names {
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

// Has says whether a Host header names the shop. An address by numbers always
// does: no name leads anybody astray there.
func (n names) Has(host string) bool {
	if h, _, err := net.SplitHostPort(host); err == nil {
		host = h
	}
	host = strings.ToLower(strings.Trim(host, "[]"))
	return net.ParseIP(host) != nil || n[strings.TrimSuffix(host, ".")]
}

// Steady bounds how long a call may stand still: its body from now on, and what writes its answer.
func Steady(w http.ResponseWriter, r *http.Request) http.ResponseWriter {
	c := http.NewResponseController(w)
	if r.Body != nil && r.Body != http.NoBody {
		r.Body = &steadyBody{r.Body, c}
	}
	return &steadyWriter{w, c}
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
