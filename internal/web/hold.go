package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

// CureID is something that hardens in a job.
type CureID struct {
	BenchID
	Cure    int64 `path:"cure" minimum:"1"`
	Version int   `query:"version"`
}

func holdRoutes(v *Server, api huma.API) {
	answer := func(ctx context.Context, at BenchID, err error) (*out[hold.Hold], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		h, err := v.shop.Hold.Hold(ctx, at.bench(ctx), v.options.Zone)
		return &out[hold.Hold]{h}, reply.Of(ctx, err)
	}
	register(v, api, op("hold", http.MethodGet, "/api/jobs/{id}/hold", "What hardens, its clocks and its air"),
		func(ctx context.Context, in *BenchID) (*out[hold.Hold], error) { return answer(ctx, *in, nil) })
	register(v, api, op("startCure", http.MethodPost, "/api/jobs/{id}/cures", "Start the clock of what was laid"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[hold.Laid]
		}) (*out[hold.Hold], error) {
			return answer(ctx, in.BenchID, v.shop.Hold.StartCure(ctx, who(ctx), in.Key, in.bench(ctx), in.Body, v.options.Zone))
		})
	register(v, api, op("moveCure", http.MethodPut, "/api/jobs/{id}/cures/{cure}/place",
		"It stands somewhere else from now on, or is warmed"),
		func(ctx context.Context, in *struct {
			CureID
			Body struct {
				Place  record.Where `json:"place" enum:"bench,van,yard"`
				Heated float64      `json:"heated,omitempty" minimum:"0" maximum:"40"`
			}
		}) (*out[hold.Hold], error) {
			return answer(ctx, in.BenchID, v.shop.Hold.MoveCure(ctx, who(ctx), in.bench(ctx), in.Cure,
				record.Stay{Place: in.Body.Place, Heated: in.Body.Heated}, in.Version, v.options.Zone))
		})
	register(v, api, op("dropCure", http.MethodDelete, "/api/jobs/{id}/cures/{cure}", "Take a clock out"),
		func(ctx context.Context, in *CureID) (*out[hold.Hold], error) {
			return answer(ctx, in.BenchID, v.shop.Hold.DropCure(ctx, who(ctx), in.bench(ctx), in.Cure, in.Version))
		})
	timerRoutes(v, api)
	ofJob(v, api, op("vanLoad", http.MethodGet, "/api/jobs/{id}/van", "What to take along for what is left of a job"),
		v.shop.Rounds.VanLoad)
	reads(v, api, op("adhesiveDay", http.MethodGet, "/api/adhesive-day",
		"What is opened, set, peeled and ready, for the wall"), v.shop.Days.AdhesiveDay)
	register(v, api, op("noteAir", http.MethodPost, "/api/jobs/{id}/air", "Note the air, for all that hardens in it"),
		func(ctx context.Context, in *struct {
			BenchID
			Body struct {
				Place record.Where `json:"place" enum:"bench,van,yard"`
				C     float64      `json:"c"`
				RH    float64      `json:"rh"`
			}
		}) (*out[hold.Hold], error) {
			b := in.Body
			return answer(ctx, in.BenchID, v.shop.Hold.NoteAir(ctx, who(ctx),
				record.AirReading{Place: b.Place, C: b.C, RH: b.RH},
				v.options.Zone))
		})
}

// TimerID is a clock of a pane.
type TimerID struct {
	BenchID
	Timer   int64 `path:"timer" minimum:"1"`
	Version int   `query:"version"`
}

func timerRoutes(v *Server, api huma.API) {
	register(v, api, op("startTimer", http.MethodPost, "/api/jobs/{id}/timers",
		"Start a clock: water, first heat, paint, cooling"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[hold.StartedTimer]
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Timers.StartTimer(ctx, who(ctx), in.Key, in.bench(ctx), in.Body))
		})
	register(v, api, op("nextTimer", http.MethodPut, "/api/jobs/{id}/timers/{timer}/next", "Its next part begins"),
		func(ctx context.Context, in *TimerID) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Timers.NextTimer(ctx, who(ctx), in.bench(ctx), in.Timer, in.Version))
		})
	register(v, api, op("dropTimer", http.MethodDelete, "/api/jobs/{id}/timers/{timer}", "Take a clock out"),
		func(ctx context.Context, in *TimerID) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Timers.DropTimer(ctx, who(ctx), in.bench(ctx), in.Timer, in.Version))
		})
}
