package download

import (
	"context"
	"fmt"
	"io"
	"slices"
	"strconv"
	"time"

	"github.com/gin-gonic/gin"

	"freshshard/core/fault"
	"freshshard/core/price"
	"freshshard/internal/buy"
	"freshshard/internal/exchange"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

// paperRoutes hand out orders and bills as PDF, bills as XML, and what the bookkeeper wants as CSV.
func paperRoutes(v *Files, g *gin.Engine) {
	job := g.Group("/api/jobs/:id", v.SignedIn)
	job.GET("/orders/:paper/order.pdf",
		v.paper("order", func(ctx context.Context, w io.Writer, at jobview.Bench, id int64) error {
			all, err := v.Shop.Buy.Orders(ctx, at)
			if err != nil {
				return err
			}
			i := slices.IndexFunc(all.Orders, func(o buy.OrderView) bool { return o.ID == id })
			if i < 0 {
				return &record.NotFound{What: "this order"}
			}
			views, s, err := v.Shop.Benches(ctx, at.Job)
			if err != nil {
				return err
			}
			head, err := v.Shop.Bill.Letterhead(ctx)
			if err != nil {
				return err
			}
			to, err := v.Shop.Suppliers.Called(ctx, all.Orders[i].Who)
			if err != nil {
				return err
			}
			return exchange.Order(w, s, &head, to, all.Orders[i].Order, views, v.Zone)
		}))
	job.GET("/bills/:paper/bill.pdf", func(c *gin.Context) {
		v.paper("bill", func(ctx context.Context, w io.Writer, at jobview.Bench, id int64) error {
			b, s, err := v.Shop.Bill.Bill(ctx, at.Job, id)
			if err != nil {
				return err
			}
			page, err := v.quotePage(ctx, c, b)
			if err != nil {
				return err
			}
			return exchange.Bill(w, s, b, page, v.Zone)
		})(c)
	})
	job.GET("/bills/:paper/bill.xml",
		v.numbered("bill", "xml", "application/xml", func(ctx context.Context, w io.Writer, at jobview.Bench,
			id int64) error {
			b, s, err := v.Shop.Bill.Bill(ctx, at.Job, id)
			if err != nil {
				return err
			}
			if b.From == nil { // written before the shop said where it is
				l, err := v.Shop.Bill.Letterhead(ctx)
				if err != nil {
					return err
				}
				b.From = &l
			}
			return exchange.UBL(w, s, b, v.Zone)
		}))
	v.books(g)
}

// quotePage is where a customer says yes to a quote; nothing where there is no page, or the shop has
// no address of its own.
func (v *Files) quotePage(ctx context.Context, c *gin.Context, b record.Bill) (string, error) {
	if b.Kind != price.Quote {
		return "", nil
	}
	l, err := v.Shop.Records.LinkOf(ctx, record.QuoteLink, b.Job)
	if err != nil || l == nil {
		return "", err
	}
	address, err := v.address(ctx, c)
	if err != nil || address == "" {
		return "", err
	}
	return address + reply.QuotePath + l.Token, nil
}

// books hand out what was billed and what was paid, for the bookkeeper.
func (v *Files) books(g *gin.Engine) {
	between := func(name string, make func(ctx context.Context, w io.Writer, from, to time.Time) error) {
		g.Group("/api", v.SignedIn).GET("/"+name, func(c *gin.Context) {
			handOut(c, name, "text/csv; charset=utf-8", func(ctx context.Context, w io.Writer) error {
				from, err := v.day("from", c.Query("from"), -90)
				if err != nil {
					return err
				}
				to, err := v.day("to", c.Query("to"), 0)
				if err != nil {
					return err
				}
				return make(ctx, w, from, to)
			})
		})
	}
	between("ledger.csv", func(ctx context.Context, w io.Writer, from, to time.Time) error {
		bills, err := v.Shop.Bill.Ledger(ctx, v.Who(ctx), from, to)
		if err != nil {
			return err
		}
		owing, err := v.Shop.Bill.Owing(ctx, v.Who(ctx))
		if err != nil {
			return err
		}
		return exchange.Ledger(w, bills, owing, v.Zone)
	})
	between("payments.csv", func(ctx context.Context, w io.Writer, from, to time.Time) error {
		all, err := v.Shop.Bill.Received(ctx, v.Who(ctx), from.Format(time.DateOnly), to.Format(time.DateOnly))
		if err != nil {
			return err
		}
		return exchange.Payments(w, all)
	})
}

// day is the first moment of a day in the shop's own zone; of today and so many days on
// where none is named.
func (v *Files) day(field, text string, usual int) (time.Time, error) {
	if text == "" {
		y, m, d := v.Shop.Now().In(v.Zone).Date()
		return time.Date(y, m, d+usual, 0, 0, 0, 0, v.Zone), nil
	}
	t, err := time.ParseInLocation(time.DateOnly, text, v.Zone)
	if err != nil {
		err = fault.New(field, fmt.Sprintf("%q is no day", text), "write it as 2027-03-31")
	}
	return t, err
}

// paper hands out one numbered paper of a job.
func (v *Files) paper(name string, make func(context.Context, io.Writer, jobview.Bench, int64) error) gin.HandlerFunc {
	return v.numbered(name, "pdf", "application/pdf", make)
}

// numbered hands out one paper of a job in a form.
func (v *Files) numbered(name, end, form string,
	make func(context.Context, io.Writer, jobview.Bench, int64) error) gin.HandlerFunc {
	return func(c *gin.Context) {
		id, bad := strconv.ParseInt(c.Param("paper"), 10, 64)
		job, wrong := strconv.ParseInt(c.Param("id"), 10, 64)
		if bad != nil || wrong != nil || id < 1 || job < 1 {
			failFile(c, &record.NotFound{What: "this paper"})
			return
		}
		handOut(c, fmt.Sprintf("%s-%d.%s", name, id, end), form, func(ctx context.Context, w io.Writer) error {
			return make(ctx, w, jobview.First(job), id)
		})
	}
}
