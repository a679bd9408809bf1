package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/record"
	"freshshard/internal/shop"
)

func (v *Server) dayRoutes(api huma.API) {
	register(v, api, op("days", http.MethodGet, "/api/days", "Who does what when, of everything that is open"),
		func(ctx context.Context, _ *struct{}) (*out[shop.Days], error) {
			d, err := v.shop.Days(ctx)
			return &out[shop.Days]{d}, said(ctx, err)
		})
	register(v, api, op("takeDays", http.MethodPost, "/api/days", "Plan the days anew, and take that"),
		func(ctx context.Context, _ *struct{}) (*out[shop.Days], error) {
			d, err := v.shop.TakeDays(ctx, who(ctx))
			return &out[shop.Days]{d}, said(ctx, err)
		})
	register(v, api, op("weeks", http.MethodGet, "/api/weeks", "When people work, and what they may do"),
		func(ctx context.Context, _ *struct{}) (*out[[]record.Week], error) {
			w, err := v.shop.Weeks(ctx)
			return &out[[]record.Week]{w}, said(ctx, err)
		})
	register(v, api, op("setWeek", http.MethodPut, "/api/weeks/{account}", "Change when a person works"),
		func(ctx context.Context, in *struct {
			Account int64 `path:"account" minimum:"1"`
			Body    record.Week
		}) (*out[[]record.Week], error) {
			in.Body.Account = in.Account
			if err := v.shop.SetWeek(ctx, who(ctx), in.Body); err != nil {
				return nil, said(ctx, err)
			}
			w, err := v.shop.Weeks(ctx)
			return &out[[]record.Week]{w}, said(ctx, err)
		})
}
