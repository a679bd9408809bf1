package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/jobview"
	"freshshard/internal/photo"
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
