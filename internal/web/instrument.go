package web

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"net/http"
	"strconv"
	"sync"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/instrument"
	"freshshard/internal/measure"
	"freshshard/internal/reply"
)

const streamPath = "/api/instruments/stream"

// How often a stream looks for new lines, and how often it says that it is
// still there.
const (
	streamLook  = 150 * time.Millisecond
	streamAlive = 15 * time.Second
	streamStill = 2 * time.Second // whether the person is still signed in
)

func instrumentRoutes(v *Server, api huma.API) {
	register(v, api, op("press", http.MethodPost, "/api/instruments/{name}/press", "Let a simulated instrument measure"),
		func(ctx context.Context, in *struct {
			Name instrument.Name `path:"name" enum:"laser,caliper,tape,feeler,screw,climate"`
			Body measure.Press
		}) (*out[instrument.Event], error) {
			e, err := v.shop.Measure.Press(ctx, who(ctx), in.Name, in.Body)
			return &out[instrument.Event]{e}, reply.Of(ctx, err)
		})
}

// stream sends what the person's instruments say as server-sent events. It
// goes on after the Last-Event-ID that a browser sends when it comes back.
func (v *Server) stream(w http.ResponseWriter, r *http.Request) {
	ctx := r.Context()
	a, _, err := v.current(ctx)
	if err != nil {
		var p *reply.Problem
		errors.As(err, &p)
		reply.Write(w, p)
		return
	}
	first, err := strconv.ParseInt(r.Header.Get("Last-Event-ID"), 10, 64)
	resumed := err == nil
	if !resumed {
		if first, err = v.shop.Measure.LastSignal(ctx, a); err != nil {
			reply.Write(w, reply.Of(ctx, err).(*reply.Problem))
			return
		}
	}
	at := first
	v.listen(w, r, func(send func(string) bool) bool {
		// The id of the greeting is where a browser will resume.
		return send(fmt.Sprintf("retry: 400\nid: %d\nevent: hello\ndata: {}\n\n", first))
	}, streamLook, func(_ int64, send func(string) bool) (int64, bool) {
		signals, err := v.shop.Measure.Signals(ctx, a, at)
		if err != nil {
			if ctx.Err() == nil {
				reply.Log(ctx).WarnContext(ctx, "a stream ended", "error", err)
			}
			return at, false
		}
		for _, s := range signals {
			if s.Breaks && !resumed {
				return at, false // the simulated connection drops; the browser comes back
			}
			at = s.ID
			e, err := instrument.ParseLine(s.Line)
			if err != nil {
				reply.Log(ctx).WarnContext(ctx, "a line was dropped", "error", err)
				continue
			}
			b, err := json.Marshal(e)
			if err != nil || !send(fmt.Sprintf("id: %d\nevent: reading\ndata: %s\n\n", s.ID, b)) {
				return at, false
			}
			resumed = false
		}
		return at, true
	})
}

// listen keeps a stream open for a person: it greets, looks every so often, says that it
// is still there, and ends when the person is shut out, goes away, or the program stops.
func (v *Server) listen(w http.ResponseWriter, r *http.Request, greet func(send func(string) bool) bool,
	every time.Duration, look func(last int64, send func(string) bool) (int64, bool)) {
	ctx := r.Context()
	a, _, err := v.current(ctx)
	if err != nil {
		var p *reply.Problem
		errors.As(err, &p)
		reply.Write(w, p)
		return
	}
	reply.Note(ctx, a)
	if !v.streams.take(a.ID) {
		p := reply.New(http.StatusTooManyRequests, "slow", "This person has as many streams open as one may.")
		p.RetryAfter = streamRetry
		reply.Write(w, p)
		return
	}
	defer v.streams.give(a.ID)
	w.Header().Set("Content-Type", "text/event-stream")
	c := http.NewResponseController(w)
	send := func(s string) bool {
		if _, err := fmt.Fprint(w, s); err != nil {
			return false
		}
		return c.Flush() == nil
	}
	if !greet(send) {
		return
	}
	looks, alive, still := time.NewTicker(every), time.NewTicker(streamAlive), time.NewTicker(streamStill)
	defer looks.Stop()
	defer alive.Stop()
	defer still.Stop()
	last, ok := int64(-1), true
	for {
		select {
		case <-ctx.Done():
			return
		case <-v.options.Closing:
			return
		case <-still.C:
			// Whoever signed out, or was shut out, hears no more.
			if _, _, err := v.current(ctx); err != nil {
				return
			}
		case <-alive.C:
			if !send(": still here\n\n") {
				return
			}
		case <-looks.C:
			if last, ok = look(last, send); !ok {
				return
			}
		}
	}
}

// streams counts the open streams of each person.
type streams struct {
	mu   sync.Mutex
	open map[int64]int
}

// mostStreams is how many a person has open: a few tablets with a few pages.
const mostStreams = 24

// streamRetry is when to come back after too many, in seconds.
const streamRetry = 5

func (s *streams) take(account int64) bool {
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.open[account] >= mostStreams {
		return false
	}
	s.open[account]++
	return true
}

func (s *streams) give(account int64) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.open[account]--; s.open[account] <= 0 {
		delete(s.open, account)
	}
}
