package web

import (
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/days"
	"freshshard/internal/hold"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

// ForecastText is a forecast as its file says it.
type ForecastText struct {
	Text string `json:"text" minLength:"1" maxLength:"400000" doc:"CSV or JSON, hour by hour"`
}

func roundRoutes(v *Server, api huma.API) {
	all := func(ctx context.Context, err error) (*out[days.Rounds], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		r, err := v.shop.Rounds.Rounds(ctx)
		return &out[days.Rounds]{r}, reply.Of(ctx, err)
	}
	register(v, api, op("rounds", http.MethodGet, "/api/rounds", "Rounds of the van, and what could be visited"),
		func(ctx context.Context, _ *struct{}) (*out[days.Rounds], error) { return all(ctx, nil) })
	sums(v, api, op("planRound", http.MethodPost, "/api/rounds/try", "Lay a round out; nothing is kept"),
		v.shop.Rounds.PlanRound)
	register(v, api, op("takeRound", http.MethodPost, "/api/rounds", "Take a round; the days go round it"),
		func(ctx context.Context, in *Keyed[days.RoundWanted]) (*out[days.Rounds], error) {
			_, err := v.shop.Rounds.TakeRound(ctx, who(ctx), in.Key, in.Body)
			return all(ctx, err)
		})
	register(v, api, op("dropRound", http.MethodDelete, "/api/rounds/{id}", "Give a round up"),
		func(ctx context.Context, in *struct {
			ID int64 `path:"id" minimum:"1"`
		}) (*out[days.Rounds], error) {
			return all(ctx, v.shop.Rounds.DropRound(ctx, who(ctx), in.ID))
		})
	register(v, api, op("roundLoad", http.MethodGet, "/api/rounds/{id}/load", "What goes into the van for a round"),
		func(ctx context.Context, in *struct {
			ID int64 `path:"id" minimum:"1"`
		}) (*out[days.RoundLoad], error) {
			l, err := v.shop.Rounds.RoundLoad(ctx, in.ID)
			return &out[days.RoundLoad]{l}, reply.Of(ctx, err)
		})
	register(v, api, op("setSite", http.MethodPut, "/api/jobs/{id}/site", "Where a job at the customer's is"),
		func(ctx context.Context, in *struct {
			ID   int64 `path:"id" minimum:"1"`
			Body record.Site
		}) (*out[days.Rounds], error) {
			in.Body.Job = in.ID
			return all(ctx, v.shop.Days.Calendar.SetSite(ctx, who(ctx), in.Body))
		})
	roadRoutes(v, api)
}

// roadRoutes are the roads and the weather on them.
func roadRoutes(v *Server, api huma.API) {
	reads(v, api, op("roadMap", http.MethodGet, "/api/roads", "What the van can go by"), v.shop.Days.Calendar.RoadMap)
	register(v, api, op("setRoadMap", http.MethodPut, "/api/roads", "Change what the van can go by"),
		func(ctx context.Context, in *struct{ Body record.RoadMap }) (*out[record.RoadMap], error) {
			if err := v.shop.Days.Calendar.SetRoadMap(ctx, who(ctx), in.Body); err != nil {
				return nil, reply.Of(ctx, err)
			}
			m, err := v.shop.Days.Calendar.RoadMap(ctx)
			return &out[record.RoadMap]{m}, reply.Of(ctx, err)
		})
	forecast := func(ctx context.Context, err error) (*out[hold.ForecastKept], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		f, err := v.shop.Hold.Forecast(ctx)
		return &out[hold.ForecastKept]{f}, reply.Of(ctx, err)
	}
	register(v, api, op("forecast", http.MethodGet, "/api/forecast", "Until when a forecast says the weather"),
		func(ctx context.Context, _ *struct{}) (*out[hold.ForecastKept], error) { return forecast(ctx, nil) })
	register(v, api, op("setForecast", http.MethodPut, "/api/forecast", "Take a forecast in"),
		func(ctx context.Context, in *struct{ Body ForecastText }) (*out[hold.ForecastKept], error) {
			return forecast(ctx, v.shop.Hold.SetForecast(ctx, who(ctx), strings.NewReader(in.Body.Text)))
		})
	register(v, api, op("dropForecast", http.MethodDelete, "/api/forecast", "Let the simulated station speak again"),
		func(ctx context.Context, _ *struct{}) (*out[hold.ForecastKept], error) {
			return forecast(ctx, v.shop.Hold.DropForecast(ctx, who(ctx)))
		})
}
