package web

import (
	"context"
	"errors"
	"net/http"
	"strconv"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"freshshard/internal/jobview"
	"freshshard/internal/photo"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

func photoRoutes(v *Server, api huma.API) {
	add := op("addPhoto", http.MethodPost, "/api/jobs/{id}/photos", "Keep a picture: JPEG, PNG or WebP up to 15 MB")
	add.MaxBodyBytes = photo.MostBytes + 1<<10
	register(v, api, add, func(ctx context.Context, in *struct {
		BenchID
		Key     string `header:"Idempotency-Key" required:"true" minLength:"8" maxLength:"80"`
		Entry   string `query:"entry" maxLength:"40" doc:"Entry of the strip log that it shows"`
		RawBody []byte `contentType:"application/octet-stream"`
	}) (*out[jobview.View], error) {
		return v.show(ctx, in.BenchID, v.shop.Desk.Photos.AddPhoto(ctx, who(ctx), in.Key, in.ID, in.Entry, in.RawBody))
	})
	register(v, api, op("dropPhoto", http.MethodDelete, "/api/jobs/{id}/photos/{photo}", "Take a picture away"),
		func(ctx context.Context, in *struct {
			BenchID
			Photo int64 `path:"photo"`
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Desk.Photos.DropPhoto(ctx, who(ctx), in.ID, in.Photo))
		})
}

// picture hands out one picture; it never changes, so a browser may keep it.
func (v *Server) picture(small bool) gin.HandlerFunc {
	return func(c *gin.Context) {
		job, err1 := strconv.ParseInt(c.Param("id"), 10, 64)
		id, err2 := strconv.ParseInt(c.Param("photo"), 10, 64)
		var b []byte
		err := error(&record.NotFound{What: "this picture"})
		if err1 == nil && err2 == nil {
			b, err = v.shop.Desk.Photos.Picture(c.Request.Context(), job, id, small)
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
