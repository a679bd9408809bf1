package web

import (
	"fmt"
	"net/http"
	"time"

	"freshshard/internal/reply"
)

// pulsePath tells every screen at once that something in the shop has changed.
const pulsePath = "/api/pulse"

// pulseLook is how often a stream looks whether something has changed.
const pulseLook = 500 * time.Millisecond

// isStream says whether a path goes on for as long as somebody listens.
func isStream(path string) bool { return path == streamPath || path == pulsePath }

// pulse sends the number of the last change as server-sent events, whenever it is another
// one: Today, the wall and the lists ask again then.
func (v *Server) pulse(w http.ResponseWriter, r *http.Request) {
	ctx := r.Context()
	v.listen(w, r, func(send func(string) bool) bool { return send("retry: 2000\nevent: hello\ndata: {}\n\n") },
		pulseLook, func(last int64, send func(string) bool) (int64, bool) {
			now, err := v.shop.Today.LastChange(ctx)
			if err != nil {
				if ctx.Err() == nil {
					reply.Log(ctx).WarnContext(ctx, "a stream ended", "error", err)
				}
				return last, false
			}
			if now == last {
				return last, true
			}
			return now, send(fmt.Sprintf("event: changed\ndata: %d\n\n", now))
		})
}
