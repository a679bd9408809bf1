package web

import (
	"context"
	"io"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"freshshard/internal/exchange"
	"freshshard/internal/record"
	"freshshard/internal/shop"
)

// DaysLink is the address that gives one's own days to a calendar.
type DaysLink struct {
	Link *record.Link `json:"link,omitempty" doc:"Nothing while it was not made"`
}

func (v *Server) dayRoutes(api huma.API) {
	mine := func(ctx context.Context, err error) (*out[DaysLink], error) {
		if err != nil {
			return nil, said(ctx, err)
		}
		l, err := v.shop.LinkOf(ctx, record.DaysLink, who(ctx).ID)
		return &out[DaysLink]{DaysLink{l}}, said(ctx, err)
	}
	register(v, api, op("daysLink", http.MethodGet, "/api/days/link", "The address of my days"),
		func(ctx context.Context, _ *struct{}) (*out[DaysLink], error) { return mine(ctx, nil) })
	register(v, api, op("makeDaysLink", http.MethodPost, "/api/days/link", "Make the address of my days"),
		func(ctx context.Context, _ *struct{}) (*out[DaysLink], error) {
			return mine(ctx, v.shop.MakeLink(ctx, who(ctx), record.DaysLink, 0))
		})
	register(v, api, op("withdrawDaysLink", http.MethodDelete, "/api/days/link", "Withdraw it"),
		func(ctx context.Context, _ *struct{}) (*out[DaysLink], error) {
			return mine(ctx, v.shop.WithdrawLink(ctx, who(ctx), record.DaysLink, 0))
		})
	register(v, api, op("days", http.MethodGet, "/api/days", "Who does what when, of everything that is open"),
		func(ctx context.Context, _ *struct{}) (*out[shop.Days], error) {
			d, err := v.shop.Days(ctx)
			return &out[shop.Days]{d}, said(ctx, err)
		})
	register(v, api, op("takeDays", http.MethodPost, "/api/days", "Plan the days anew, and take that"),
		func(ctx context.Context, _ *struct{}) (*out[shop.Days], error) {
			d, err := v.shop.TakeDays(ctx, who(ctx))
			return &out[shop.Days]{d}, said(ctx, err)
		})
	register(v, api, op("weeks", http.MethodGet, "/api/weeks", "When people work, and what they may do"),
		func(ctx context.Context, _ *struct{}) (*out[[]record.Week], error) {
			w, err := v.shop.Weeks(ctx)
			return &out[[]record.Week]{w}, said(ctx, err)
		})
	register(v, api, op("setWeek", http.MethodPut, "/api/weeks/{account}", "Change when a person works"),
		func(ctx context.Context, in *struct {
			Account int64 `path:"account" minimum:"1"`
			Body    record.Week
		}) (*out[[]record.Week], error) {
			in.Body.Account = in.Account
			if err := v.shop.SetWeek(ctx, who(ctx), in.Body); err != nil {
				return nil, said(ctx, err)
			}
			w, err := v.shop.Weeks(ctx)
			return &out[[]record.Week]{w}, said(ctx, err)
		})
}

// dayFiles hand out the days: as a table, a sheet for each person, and a calendar.
func (v *Server) dayFiles(g *gin.Engine) {
	file := func(name, kind string, make func(io.Writer, shop.Days, record.Shop) error) gin.HandlerFunc {
		return func(c *gin.Context) {
			handOut(c, name, kind, func(ctx context.Context, w io.Writer) error {
				d, err := v.shop.Days(ctx)
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
	in.GET("/days.csv", file("days.csv", "text/csv; charset=utf-8", func(w io.Writer, d shop.Days, _ record.Shop) error {
		return exchange.DaysTable(w, d, v.options.Zone)
	}))
	in.GET("/days.pdf", file("days.pdf", "application/pdf", func(w io.Writer, d shop.Days, s record.Shop) error {
		return exchange.DaySheets(w, d, s, v.options.Zone)
	}))
	g.GET("/feeds/:token/days.ics", func(c *gin.Context) {
		private(c)
		l, err := v.shop.Opened(c.Request.Context(), record.DaysLink, c.Param("token"))
		if err != nil {
			failFile(c, err)
			return
		}
		file("days.ics", "text/calendar; charset=utf-8", func(w io.Writer, d shop.Days, _ record.Shop) error {
			return exchange.DaysCalendar(w, d, l.Account, addressOf(c), time.Now())
		})(c)
	})
}
