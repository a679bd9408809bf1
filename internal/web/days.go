package web

import (
	"context"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/days"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

// DaysLink is the address that gives one's own days to a calendar.
type DaysLink struct {
	Link *record.Link `json:"link,omitempty" doc:"Nothing while it was not made"`
}

func dayRoutes(v *Server, api huma.API) {
	mine := func(ctx context.Context, err error) (*out[DaysLink], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		l, err := v.shop.Records.LinkOf(ctx, record.DaysLink, who(ctx).ID)
		return &out[DaysLink]{DaysLink{l}}, reply.Of(ctx, err)
	}
	register(v, api, op("daysLink", http.MethodGet, "/api/days/link", "The address of my days"),
		func(ctx context.Context, _ *struct{}) (*out[DaysLink], error) { return mine(ctx, nil) })
	register(v, api, op("makeDaysLink", http.MethodPost, "/api/days/link", "Make the address of my days"),
		func(ctx context.Context, _ *struct{}) (*out[DaysLink], error) {
			return mine(ctx, v.shop.Records.MakeLink(ctx, who(ctx), record.DaysLink, 0))
		})
	register(v, api, op("withdrawDaysLink", http.MethodDelete, "/api/days/link", "Withdraw it"),
		func(ctx context.Context, _ *struct{}) (*out[DaysLink], error) {
			return mine(ctx, v.shop.Records.WithdrawLink(ctx, who(ctx), record.DaysLink, 0))
		})
	planRoutes(v, api)
	calendarRoutes(v, api)
}

// planRoutes show the days, promise by them and try what would be.
func planRoutes(v *Server, api huma.API) {
	readsAs(v, api, op("days", http.MethodGet, "/api/days", "Who does what when, of everything that is open"),
		v.shop.Days.Days)
	register(v, api, op("promise", http.MethodPut, "/api/days/promises/{job}",
		"Promise a job, and keep the plan that it was read from"),
		func(ctx context.Context, in *struct {
			Job  int64 `path:"job" minimum:"1"`
			Body struct {
				At   time.Time  `json:"at"`
				Seen *time.Time `json:"seen,omitempty" doc:"The promise that the screen shows; nothing for none"`
			}
		}) (*out[days.Days], error) {
			d, err := v.shop.Days.Promise(ctx, who(ctx), in.Job, in.Body.At, in.Body.Seen)
			return &out[days.Days]{d}, reply.Of(ctx, err)
		})
	sums(v, api, op("tryDays", http.MethodPost, "/api/days/try", "The days as they would be; nothing is changed"),
		v.shop.Days.Try)
	register(v, api, op("makeSo", http.MethodPost, "/api/days/so", "Glass is late, somebody is away, a step is pinned"),
		func(ctx context.Context, in *struct {
			Body struct {
				What days.WhatIf `json:"what"`
				Seen int         `json:"seen" doc:"The version of the days that was tried against"`
			}
		}) (*out[days.Days], error) {
			d, err := v.shop.ByHand.MakeSo(ctx, who(ctx), in.Body.What, in.Body.Seen)
			return &out[days.Days]{d}, reply.Of(ctx, err)
		})
	register(v, api, op("unpin", http.MethodDelete, "/api/days/pins", "Let a step go where it fits best"),
		func(ctx context.Context, in *struct {
			Step string `query:"step" minLength:"1" maxLength:"160"`
		}) (*out[days.Days], error) {
			d, err := v.shop.ByHand.Unpin(ctx, who(ctx), in.Step)
			return &out[days.Days]{d}, reply.Of(ctx, err)
		})
	reads(v, api, op("betterDays", http.MethodGet, "/api/days/better", "What planning anew would bring"),
		v.shop.Days.Better)
	register(v, api, op("ways", http.MethodGet, "/api/days/jobs/{job}/ways",
		"What would save a promise, and whom to call"),
		func(ctx context.Context, in *struct {
			Job int64 `path:"job" minimum:"1"`
		}) (*out[days.DayWays], error) {
			w, err := v.shop.ByHand.Ways(ctx, in.Job)
			return &out[days.DayWays]{w}, reply.Of(ctx, err)
		})
	reads(v, api, op("slipping", http.MethodGet, "/api/days/slipping", "Promises that are not safe any more"),
		v.shop.Days.Slipping)
	sums(v, api, op("dayOffer", http.MethodPost, "/api/days/offer",
		"When a job could be promised that is not taken in yet"), v.shop.Days.Offer)
	readsAs(v, api, op("takeDays", http.MethodPost, "/api/days", "Plan the days anew, and take that"),
		v.shop.Days.TakeDays)
}

// calendarRoutes say who works when, and where.
func calendarRoutes(v *Server, api huma.API) {
	places := func(ctx context.Context, err error) (*out[[]record.DayPlace], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		p, err := v.shop.Days.Calendar.DayPlaces(ctx)
		return &out[[]record.DayPlace]{p}, reply.Of(ctx, err)
	}
	register(v, api, op("dayPlaces", http.MethodGet, "/api/days/places", "How many benches, vans and tables there are"),
		func(ctx context.Context, _ *struct{}) (*out[[]record.DayPlace], error) { return places(ctx, nil) })
	register(v, api, op("setDayPlace", http.MethodPut, "/api/days/places", "Say how many there are"),
		func(ctx context.Context, in *struct{ Body days.NewDayPlace }) (*out[[]record.DayPlace], error) {
			return places(ctx, v.shop.Days.Calendar.SetDayPlace(ctx, who(ctx), in.Body))
		})
	reads(v, api, op("weeks", http.MethodGet, "/api/weeks", "When people work, and what they may do"),
		v.shop.Days.Calendar.Weeks)
	register(v, api, op("setWeek", http.MethodPut, "/api/weeks/{account}", "Change when a person works"),
		func(ctx context.Context, in *struct {
			Account int64 `path:"account" minimum:"1"`
			Body    record.Week
		}) (*out[[]record.Week], error) {
			in.Body.Account = in.Account
			if err := v.shop.Days.Calendar.SetWeek(ctx, who(ctx), in.Body); err != nil {
				return nil, reply.Of(ctx, err)
			}
			w, err := v.shop.Days.Calendar.Weeks(ctx)
			return &out[[]record.Week]{w}, reply.Of(ctx, err)
		})
}
