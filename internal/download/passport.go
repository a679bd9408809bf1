package download

import (
	"context"
	"fmt"
	"io"
	"net/http"
	"strconv"
	"time"

	"github.com/gin-gonic/gin"

	"freshshard/internal/exchange"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/reply"
)

// passportFiles are the papers of a signed job, and what its address gives.
func passportFiles(v *Files, g *gin.Engine) {
	job := g.Group("/api/jobs/:id", v.SignedIn)
	paper := func(make func(io.Writer, records.Passport, string, *time.Location) error) func(*gin.Context) maker {
		return func(c *gin.Context) maker {
			return func(ctx context.Context, w io.Writer, at jobview.Bench) error {
				p, err := v.Shop.Records.Passport(ctx, at.Job)
				if err != nil {
					return err
				}
				l, err := v.Shop.Records.LinkOf(ctx, record.PassportLink, at.Job)
				if err != nil {
					return err
				}
				address, err := v.address(ctx, c)
				if err != nil {
					return err
				}
				switch {
				case l == nil:
					address = ""
				case address != "":
					address += reply.PassportPath + l.Token
				default:
					p.NoCode = noCode
				}
				return make(w, p, address, v.Zone)
			}
		}
	}
	for name, make := range map[string]func(*gin.Context) maker{
		"passport": paper(exchange.Passport), "customer": paper(exchange.CustomerPage), "letter": paper(exchange.LetterPage),
		"label": paper(exchange.PalmLabel),
	} {
		job.GET("/"+name+".pdf", func(c *gin.Context) { v.file(name, "pdf", "application/pdf", make(c))(c) })
	}
	job.GET("/record.pdf", v.file("record", "pdf", "application/pdf",
		func(ctx context.Context, w io.Writer, at jobview.Bench) error {
			all, s, err := v.Shop.Benches(ctx, at.Job)
			if err != nil {
				return err
			}
			return exchange.Record(w, s, all, v.Zone)
		}))
	passportPages(v, g)
	reminderFiles(v, g)
}

// passportPages open to whoever has their address.
func passportPages(v *Files, g *gin.Engine) {
	g.GET("/api/passport/:token/photos/:photo", v.shown(record.PassportLink))
	g.GET("/api/quote/:token/photos/:photo", v.shown(record.QuoteLink))
	g.GET("/api/passport/:token/passport.pdf", func(c *gin.Context) {
		private(c)
		l, err := v.Shop.Records.Opened(c.Request.Context(), record.PassportLink, c.Param("token"))
		if err != nil {
			failFile(c, err)
			return
		}
		handOut(c, fmt.Sprintf("passport-%d.pdf", l.Job), "application/pdf", func(ctx context.Context, w io.Writer) error {
			p, err := v.Shop.Records.Passport(ctx, l.Job)
			if err != nil {
				return err
			}
			address, err := v.address(ctx, c)
			if err != nil {
				return err
			}
			if address == "" {
				p.NoCode = noCode
			} else {
				address += reply.PassportPath + l.Token
			}
			return exchange.Passport(w, p, address, v.Zone)
		})
	})
}

// shown hands out a picture that was put on the page behind an address.
func (v *Files) shown(kind record.LinkKind) gin.HandlerFunc {
	return func(c *gin.Context) {
		private(c)
		l, err := v.Shop.Records.Opened(c.Request.Context(), kind, c.Param("token"))
		var b []byte
		if err == nil {
			id, bad := strconv.ParseInt(c.Param("photo"), 10, 64)
			if err = error(&record.NotFound{What: "this picture"}); bad == nil {
				b, err = v.Shop.Desk.Photos.ShownPicture(c.Request.Context(), l.Job, id)
			}
		}
		if err != nil {
			failFile(c, err)
			return
		}
		c.Data(http.StatusOK, "image/jpeg", b)
	}
}

// reminderFiles give the reminders as a calendar.
func reminderFiles(v *Files, g *gin.Engine) {
	calendar := func(c *gin.Context) {
		handOut(c, "reminders.ics", "text/calendar; charset=utf-8", func(ctx context.Context, w io.Writer) error {
			all, err := v.Shop.Records.Reminders(ctx)
			if err != nil {
				return err
			}
			address, err := v.address(ctx, c)
			if err != nil {
				return err
			}
			return exchange.Calendar(w, all, address, v.Shop.Now())
		})
	}
	g.GET("/api/reminders.ics", v.SignedIn, calendar)
	g.GET("/feeds/:token/reminders.ics", func(c *gin.Context) {
		private(c)
		if _, err := v.Shop.Records.Opened(c.Request.Context(), record.CalendarLink, c.Param("token")); err != nil {
			failFile(c, err)
			return
		}
		calendar(c)
	})
}

// private keeps an address that opens something to whoever has it.
func private(c *gin.Context) {
	c.Header("Cache-Control", "private, no-store")
}

// noCode is why a paper has no code.
const noCode = "No code yet: the shop has set no address of its own."

// address is what goes out as the shop's address; nothing while an owner set none.
func (v *Files) address(ctx context.Context, c *gin.Context) (string, error) {
	scheme := "http"
	if c.Request.TLS != nil {
		scheme = "https"
	}
	return v.Shop.People.Address(ctx, scheme+"://"+c.Request.Host)
}
