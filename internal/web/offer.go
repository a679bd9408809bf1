package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/source"
	"freshshard/internal/buy"
	"freshshard/internal/jobview"
	"freshshard/internal/reply"
)

// OfferID is one offer for a pane.
type OfferID struct {
	BenchID
	Offer int64 `path:"offer" minimum:"1"`
}

func offerRoutes(v *Server, api huma.API) {
	offers := func(ctx context.Context, at BenchID, err error) (*out[buy.Offers], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		all, err := v.shop.Buy.Offers(ctx, at.bench(ctx))
		return &out[buy.Offers]{all}, reply.Of(ctx, err)
	}
	register(v, api, op("offers", http.MethodGet, "/api/jobs/{id}/offers",
		"What was asked for a pane, by what it costs in the end"),
		func(ctx context.Context, in *BenchID) (*out[buy.Offers], error) { return offers(ctx, *in, nil) })
	register(v, api, op("addOffer", http.MethodPost, "/api/jobs/{id}/offers", "Note what somebody asks for a pane"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[source.Offer]
		}) (*out[buy.Offers], error) {
			return offers(ctx, in.BenchID, v.shop.Buy.AddOffer(ctx, who(ctx), in.Key, in.bench(ctx), in.Body))
		})
	register(v, api, op("dropOffer", http.MethodDelete, "/api/jobs/{id}/offers/{offer}", "Take an offer out"),
		func(ctx context.Context, in *OfferID) (*out[buy.Offers], error) {
			return offers(ctx, in.BenchID, v.shop.Buy.DropOffer(ctx, who(ctx), in.bench(ctx), in.Offer))
		})
	register(v, api, op("takeOffer", http.MethodPut, "/api/jobs/{id}/offers/{offer}/taken",
		"Order it: the pane waits for it"),
		func(ctx context.Context, in *struct {
			OfferID
			Seen int64 `query:"seen" minimum:"0" doc:"The offer that the screen shows as taken; 0 for none"`
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Buy.TakeOffer(ctx, who(ctx), in.bench(ctx), in.Offer, in.Seen, v.options.Zone))
		})
	register(v, api, op("setTerms", http.MethodPut, "/api/jobs/{id}/terms",
		"What a second visit and a day of waiting cost a job"),
		func(ctx context.Context, in *struct {
			BenchID
			Body buy.NewTerms
		}) (*out[buy.Offers], error) {
			return offers(ctx, in.BenchID, v.shop.Buy.SetTerms(ctx, who(ctx), in.bench(ctx), in.Body))
		})
}
