package web

import (
	"context"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/reply"
	"freshshard/internal/today"
)

func unitOf(s string) length.Unit { return length.Unit(s) }

// JobID is the job of a call.
type JobID struct {
	ID int64 `path:"id" minimum:"1"`
}

// BenchID is the job of a call with the pane that lies on the table.
type BenchID struct {
	JobID
	Pane int64 `query:"pane" minimum:"0" doc:"The pane; 0 for the first one"`
}

func (b BenchID) bench(ctx context.Context) jobview.Bench {
	return jobview.Bench{Job: b.ID, Pane: b.Pane, By: who(ctx).ID}
}

// HeldChange is how a pane is held, with the version that the person saw.
type HeldChange struct {
	record.Held
	Version int `json:"version"`
}

// Made is the id of what a call made.
type Made struct {
	ID int64 `json:"id"`
}

// Pulse counts the changes to a job.
type Pulse struct {
	Pulse int64 `json:"pulse"`
}

// JobChange is what can be changed of a job's promise.
type JobChange struct {
	Story      string     `json:"story" maxLength:"1000"`
	Place      string     `json:"place" enum:"bench,site"`
	PromisedAt *time.Time `json:"promised_at,omitempty"`
	Version    int        `json:"version"`
}

// show answers a write with the job as it is now.
func (v *Server) show(ctx context.Context, at BenchID, err error) (*out[jobview.View], error) {
	if err != nil {
		return nil, reply.Of(ctx, err)
	}
	job, err := v.shop.Table(ctx, at.bench(ctx))
	return &out[jobview.View]{job}, reply.Of(ctx, err)
}

func jobRoutes(v *Server, api huma.API) {
	readsAs(v, api, op("today", http.MethodGet, "/api/today", "What to do now"), v.shop.Today.Today)
	register(v, api, op("customers", http.MethodGet, "/api/customers", "Customers like some words"),
		func(ctx context.Context, in *struct {
			Words string `query:"words" maxLength:"120"`
		}) (*out[[]record.Customer], error) {
			list, err := v.shop.Desk.Customers(ctx, in.Words)
			return &out[[]record.Customer]{list}, reply.Of(ctx, err)
		})
	register(v, api, op("jobs", http.MethodGet, "/api/jobs", "Jobs like some words, newest first"),
		func(ctx context.Context, in *struct {
			Words  string `query:"words" maxLength:"120"`
			State  string `query:"state" enum:"open,signed,withdrawn," doc:"Empty for all"`
			Before int64  `query:"before" doc:"Go on below this id"`
			Most   int    `query:"most" minimum:"1" maximum:"100" default:"40"`
		}) (*out[[]today.Listed], error) {
			list, err := v.shop.Today.Find(ctx, in.Words, in.State, in.Before, in.Most)
			return &out[[]today.Listed]{list}, reply.Of(ctx, err)
		})
	register(v, api, op("takeIn", http.MethodPost, "/api/jobs", "Take a broken pane in"),
		func(ctx context.Context, in *Keyed[desk.TakeIn]) (*out[Made], error) {
			id, err := v.shop.Desk.TakeIn(ctx, who(ctx), in.Key, in.Body)
			return &out[Made]{Made{id}}, reply.Of(ctx, err)
		})
	openingRoutes(v, api)
	oneJobRoutes(v, api)
}

// openingRoutes are other ways in which a job begins or ends.
func openingRoutes(v *Server, api huma.API) {
	register(v, api, op("copyJob", http.MethodPost, "/api/jobs/{id}/copy",
		"Take the same in again, without what was read and done"),
		func(ctx context.Context, in *struct {
			JobID
			Keyed[struct {
				Promised *time.Time `json:"promised_at,omitempty"`
			}]
		}) (*out[Made], error) {
			id, err := v.shop.Desk.Copy(ctx, who(ctx), in.Key, in.ID, in.Body.Promised)
			return &out[Made]{Made{id}}, reply.Of(ctx, err)
		})
	register(v, api, op("withdraw", http.MethodPut, "/api/jobs/{id}/withdrawn", "Close a job that came to nothing"),
		func(ctx context.Context, in *struct {
			JobID
			Body struct {
				Why string `json:"why" maxLength:"200"`
			}
		}) (*out[jobview.View], error) {
			return v.show(ctx, BenchID{JobID: in.JobID}, v.shop.Desk.Withdraw(ctx, who(ctx), in.ID, in.Body.Why))
		})
	register(v, api, op("setUnit", http.MethodPut, "/api/jobs/{id}/unit", "Work at a job in mm or in inches"),
		func(ctx context.Context, in *struct {
			BenchID
			Body struct {
				Unit length.Unit `json:"unit" enum:"mm,in"`
			}
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Desk.SetUnit(ctx, who(ctx), in.ID, in.Body.Unit))
		})
	register(v, api, op("takeUp", http.MethodDelete, "/api/jobs/{id}/withdrawn", "Open a job again that was withdrawn"),
		func(ctx context.Context, in *JobID) (*out[jobview.View], error) {
			return v.show(ctx, BenchID{JobID: *in}, v.shop.Desk.TakeUp(ctx, who(ctx), in.ID))
		})
	carry := op("bring", http.MethodPost, "/api/jobs/carried", "Take a carried job in")
	carry.MaxBodyBytes = 64 << 20 // sixty pictures
	register(v, api, carry, func(ctx context.Context, in *Keyed[desk.Carried]) (*out[Made], error) {
		id, err := v.shop.Desk.Bring(ctx, who(ctx), in.Key, in.Body)
		return &out[Made]{Made{id}}, reply.Of(ctx, err)
	})
}

