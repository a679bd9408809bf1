package web

import (
	"context"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/fault"
	"freshshard/core/moment"
	"freshshard/internal/reply"
)

// TypedMoment is a time as it was typed, in the zone of whoever typed it.
type TypedMoment struct {
	Field string `json:"field" maxLength:"40" doc:"What errors name"`
	Text  string `json:"text" maxLength:"60"`
	Zone  string `json:"zone" maxLength:"60" doc:"IANA name; empty for UTC"`
}

// Moment is that time.
type Moment struct {
	At   time.Time `json:"at"`
	Said string    `json:"said" doc:"How it was understood: Fri 16:00"`
}

func momentRoutes(v *Server, api huma.API) {
	register(v, api, op("moment", http.MethodPost, "/api/moments", "How a time is understood"),
		func(ctx context.Context, in *struct{ Body TypedMoment }) (*out[Moment], error) {
			zone, err := time.LoadLocation(in.Body.Zone)
			if err != nil {
				return nil, reply.Of(ctx, fault.New("zone", "no such zone is known", "use a name such as Europe/Copenhagen"))
			}
			now := v.shop.Now().In(zone)
			at, err := moment.Parse(in.Body.Field, in.Body.Text, now)
			if err != nil {
				return nil, reply.Of(ctx, err)
			}
			return &out[Moment]{Moment{at.UTC(), moment.Say(at, now)}}, nil
		})
}
