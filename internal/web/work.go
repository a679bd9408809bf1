package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/working"
	"freshshard/internal/bench"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/records"
	"freshshard/internal/reply"
)

// Weights are how much each judgement counts, 0 to 10.
type Weights struct {
	Weights map[string]float64 `json:"weights"`
}

func workRoutes(v *Server, api huma.API) {
	momentRoutes(v, api)
	register(v, api, op("understand", http.MethodPost, "/api/lengths", "How a length is understood"), v.understand)
	register(v, api, op("read", http.MethodPut, "/api/jobs/{id}/readings/{place}", "Keep a reading"),
		func(ctx context.Context, in *struct {
			BenchID
			Place reading.Place `path:"place"`
			Body  measure.Said
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Measure.Read(ctx, who(ctx), in.bench(ctx), in.Place, in.Body))
		})
	register(v, api, op("takeBack", http.MethodDelete, "/api/jobs/{id}/readings/{place}", "Take a reading back"),
		func(ctx context.Context, in *struct {
			BenchID
			Place   reading.Place `path:"place"`
			Version int           `query:"version" required:"true"`
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Measure.TakeBack(ctx, who(ctx), in.bench(ctx), in.Place, in.Version))
		})
	changes(v, api, op("diagnose", http.MethodPut, "/api/jobs/{id}/diagnosis",
		"Note what was seen of the break, and why it broke"), v.shop.Bench.Diagnose)
	changes(v, api, op("choose", http.MethodPut, "/api/jobs/{id}/choice", "Choose material and thickness"),
		v.shop.Bench.Choose)
	register(v, api, op("weigh", http.MethodPost, "/api/jobs/{id}/weigh",
		"The choice with other weights; nothing is kept"), func(ctx context.Context, in *struct {
		BenchID
		Body Weights
	}) (*out[pane.Choice], error) {
		c, err := v.shop.Bench.Weigh(ctx, in.bench(ctx), in.Body.Weights)
		return &out[pane.Choice]{c}, reply.Of(ctx, err)
	})
	register(v, api, op("whyStands", http.MethodGet, "/api/jobs/{id}/stands/{aspect}/{material}",
		"The numbers behind what a material stands of one thing that the place asks"), func(ctx context.Context, in *struct {
		BenchID
		Aspect   string `path:"aspect" maxLength:"20"`
		Material string `path:"material" maxLength:"40"`
	}) (*out[[]working.Figure], error) {
		f, err := v.shop.Bench.Why(ctx, in.bench(ctx), in.Aspect, in.Material)
		return &out[[]working.Figure]{f}, reply.Of(ctx, err)
	})
	stepRoutes(v, api)
	stopRoutes(v, api)
}

// stepRoutes say how steps and checks ended, on one pane or all.
func stepRoutes(v *Server, api huma.API) {
	register(v, api, op("tick", http.MethodPut, "/api/jobs/{id}/steps/{step}", "Say how a step ended"),
		func(ctx context.Context, in *struct {
			BenchID
			Step string `path:"step" maxLength:"40"`
			Body bench.Done
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Bench.Tick(ctx, who(ctx), in.bench(ctx), in.Step, in.Body))
		})
	register(v, api, op("answer", http.MethodPut, "/api/jobs/{id}/checks/{check}", "Answer a check"),
		func(ctx context.Context, in *struct {
			BenchID
			Check string `path:"check" maxLength:"40"`
			Body  bench.Checked
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Bench.Answer(ctx, who(ctx), in.bench(ctx), in.Check, in.Body))
		})
	register(v, api, op("tick-all", http.MethodPut, "/api/jobs/{id}/steps/{step}/all",
		"Tick a step on every pane that is ready for it"), func(ctx context.Context, in *struct {
		BenchID
		Step  string `path:"step" maxLength:"40"`
		Dries bool   `query:"dries" doc:"Something was painted that has to dry: its clock begins"`
	}) (*out[jobview.View], error) {
		return v.show(ctx, in.BenchID, v.shop.Bench.TickAll(ctx, who(ctx), in.bench(ctx).Job, in.Step, in.Dries))
	})
	register(v, api, op("answer-all", http.MethodPut, "/api/jobs/{id}/checks/{check}/all",
		"Pass a check on every pane that is ready for it; a number is the worst of them"),
		func(ctx context.Context, in *struct {
			BenchID
			Check string `path:"check" maxLength:"40"`
			Body  bench.Checked
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Bench.AnswerAll(ctx, who(ctx), in.bench(ctx).Job, in.Check, in.Body))
		})
	changes(v, api, op("like", http.MethodPut, "/api/jobs/{id}/like",
		"Give all panes that are held and done alike what this one has and they lack"), v.shop.Bench.Like)
	register(v, api, op("reopen", http.MethodDelete, "/api/jobs/{id}/checks/{check}", "Take an answer back"),
		func(ctx context.Context, in *struct {
			BenchID
			Check   string `path:"check" maxLength:"40"`
			Seen    int    `query:"seen" required:"true" doc:"Version of the answer that was seen"`
			Changed string `query:"changed" maxLength:"200" doc:"What was changed after it failed, before it is tried again"`
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Bench.Reopen(ctx, who(ctx), in.bench(ctx), in.Check, in.Seen, in.Changed))
		})
}

// stopRoutes are what an owner takes on, and the signature.
func stopRoutes(v *Server, api huma.API) {
	register(v, api, op("take-on", http.MethodPut, "/api/jobs/{id}/stops/{stop}",
		"Accept the risk of a stop, as an owner"),
		func(ctx context.Context, in *struct {
			BenchID
			Stop string `path:"stop" maxLength:"120"`
			Body bench.TakeOn
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Bench.TakeOn(ctx, who(ctx), in.bench(ctx), in.Stop, in.Body))
		})
	register(v, api, op("let-go", http.MethodDelete, "/api/jobs/{id}/stops/{stop}",
		"No longer accept the risk of a stop, as an owner"), func(ctx context.Context, in *struct {
		BenchID
		Stop string `path:"stop" maxLength:"120"`
	}) (*out[jobview.View], error) {
		return v.show(ctx, in.BenchID, v.shop.Bench.LetGo(ctx, who(ctx), in.bench(ctx), in.Stop))
	})
	register(v, api, op("sign", http.MethodPost, "/api/jobs/{id}/ticket", "Sign a job off"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[records.Signature]
		}) (*out[jobview.View], error) {
			_, err := v.shop.Records.Sign(ctx, who(ctx), in.Key, in.ID, in.Body)
			return v.show(ctx, in.BenchID, err)
		})
}
