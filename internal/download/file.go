package download

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strconv"

	"github.com/gin-gonic/gin"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/outline"
	"freshshard/core/reckon"
	"freshshard/internal/exchange"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

// maker writes a file of a job, of the pane on the table where it is one pane's.
type maker func(ctx context.Context, w io.Writer, at jobview.Bench) error

// fileRoutes hand out files to keep or to print. They are plain routes: what
// they give is no JSON.
func fileRoutes(v *Files, g *gin.Engine) {
	files := g.Group("/api/jobs/:id", v.SignedIn)
	files.GET("/ticket.pdf", v.file("ticket", "pdf", "application/pdf",
		func(ctx context.Context, w io.Writer, at jobview.Bench) error {
			all, s, err := v.Shop.Benches(ctx, at.Job)
			if err != nil {
				return err
			}
			return exchange.Ticket(w, s, all, v.Zone)
		}))
	type pick = func(context.Context, jobview.Bench) (drawing.Drawing, error)
	draw := func(write func(io.Writer, drawing.Drawing) error, pick pick) maker {
		return func(ctx context.Context, w io.Writer, at jobview.Bench) error {
			d, err := pick(ctx, at)
			if err != nil {
				return err
			}
			return write(w, d)
		}
	}
	of := func(part func(reckon.Reckoning) drawing.Drawing) pick {
		return func(ctx context.Context, at jobview.Bench) (drawing.Drawing, error) {
			r, _, err := v.Shop.Sheet(ctx, at)
			return part(r), err
		}
	}
	for name, pick := range map[string]pick{
		"drawing": of(func(r reckon.Reckoning) drawing.Drawing { return r.Table }),
		"section": of(func(r reckon.Reckoning) drawing.Drawing { return r.Section }),
	} {
		files.GET("/"+name+".svg", v.file(name, "svg", "image/svg+xml", draw(exchange.SVG, pick)))
		files.GET("/"+name+".dxf", v.file(name, "dxf", "image/vnd.dxf", draw(exchange.DXF, pick)))
	}
	files.GET("/object.svg", v.file("object", "svg", "image/svg+xml", draw(exchange.SVG, v.Shop.Object)))
	for name, paper := range map[string]exchange.Paper{"a4": exchange.A4, "letter": exchange.Letter} {
		files.GET("/template-"+name+".pdf", v.file("template", "pdf", "application/pdf",
			func(ctx context.Context, w io.Writer, at jobview.Bench) error {
				r, j, err := v.Shop.Sheet(ctx, at)
				if err != nil {
					return err
				}
				p, ok := r.Outline()
				if !ok {
					return fault.New("pane", "there is no size to print yet", "read the opening first")
				}
				return exchange.Template(w, outline.Outline{Outer: p, Holes: []outline.Path{}}, j.Object.Name, paper)
			}))
	}
	files.GET("/photos/:photo", v.picture(false))
	files.GET("/photos/:photo/thumb", v.picture(true))
}

func (v *Files) file(name, ending, kind string, make maker) gin.HandlerFunc {
	return func(c *gin.Context) {
		id, err := strconv.ParseInt(c.Param("id"), 10, 64)
		if err != nil || id < 1 {
			failFile(c, &record.NotFound{What: "this job"})
			return
		}
		pane, err := strconv.ParseInt(c.DefaultQuery("pane", "0"), 10, 64)
		if err != nil {
			failFile(c, &record.NotFound{What: "this pane"})
			return
		}
		handOut(c, fmt.Sprintf("job-%d-%s.%s", id, name, ending), kind, func(ctx context.Context, w io.Writer) error {
			return make(ctx, w, jobview.Bench{Job: id, Pane: pane})
		})
	}
}

// failFile answers with a problem where a file was asked for.
func failFile(c *gin.Context, err error) {
	var p *reply.Problem
	if errors.As(reply.Of(c.Request.Context(), err), &p) {
		reply.Write(c.Writer, p)
	}
}

// handOut makes a file in memory first: a failure half way must not send half a file.
func handOut(c *gin.Context, name, kind string, make func(context.Context, io.Writer) error) {
	b := &bytes.Buffer{}
	if err := make(c.Request.Context(), b); err != nil {
		failFile(c, err)
		return
	}
	c.Header("Content-Disposition", fmt.Sprintf("attachment; filename=%q", name))
	c.Data(http.StatusOK, kind, b.Bytes())
}
