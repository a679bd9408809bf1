package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/reply"
)

// Laid is how many panes of a job got a size.
type Laid struct {
	Panes int `json:"panes"`
}

func paneRoutes(v *Server, api huma.API) {
	register(v, api, op("layOut", http.MethodPut, "/api/jobs/{id}/layout", "Say how the panes of the object stand"),
		func(ctx context.Context, in *struct {
			BenchID
			Body measure.NewLayout
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Measure.SetLayout(ctx, who(ctx), in.ID, in.Body))
		})
	register(v, api, op("dropPane", http.MethodDelete, "/api/jobs/{id}/pane", "Take a pane out that nothing was done to"),
		func(ctx context.Context, in *BenchID) (*out[jobview.View], error) {
			err := v.shop.Measure.DropPane(ctx, who(ctx), in.bench(ctx))
			return v.show(ctx, BenchID{JobID: in.JobID}, err)
		})
	changes(v, api, op("placePane", http.MethodPut, "/api/jobs/{id}/spot", "Put a pane elsewhere on its object"),
		v.shop.Measure.PlacePane)
	register(v, api, op("setPack", http.MethodPut, "/api/jobs/{id}/pack",
		"Note the pack that all panes of the object make up"), func(ctx context.Context, in *struct {
		BenchID
		Body measure.PackAll
	}) (*out[jobview.View], error) {
		return v.show(ctx, in.BenchID, v.shop.Measure.SetPack(ctx, who(ctx), in.ID, in.Body))
	})
	register(v, api, op("setHeard", http.MethodPut, "/api/jobs/{id}/heard", "Say what else speaks for the size of a pane"),
		func(ctx context.Context, in *struct {
			BenchID
			Body struct {
				Heard   []measure.Heard `json:"heard" maxItems:"20"`
				Version int             `json:"version"`
			}
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Measure.SetHeard(ctx, who(ctx), in.bench(ctx), in.Body.Heard, in.Body.Version))
		})
	register(v, api, op("countScrew", http.MethodPut, "/api/jobs/{id}/screws", "Count a pane's screws off, one by one"),
		func(ctx context.Context, in *struct {
			BenchID
			Body struct {
				Counted int `json:"counted" minimum:"0" maximum:"480" doc:"Over all passes"`
				Version int `json:"version"`
			}
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Bench.CountScrews(ctx, who(ctx), in.bench(ctx), in.Body.Counted,
				in.Body.Version))
		})
	changes(v, api, op("setWait", http.MethodPut, "/api/jobs/{id}/wait", "Say what a pane waits for"), v.shop.Buy.SetWait)
	register(v, api, op("laySash", http.MethodPut, "/api/jobs/{id}/sash",
		"Lay the lights of a sash on the panes of a job"), func(ctx context.Context, in *struct {
		BenchID
		Body measure.SashIn
	}) (*out[Laid], error) {
		n, err := v.shop.Measure.AddSash(ctx, who(ctx), in.ID, in.Body)
		return &out[Laid]{Laid{n}}, reply.Of(ctx, err)
	})
	changes(v, api, outlineCall("layDrawn", http.MethodPut, "/api/jobs/{id}/outline",
		"Lay an outline on the table as the opening of a pane"), v.shop.Measure.SetDrawing)
}
