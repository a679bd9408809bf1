package download

import (
	"context"
	"encoding/csv"
	"fmt"
	"io"
	"strconv"

	"github.com/gin-gonic/gin"

	"freshshard/core/cutting"
	"freshshard/core/drawing"
	"freshshard/internal/exchange"
	"freshshard/internal/record"
	"freshshard/internal/stock"
)

// storeFileRoutes hand out files of the stores and of plans.
func storeFileRoutes(v *Files, g *gin.Engine) {
	files := g.Group("/api", v.SignedIn)
	files.GET("/stores/file.csv", func(c *gin.Context) {
		handOut(c, "stores.csv", "text/csv; charset=utf-8", func(ctx context.Context, w io.Writer) error {
			all, err := v.Shop.Stock.Stores(ctx)
			if err != nil {
				return err
			}
			items := make([]record.StockItem, 0, len(all.Items))
			for _, i := range all.Items {
				items = append(items, i.StockItem)
			}
			return exchange.WriteStock(w, items)
		})
	})
	files.GET("/stores/:id/label.pdf", func(c *gin.Context) {
		id, err := strconv.ParseInt(c.Param("id"), 10, 64)
		if err != nil || id < 1 {
			failFile(c, &record.NotFound{What: "this in the stores"})
			return
		}
		handOut(c, fmt.Sprintf("label-%d.pdf", id), "application/pdf", func(ctx context.Context, w io.Writer) error {
			i, err := v.Shop.Stock.StockItem(ctx, id)
			if err != nil {
				return err
			}
			address, err := v.address(ctx, c)
			if err != nil {
				return err
			}
			lines := []string{i.Place, i.Lot, i.Expires}
			if address != "" {
				address += fmt.Sprintf("/stores?item=%d", id)
			} else {
				lines = append(lines, noCode)
			}
			return exchange.Label(w, address, i.Called, lines)
		})
	})
	draw := func(write func(io.Writer, drawing.Drawing) error) func(io.Writer, stock.CutView) error {
		return func(w io.Writer, p stock.CutView) error { return write(w, drawing.CutPlan(&p.Plan, paneNames(p))) }
	}
	plan := files.Group("/cut-room/plans/:id")
	plan.GET("/plan.svg", planFile(v, "cut-plan.svg", "image/svg+xml", draw(exchange.SVG)))
	plan.GET("/plan.dxf", planFile(v, "cut-plan.dxf", "image/vnd.dxf", draw(exchange.DXF)))
	plan.GET("/plan.pdf", planFile(v, "cut-plan.pdf", "application/pdf", func(w io.Writer, p stock.CutView) error {
		return exchange.CutPlan(w, fmt.Sprintf("Cut plan %d", p.ID), drawing.CutPlan(&p.Plan, paneNames(p)), cutRows(p))
	}))
	plan.GET("/plan.csv", planFile(v, "cut-plan.csv", "text/csv; charset=utf-8", writeCuts))
}

// paneNames are what the pieces of a plan are called.
func paneNames(p stock.CutView) map[string]string {
	out := map[string]string{}
	for id, c := range p.Panes {
		if out[id] = c.Object; c.Name != "" {
			out[id] += ", " + c.Name
		}
	}
	return out
}

// cutRows are the cuts of a plan in the order in which they are made: sheet, stock, cut,
// from which edge, at which measure, what it gives.
func cutRows(p stock.CutView) [][]string {
	out := [][]string{}
	called := paneNames(p)
	for i := range p.Plan.Sheets {
		s := &p.Plan.Sheets[i]
		for _, k := range s.Order() {
			from := "lower edge"
			if k.Node.Up {
				from = "left edge"
			}
			gives := ""
			if k.Node.A.Kind == cutting.IsPiece {
				gives = called[k.Node.A.Piece]
			}
			out = append(out, []string{strconv.Itoa(i + 1), p.Stocks[s.Stock], strconv.Itoa(k.Number), from,
				strconv.FormatFloat(k.Node.At, 'f', 1, 64), gives})
		}
	}
	return out
}

// writeCuts lists them as CSV.
func writeCuts(w io.Writer, p stock.CutView) error {
	c := csv.NewWriter(w)
	if err := c.Write([]string{"sheet", "stock", "cut", "from", "at_mm", "gives"}); err != nil {
		return err
	}
	return c.WriteAll(cutRows(p)) // it flushes
}

// planFile hands out a file of a plan.
func planFile(v *Files, name, kind string, make func(io.Writer, stock.CutView) error) gin.HandlerFunc {
	return func(c *gin.Context) {
		id, err := strconv.ParseInt(c.Param("id"), 10, 64)
		if err != nil || id < 1 {
			failFile(c, &record.NotFound{What: "this plan"})
			return
		}
		handOut(c, name, kind, func(ctx context.Context, w io.Writer) error {
			p, err := v.Shop.Stock.CutPlan(ctx, id)
			if err != nil {
				return err
			}
			return make(w, p)
		})
	}
}
