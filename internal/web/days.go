package web

import (
	"context"
	"io"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"freshshard/internal/days"
	"freshshard/internal/exchange"
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

// dayFiles hand out the days: as a table, a sheet for each person, and a calendar.
func dayFiles(v *Server, g *gin.Engine) {
	file := func(name, kind string, by func(context.Context) record.Account,
		make func(io.Writer, days.Days, record.Shop) error) gin.HandlerFunc {
		return func(c *gin.Context) {
			handOut(c, name, kind, func(ctx context.Context, w io.Writer) error {
				d, err := v.shop.Days.Days(ctx, by(ctx))
				if err != nil {
					return err
				}
				s, err := v.shop.Settings(ctx)
				if err != nil {
					return err
				}
				return make(w, d, s)
			})
		}
	}
	in := g.Group("/api", v.person)
	in.GET("/days.csv", file("days.csv", "text/csv; charset=utf-8", who, func(w io.Writer, d days.Days,
		_ record.Shop) error {
		return exchange.DaysTable(w, d, v.options.Zone)
	}))
	in.GET("/days.pdf", file("days.pdf", "application/pdf", who, func(w io.Writer, d days.Days, s record.Shop) error {
		return exchange.DaySheets(w, d, s, v.options.Zone)
	}))
	g.GET("/feeds/:token/days.ics", func(c *gin.Context) {
		private(c)
		l, err := v.shop.Records.Opened(c.Request.Context(), record.DaysLink, c.Param("token"))
		if err != nil {
			failFile(c, err)
			return
		}
		theirs := func(context.Context) record.Account { return record.Account{ID: l.Account} }
		file("days.ics", "text/calendar; charset=utf-8", theirs, func(w io.Writer, d days.Days, _ record.Shop) error {
			address, err := v.address(c.Request.Context(), c)
			if err != nil {
				return err
			}
			return exchange.DaysCalendar(w, d, l.Account, address, v.shop.Now())
		})(c)
	})
}
