package download

import (
	"errors"
	"net/http"
	"strconv"

	"github.com/gin-gonic/gin"

	"freshshard/internal/record"
	"freshshard/internal/reply"
)

// picture hands out one picture; it never changes, so a browser may keep it.
func (v *Files) picture(small bool) gin.HandlerFunc {
	return func(c *gin.Context) {
		job, err1 := strconv.ParseInt(c.Param("id"), 10, 64)
		id, err2 := strconv.ParseInt(c.Param("photo"), 10, 64)
		var b []byte
		err := error(&record.NotFound{What: "this picture"})
		if err1 == nil && err2 == nil {
			b, err = v.Shop.Desk.Photos.Picture(c.Request.Context(), job, id, small)
		}
		var p *reply.Problem
		if errors.As(reply.Of(c.Request.Context(), err), &p) {
			reply.Write(c.Writer, p)
			return
		}
		c.Header("Cache-Control", "private, max-age=31536000, immutable")
		c.Data(http.StatusOK, "image/jpeg", b)
	}
}
