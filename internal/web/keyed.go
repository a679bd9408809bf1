package web

import (
	"crypto/sha256"
	"encoding/hex"
	"net/http"

	"github.com/gin-gonic/gin"

	"freshshard/internal/change"
)

// How long the key of a change may be.
const leastKey, mostKey = 8, 80

// keyed passes the key of a change on, with which call it was: one that is sent again because its
// answer got lost is not made again. Calls that create have their key in their contract.
func keyed(c *gin.Context) {
	key := c.GetHeader("Idempotency-Key")
	r := c.Request
	if (r.Method == http.MethodPut || r.Method == http.MethodDelete) && len(key) >= leastKey && len(key) <= mostKey {
		sum := sha256.Sum256([]byte(r.Method + " " + r.URL.RequestURI()))
		c.Request = r.WithContext(change.Keyed(r.Context(), key, hex.EncodeToString(sum[:])))
	}
}
