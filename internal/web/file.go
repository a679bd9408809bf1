package web

import (
	"bytes"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strconv"

	"github.com/gin-gonic/gin"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/outline"
	"freshshard/internal/exchange"
	"freshshard/internal/record"
	"freshshard/internal/shop"
)

// fileRoutes hand out files to keep or to print. They are plain routes: what
// they give is no JSON.
func (v *Server) fileRoutes(g *gin.Engine) {
	files := g.Group("/api/jobs/:id", v.person)
	files.GET("/ticket.pdf", v.file("ticket", "pdf", "application/pdf", func(w io.Writer, s record.Shop, _ shop.View, all []shop.View) error {
		return exchange.Ticket(w, s, all, v.options.Zone)
	}))
	draw := func(write func(io.Writer, drawing.Drawing) error, pick func(shop.View) drawing.Drawing) func(io.Writer, record.Shop, shop.View, []shop.View) error {
		return func(w io.Writer, _ record.Shop, j shop.View, _ []shop.View) error { return write(w, pick(j)) }
	}
	table := func(j shop.View) drawing.Drawing { return j.Reckoning.Table }
	section := func(j shop.View) drawing.Drawing { return j.Reckoning.Section }
	files.GET("/drawing.svg", v.file("drawing", "svg", "image/svg+xml", draw(exchange.SVG, table)))
	files.GET("/drawing.dxf", v.file("drawing", "dxf", "image/vnd.dxf", draw(exchange.DXF, table)))
	for name, paper := range map[string]exchange.Paper{"a4": exchange.A4, "letter": exchange.Letter} {
		files.GET("/template-"+name+".pdf", v.file("template", "pdf", "application/pdf", func(w io.Writer, _ record.Shop, j shop.View, _ []shop.View) error {
			p, ok := j.Reckoning.Outline()
			if !ok {
				return fault.New("pane", "there is no size to print yet", "read the opening first")
			}
			return exchange.Template(w, outline.Outline{Outer: p, Holes: []outline.Path{}}, j.Job.Object.Name, paper)
		}))
	}
	files.GET("/object.svg", v.file("object", "svg", "image/svg+xml", draw(exchange.SVG, func(j shop.View) drawing.Drawing { return j.Object })))
	files.GET("/section.svg", v.file("section", "svg", "image/svg+xml", draw(exchange.SVG, section)))
	files.GET("/photos/:photo", v.picture(false))
	files.GET("/photos/:photo/thumb", v.picture(true))
	files.GET("/section.dxf", v.file("section", "dxf", "image/vnd.dxf", draw(exchange.DXF, section)))
}

func (v *Server) file(name, ending, kind string, make func(w io.Writer, s record.Shop, on shop.View, all []shop.View) error) gin.HandlerFunc {
	return func(c *gin.Context) {
		ctx := c.Request.Context()
		fail := func(err error) {
			var p *Problem
			if errors.As(said(ctx, err), &p) {
				write(c.Writer, p)
			}
		}
		id, err := strconv.ParseInt(c.Param("id"), 10, 64)
		if err != nil || id < 1 {
			fail(&record.NotFound{What: "this job"})
			return
		}
		pane, err := strconv.ParseInt(c.DefaultQuery("pane", "0"), 10, 64)
		if err != nil {
			fail(&record.NotFound{What: "this pane"})
			return
		}
		all, on, s, err := v.shop.Benches(ctx, shop.Bench{Job: id, Pane: pane})
		if err != nil {
			fail(err)
			return
		}
		// Into a buffer first: a failure half way must not send half a file.
		b := &bytes.Buffer{}
		if err := make(b, s, all[on], all); err != nil {
			fail(err)
			return
		}
		c.Header("Content-Disposition", fmt.Sprintf(`attachment; filename="job-%d-%s.%s"`, id, name, ending))
		c.Data(http.StatusOK, kind, b.Bytes())
	}
}
