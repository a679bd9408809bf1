package download

import (
	"context"
	"io"

	"github.com/gin-gonic/gin"

	"freshshard/internal/days"
	"freshshard/internal/exchange"
	"freshshard/internal/record"
)

// dayFiles hand out the days: as a table, a sheet for each person, and a calendar.
func dayFiles(v *Files, g *gin.Engine) {
	file := func(name, kind string, by func(context.Context) record.Account,
		make func(io.Writer, days.Days, record.Shop) error) gin.HandlerFunc {
		return func(c *gin.Context) {
			handOut(c, name, kind, func(ctx context.Context, w io.Writer) error {
				d, err := v.Shop.Days.Days(ctx, by(ctx))
				if err != nil {
					return err
				}
				s, err := v.Shop.Settings(ctx)
				if err != nil {
					return err
				}
				return make(w, d, s)
			})
		}
	}
	in := g.Group("/api", v.SignedIn)
	in.GET("/days.csv", file("days.csv", "text/csv; charset=utf-8", v.Who, func(w io.Writer, d days.Days,
		_ record.Shop) error {
		return exchange.DaysTable(w, d, v.Zone)
	}))
	in.GET("/days.pdf", file("days.pdf", "application/pdf", v.Who, func(w io.Writer, d days.Days, s record.Shop) error {
		return exchange.DaySheets(w, d, s, v.Zone)
	}))
	g.GET("/feeds/:token/days.ics", func(c *gin.Context) {
		private(c)
		l, err := v.Shop.Records.Opened(c.Request.Context(), record.DaysLink, c.Param("token"))
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
			return exchange.DaysCalendar(w, d, l.Account, address, v.Shop.Now())
		})(c)
	})
}
