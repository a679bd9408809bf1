package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/guest"
	"freshshard/internal/jobview"
	"freshshard/internal/strip"
)

// StripChange is an entry as it should be, with the version that was seen.
type StripChange struct {
	Entry   strip.Entered `json:"entry"`
	Version int           `json:"version"`
}

// StripBack is how many of an entry are back in.
type StripBack struct {
	In      int `json:"in"`
	Version int `json:"version"`
}

// StripFrom is the job whose strip log is copied.
type StripFrom struct {
	From int64 `json:"from"`
}

// GuestOut says whether something is out.
type GuestOut struct {
	Out bool `json:"out"`
}

// EntryID is one entry of a job's strip log.
type EntryID struct {
	BenchID
	Entry string `path:"entry" maxLength:"40"`
}

func stripRoutes(v *Server, api huma.API) {
	register(v, api, op("addStrip", http.MethodPost, "/api/jobs/{id}/strip", "Note what came off"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[strip.Entered]
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Strip.AddStrip(ctx, who(ctx), in.Key, in.ID, in.Body))
		})
	register(v, api, op("setStrip", http.MethodPut, "/api/jobs/{id}/strip/{entry}", "Change what was noted"),
		func(ctx context.Context, in *struct {
			EntryID
			Body StripChange
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Strip.SetStrip(ctx, who(ctx), in.ID, in.Entry, in.Body.Entry, in.Body.Version))
		})
	register(v, api, op("moveStrip", http.MethodPut, "/api/jobs/{id}/strip/{entry}/place",
		"Say that something came off sooner or later"),
		func(ctx context.Context, in *struct {
			EntryID
			Body struct {
				To      int `json:"to" minimum:"1" doc:"Its place in the order of removal"`
				Version int `json:"version"`
			}
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Strip.MoveStrip(ctx, who(ctx), in.ID, in.Entry, in.Body.To, in.Body.Version))
		})
	register(v, api, op("dropStrip", http.MethodDelete, "/api/jobs/{id}/strip/{entry}",
		"Take out what was noted by mistake"), func(ctx context.Context, in *struct {
		EntryID
		Version int `query:"version" required:"true"`
	}) (*out[jobview.View], error) {
		return v.show(ctx, in.BenchID, v.shop.Strip.DropStrip(ctx, who(ctx), in.ID, in.Entry, in.Version))
	})
	guestRoutes(v, api)
}

// guestRoutes are what is put in only for now, and what goes back.
func guestRoutes(v *Server, api huma.API) {
	register(v, api, op("put-in", http.MethodPost, "/api/jobs/{id}/guests", "Note what is put in for a while"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[guest.Guest]
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Strip.PutIn(ctx, who(ctx), in.Key, in.bench(ctx), in.Body))
		})
	register(v, api, op("take-out", http.MethodPut, "/api/jobs/{id}/guests/{guest}", "Say that it is out, or in again"),
		func(ctx context.Context, in *struct {
			BenchID
			Guest int64 `path:"guest"`
			Body  GuestOut
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Strip.TakeOut(ctx, who(ctx), in.ID, in.Guest, in.Body.Out))
		})
	register(v, api, op("putBack", http.MethodPut, "/api/jobs/{id}/strip/{entry}/back", "Say how many are back in"),
		func(ctx context.Context, in *struct {
			EntryID
			Body StripBack
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Bench.PutBack(ctx, who(ctx), in.ID, in.Entry, in.Body.In, in.Body.Version))
		})
	ofJob(v, api, op("earlier", http.MethodGet, "/api/jobs/{id}/earlier-strips",
		"Jobs whose strip log could be the start"), v.shop.Strip.Earlier)
	register(v, api, op("copyStrip", http.MethodPut, "/api/jobs/{id}/strip-copy",
		"Start the strip log from an earlier one"), func(ctx context.Context, in *struct {
		BenchID
		Body StripFrom
	}) (*out[jobview.View], error) {
		return v.show(ctx, in.BenchID, v.shop.Strip.CopyStrip(ctx, who(ctx), in.ID, in.Body.From))
	})
}
