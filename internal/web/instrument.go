package web

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"log/slog"
	"net/http"
	"strconv"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/instrument"
	"freshshard/internal/shop"
)

const streamPath = "/api/instruments/stream"

// How often a stream looks for new lines, and how often it says that it is
// still there.
const (
	streamLook  = 150 * time.Millisecond
	streamAlive = 15 * time.Second
)

func (v *Server) instrumentRoutes(api huma.API) {
	huma.Register(api, op("press", http.MethodPost, "/api/instruments/{name}/press", "Let a simulated instrument measure"), func(ctx context.Context, in *struct {
		Name instrument.Name `path:"name" enum:"laser,caliper,tape,climate"`
		Body shop.Press
	}) (*out[instrument.Event], error) {
		e, err := v.shop.Press(ctx, who(ctx), in.Name, in.Body)
		return &out[instrument.Event]{e}, said(ctx, err)
	})
}

// stream sends what the person's instruments say as server-sent events. It
// goes on after the Last-Event-ID that a browser sends when it comes back.
func (v *Server) stream(w http.ResponseWriter, r *http.Request) {
	ctx := r.Context()
	a, err := v.current(ctx)
	if err != nil {
		var p *Problem
		errors.As(err, &p)
		write(w, p)
		return
	}
	last, err := strconv.ParseInt(r.Header.Get("Last-Event-ID"), 10, 64)
	resumed := err == nil
	if !resumed {
		if last, err = v.shop.Store.LastSignal(ctx, a.ID); err != nil {
			write(w, said(ctx, err).(*Problem))
			return
		}
	}
	h := w.Header()
	h.Set("Content-Type", "text/event-stream")
	h.Set("Cache-Control", "no-store")
	c := http.NewResponseController(w)
	send := func(s string) bool {
		if _, err := fmt.Fprint(w, s); err != nil {
			return false
		}
		return c.Flush() == nil
	}
	// The id of the greeting is where a browser will resume.
	if !send(fmt.Sprintf("retry: 400\nid: %d\nevent: hello\ndata: {}\n\n", last)) {
		return
	}
	look, alive := time.NewTicker(streamLook), time.NewTicker(streamAlive)
	defer look.Stop()
	defer alive.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case <-alive.C:
			if !send(": still here\n\n") {
				return
			}
		case <-look.C:
			signals, err := v.shop.Store.Signals(ctx, a.ID, last)
			if err != nil {
				slog.ErrorContext(ctx, "a stream ended", "error", err)
				return
			}
			for _, s := range signals {
				if s.Breaks && !resumed {
					return // the simulated connection drops; the browser comes back
				}
				last = s.ID
				e, err := instrument.ParseLine(s.Line)
				if err != nil {
					slog.WarnContext(ctx, "a line was dropped", "error", err)
					continue
				}
				b, err := json.Marshal(e)
				if err != nil || !send(fmt.Sprintf("id: %d\nevent: reading\ndata: %s\n\n", s.ID, b)) {
					return
				}
				resumed = false
			}
		}
	}
}
