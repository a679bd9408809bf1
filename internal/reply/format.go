package reply

import (
	"encoding/json"
	"io"
	"net/http"
	"runtime/debug"
	"strconv"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	jsonv2 "github.com/go-json-experiment/json"
	jsonv1 "github.com/go-json-experiment/json/v1"
)

// Recovered answers for a call that broke and keeps where it did.
func Recovered(c *gin.Context) {
	defer func() {
		err := recover()
		if err == nil {
			return
		}
		if err == http.ErrAbortHandler {
			panic(err)
		}
		ctx := c.Request.Context()
		if ctx.Err() == nil {
			Log(ctx).ErrorContext(ctx, "a call broke", "error", err, "stack", string(debug.Stack()))
		}
		if !c.Writer.Written() {
			Write(c.Writer, New(http.StatusInternalServerError, "failed",
				"The program made a mistake. Nothing was lost; try again."))
		}
		c.Abort()
	}()
	c.Next()
}

// Format writes an answer as JSON, all of it or none: a value that JSON cannot
// say becomes a problem of its own instead of half an answer. No list is null: a
// screen that goes through one must not fall for it.
var Format = huma.Format{
	Marshal: func(w io.Writer, v any) error {
		b, err := jsonv2.Marshal(v, jsonv1.DefaultOptionsV1(), jsonv2.FormatNilSliceAsNull(false))
		if err == nil {
			_, err = w.Write(append(b, '\n'))
			return err
		}
		g, ok := w.(gin.ResponseWriter)
		if !ok || g.Written() {
			return err
		}
		Write(g, New(http.StatusUnprocessableEntity, "field",
			"With these values the sums give no number; look for one that is far too small or far too large."))
		return nil
	},
	Unmarshal: huma.DefaultJSONFormat.Unmarshal,
}

func Write(w http.ResponseWriter, p *Problem) {
	w.Header().Set("Content-Type", "application/problem+json")
	if p.RetryAfter > 0 {
		w.Header().Set("Retry-After", strconv.Itoa(p.RetryAfter))
	}
	w.WriteHeader(p.Status)
	_ = json.NewEncoder(w).Encode(p) // the caller may be gone
}
