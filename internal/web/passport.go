package web

import (
	"context"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/reply"
	"freshshard/internal/today"
)

// Token opens one thing without signing in.
type Token struct {
	Token string `path:"token" minLength:"26" maxLength:"26" pattern:"^[a-z0-9]+$"`
}

// Outgoing is what goes with a signed job, and the address that opens it.
type Outgoing struct {
	Passport records.Passport `json:"passport"`
	Link     *record.Link     `json:"link,omitempty" doc:"Nothing where it was withdrawn"`
}

func passportRoutes(v *Server, api huma.API) {
	register(v, api, open(op("openPassport", http.MethodGet, "/api/passport/{token}",
		"What goes with an object, by its address")),
		func(ctx context.Context, in *Token) (*out[records.Passport], error) {
			l, err := v.shop.Records.Opened(ctx, record.PassportLink, in.Token)
			if err != nil {
				return nil, reply.Of(ctx, err)
			}
			p, err := v.shop.Records.Passport(ctx, l.Job)
			return &out[records.Passport]{p}, reply.Of(ctx, err)
		})
	outgoing := func(ctx context.Context, job int64, err error) (*out[Outgoing], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		var o Outgoing
		if o.Passport, err = v.shop.Records.Passport(ctx, job); err != nil {
			return nil, reply.Of(ctx, err)
		}
		o.Link, err = v.shop.Records.LinkOf(ctx, record.PassportLink, job)
		return &out[Outgoing]{o}, reply.Of(ctx, err)
	}
	register(v, api, op("passport", http.MethodGet, "/api/jobs/{id}/passport", "What goes out with a signed job"),
		func(ctx context.Context, in *JobID) (*out[Outgoing], error) { return outgoing(ctx, in.ID, nil) })
	register(v, api, op("showPhoto", http.MethodPut, "/api/jobs/{id}/photos/{photo}/shown",
		"Put a picture on the page behind the job's code, or take it off"),
		func(ctx context.Context, in *struct {
			JobID
			Photo int64 `path:"photo" minimum:"1"`
			Body  struct {
				Shown bool `json:"shown"`
			}
		}) (*out[Outgoing], error) {
			return outgoing(ctx, in.ID, v.shop.Desk.Photos.ShowPhoto(ctx, who(ctx), in.ID, in.Photo, in.Body.Shown))
		})
	register(v, api, op("makeLink", http.MethodPost, "/api/jobs/{id}/link", "Make the address that opens its passport"),
		func(ctx context.Context, in *JobID) (*out[Outgoing], error) {
			return outgoing(ctx, in.ID, v.shop.Records.MakeLink(ctx, who(ctx), record.PassportLink, in.ID))
		})
	register(v, api, op("withdrawLink", http.MethodDelete, "/api/jobs/{id}/link",
		"Withdraw it: it opens nothing any more"),
		func(ctx context.Context, in *JobID) (*out[Outgoing], error) {
			return outgoing(ctx, in.ID, v.shop.Records.WithdrawLink(ctx, who(ctx), record.PassportLink, in.ID))
		})
	pastRoutes(v, api)
}

// pastRoutes are what was before: the object through time, what came back, and the search.
func pastRoutes(v *Server, api huma.API) {
	ofJob(v, api, op("through", http.MethodGet, "/api/jobs/{id}/through", "The object through time"),
		v.shop.Records.Through)
	ofPane(v, api, op("experience", http.MethodGet, "/api/jobs/{id}/experience",
		"How often what was fitted like this came back within a year"), v.shop.Records.Experience)
	register(v, api, op("again", http.MethodPost, "/api/jobs/{id}/again", "The same object is back: take it in again"),
		func(ctx context.Context, in *struct {
			JobID
			Keyed[struct {
				Promised *time.Time `json:"promised_at,omitempty"`
			}]
		}) (*out[Made], error) {
			id, err := v.shop.Records.Again(ctx, who(ctx), in.Key, in.ID, in.Body.Promised)
			return &out[Made]{Made{id}}, reply.Of(ctx, err)
		})
	register(v, api, op("search", http.MethodGet, "/api/search", "Look for words in everything that is kept"),
		func(ctx context.Context, in *struct {
			Words string `query:"words" maxLength:"80"`
		}) (*out[today.Found], error) {
			f, err := v.shop.Today.Search(ctx, in.Words)
			return &out[today.Found]{f}, reply.Of(ctx, err)
		})
	reminderRoutes(v, api)
}

// Due is what is to be looked at, and the address of its calendar.
type Due struct {
	Reminders []record.Reminder `json:"reminders"`
	Calendar  *record.Link      `json:"calendar,omitempty" doc:"Nothing while an owner made none"`
}

func reminderRoutes(v *Server, api huma.API) {
	due := func(ctx context.Context, err error) (*out[Due], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		d := Due{}
		if d.Reminders, err = v.shop.Records.Reminders(ctx); err != nil {
			return nil, reply.Of(ctx, err)
		}
		d.Calendar, err = v.shop.Records.LinkOf(ctx, record.CalendarLink, 0)
		return &out[Due]{d}, reply.Of(ctx, err)
	}
	register(v, api, op("reminders", http.MethodGet, "/api/reminders", "What is to be looked at again, the soonest first"),
		func(ctx context.Context, _ *struct{}) (*out[Due], error) { return due(ctx, nil) })
	register(v, api, op("reminded", http.MethodPut, "/api/reminders/{id}", "It was done, is dropped, or put off"),
		func(ctx context.Context, in *struct {
			ID   int64 `path:"id" minimum:"1"`
			Body records.Reminded
		}) (*out[Due], error) {
			return due(ctx, v.shop.Records.Reminded(ctx, who(ctx), in.ID, in.Body))
		})
	register(v, api, op("remember", http.MethodPost, "/api/jobs/{id}/reminders", "Remember to look at it again"),
		func(ctx context.Context, in *struct {
			JobID
			Keyed[records.Remember]
		}) (*out[Due], error) {
			_, err := v.shop.Records.Remember(ctx, who(ctx), in.Key, in.ID, in.Body)
			return due(ctx, err)
		})
	register(v, api, op("makeCalendar", http.MethodPost, "/api/reminders/link", "Make the address of the calendar"),
		func(ctx context.Context, _ *struct{}) (*out[Due], error) {
			return due(ctx, v.shop.Records.MakeLink(ctx, who(ctx), record.CalendarLink, 0))
		})
	register(v, api, op("withdrawCalendar", http.MethodDelete, "/api/reminders/link", "Withdraw it"),
		func(ctx context.Context, _ *struct{}) (*out[Due], error) {
			return due(ctx, v.shop.Records.WithdrawLink(ctx, who(ctx), record.CalendarLink, 0))
		})
}
