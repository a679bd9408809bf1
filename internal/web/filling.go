package web

import (
	"fmt"
	"net/http"
	"strings"

	"freshshard/internal/reply"
)

// filled is how far the shop is filled; over where it has nothing to fill.
func (v *Server) filled() reply.Filled {
	if v.options.Filled == nil {
		return reply.Filled{}
	}
	return v.options.Filled()
}

// untilFilled keeps calls out while a made-up shop is filled, and tells how far it is: what
// would be read is half of it, and what would be written could not be kept.
func (v *Server) untilFilled(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		f := v.filled()
		if f.Over() || !strings.HasPrefix(r.URL.Path, "/api/") {
			next.ServeHTTP(w, r)
			return
		}
		p := reply.New(http.StatusServiceUnavailable, "filling",
			fmt.Sprintf("The made-up shop is being filled: %d of its %d jobs are in.", f.Done, f.Of))
		p.RetryAfter, p.Filled = 1, &f
		reply.Write(w, p)
	})
}
