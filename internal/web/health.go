package web

import (
	"context"
	"encoding/json"
	"net/http"
	"time"
)

const healthPath = "/healthz"

// healthWait is how long the records may take to answer before the shop is
// called ill.
const healthWait = 2 * time.Second

// health says whether the shop can work: 200 when its records answer, 503 when
// they do not, and whether a made-up one is still being filled. It tells nothing
// else and asks nobody to sign in.
func (v *Server) health(w http.ResponseWriter, r *http.Request) {
	ctx, cancel := context.WithTimeout(r.Context(), healthWait)
	defer cancel()
	status, said := http.StatusOK, "well"
	if !v.filled().Over() {
		said = "being filled"
	}
	if err := v.shop.Ping(ctx); err != nil {
		status, said = http.StatusServiceUnavailable, "the records do not answer"
	}
	w.Header().Set("Content-Type", "application/json")
	w.WriteHeader(status)
	_ = json.NewEncoder(w).Encode(map[string]string{"shop": said}) // the caller may be gone
}
