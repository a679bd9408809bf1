package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/thickness"
	"freshshard/internal/shop"
)

// Sash is a sash solved both ways.
type Sash struct {
	Across shop.SashOut `json:"across"`
	Down   shop.SashOut `json:"down"`
}

// ThicknessIn is a caliper reading as typed.
type ThicknessIn struct {
	Text string `json:"text" maxLength:"60"`
}

func (v *Server) sumRoutes(api huma.API) {
	huma.Register(api, op("sash", http.MethodPost, "/api/sums/sash", "The lights of a sash from what could be read"), func(ctx context.Context, in *struct{ Body shop.SashIn }) (*out[Sash], error) {
		a, d, err := v.shop.Sash(ctx, in.Body)
		return &out[Sash]{Sash{a, d}}, said(ctx, err)
	})
	huma.Register(api, op("thickness", http.MethodPost, "/api/sums/thickness", "Nominal thickness of a caliper reading"), func(ctx context.Context, in *struct{ Body ThicknessIn }) (*out[thickness.Answer], error) {
		a, err := v.shop.Thickness(ctx, in.Body.Text)
		return &out[thickness.Answer]{a}, said(ctx, err)
	})
}