// oneJobRoutes read and change one job.
func oneJobRoutes(v *Server, api huma.API) {
	register(v, api, op("job", http.MethodGet, "/api/jobs/{id}", "A job with everything that follows from it"),
		func(ctx context.Context, in *BenchID) (*out[jobview.View], error) {
			return v.show(ctx, *in, nil)
		})
	register(v, api, op("pulse", http.MethodGet, "/api/jobs/{id}/pulse", "Whether a job has changed"),
		func(ctx context.Context, in *JobID) (*out[Pulse], error) {
			n, err := v.shop.Desk.Pulse(ctx, in.ID)
			return &out[Pulse]{Pulse{n}}, reply.Of(ctx, err)
		})
	ofJob(v, api, op("history", http.MethodGet, "/api/jobs/{id}/history", "What happened to a job"), v.shop.Desk.History)
	ofJob(v, api, op("carry", http.MethodGet, "/api/jobs/{id}/carried", "A job as a document"), v.shop.Desk.Carry)
	register(v, api, op("setJob", http.MethodPut, "/api/jobs/{id}", "Change promise, place and story"),
		func(ctx context.Context, in *struct {
			BenchID
			Body JobChange
		}) (*out[jobview.View], error) {
			b := in.Body
			return v.show(ctx, in.BenchID,
				v.shop.Desk.SetJob(ctx, who(ctx), in.ID, record.Job{Story: b.Story, Place: b.Place, PromisedAt: b.PromisedAt,
					Version: b.Version}))
		})
	register(v, api, op("setCustomer", http.MethodPut, "/api/jobs/{id}/customer",
		"Change name, phone and note of the customer"), func(ctx context.Context, in *struct {
		BenchID
		Body record.Customer
	}) (*out[jobview.View], error) {
		return v.show(ctx, in.BenchID, v.shop.Desk.SetCustomer(ctx, who(ctx), in.ID, in.Body))
	})
	register(v, api, op("setObject", http.MethodPut, "/api/jobs/{id}/object", "Change what the object is and sees"),
		func(ctx context.Context, in *struct {
			BenchID
			Body record.Object
		}) (*out[jobview.View], error) {
			return v.show(ctx, in.BenchID, v.shop.Desk.SetObject(ctx, who(ctx), in.ID, in.Body))
		})
	held := op("setPane", http.MethodPut, "/api/jobs/{id}/pane", "Change how a pane is held")
	held.MaxBodyBytes = 16 << 20 // with its outline
	register(v, api, held, func(ctx context.Context, in *struct {
		BenchID
		Body HeldChange
	}) (*out[jobview.View], error) {
		return v.show(ctx, in.BenchID, v.shop.Desk.SetPane(ctx, who(ctx), in.bench(ctx), in.Body.Held, in.Body.Version))
	})
	paneRoutes(v, api)
}

// Understood is a length as it was taken.
type Understood struct {
	Reading length.Reading `json:"reading"`
	Said    string         `json:"said" doc:"How it was understood, in words"`
}

// Typed is a length as it stands in the field.
type Typed struct {
	Text       string            `json:"text" maxLength:"200"`
	Instrument length.Instrument `json:"instrument" enum:"tape,rule,caliper,laser,feeler gauge,traced line"`
	Place      reading.Place     `json:"place,omitempty"`
	Job        int64             `json:"job,omitempty" minimum:"0" doc:"Where it is typed, for the person's unit there"`
}

func (v *Server) understand(ctx context.Context, in *struct{ Body Typed }) (*out[Understood], error) {
	unit, err := v.shop.UnitFor(ctx, who(ctx), in.Body.Job)
	if err != nil {
		return nil, reply.Of(ctx, err)
	}
	r, err := measure.Understand(in.Body.Text, unit, in.Body.Instrument, in.Body.Place)
	if err != nil {
		return nil, reply.Of(ctx, err)
	}
	return &out[Understood]{Understood{r, r.Understood()}}, nil
}
