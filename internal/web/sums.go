package web

import (
	"bytes"
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/drawing"
	"freshshard/core/outline"
	"freshshard/core/setting"
	"freshshard/core/thickness"
	"freshshard/core/working"
	"freshshard/internal/exchange"
	"freshshard/internal/measure"
	"freshshard/internal/outlinefile"
	"freshshard/internal/photo"
	"freshshard/internal/reply"
)

// Sash is a sash solved both ways.
type Sash struct {
	Across measure.SashOut `json:"across"`
	Down   measure.SashOut `json:"down"`
}

// ThicknessIn is a caliper reading as typed.
type ThicknessIn struct {
	Text string `json:"text" maxLength:"60"`
}

// file is an answer that is no JSON.
type file struct {
	ContentType string `header:"Content-Type"`
	Body        []byte
}

// outlineCall takes bodies as large as an outline of many sides can be.
func outlineCall(id, method, path, summary string) huma.Operation {
	o := op(id, method, path, summary)
	o.MaxBodyBytes = 16 << 20
	return o
}

func sumRoutes(v *Server, api huma.API) {
	register(v, api, op("sash", http.MethodPost, "/api/sums/sash", "The lights of a sash from what could be read"),
		func(ctx context.Context, in *struct{ Body measure.SashIn }) (*out[Sash], error) {
			a, d, err := v.shop.Measure.Sums.Sash(ctx, in.Body)
			return &out[Sash]{Sash{a, d}}, reply.Of(ctx, err)
		})
	register(v, api, op("shapes", http.MethodGet, "/api/sums/shapes", "The shapes that are made from a few measures"),
		func(context.Context, *struct{}) (*out[[]outline.Kind], error) {
			return &out[[]outline.Kind]{outline.Kinds()}, nil
		})
	register(v, api, op("shape", http.MethodGet, "/api/sums/shapes/{kind}", "A shape with a count of its own"),
		func(ctx context.Context, in *struct {
			Kind  string `path:"kind" maxLength:"20"`
			Count int    `query:"count" minimum:"0" maximum:"24"`
		}) (*out[outline.Kind], error) {
			k, err := outline.KindOf(in.Kind, in.Count)
			return &out[outline.Kind]{k}, reply.Of(ctx, err)
		})
	outlineRoutes(v, api)
	packRoutes(v, api)
}

// outlineRoutes are sums of outlines: drawn, read from a file, or taken from a photo.
func outlineRoutes(v *Server, api huma.API) {
	sums(v, api, outlineCall("outline", http.MethodPost, "/api/sums/outline",
		"An outline with area, perimeter, inset and whether it can be cut"), v.shop.Measure.Outline)
	read := op("readOutline", http.MethodPost, "/api/sums/outline/read",
		"Read an outline from a DXF or SVG file up to 10 MB")
	read.MaxBodyBytes = outlinefile.MostImport + 1<<10
	register(v, api, read, func(ctx context.Context, in *struct {
		Format  string `query:"format" enum:"dxf,svg" required:"true"`
		RawBody []byte `contentType:"application/octet-stream"`
	}) (*out[outline.Outline], error) {
		reader := outlinefile.ReadDXF
		if in.Format == "svg" {
			reader = outlinefile.ReadSVG
		}
		o, err := reader(in.RawBody)
		return &out[outline.Outline]{o}, reply.Of(ctx, err)
	})
	register(v, api, outlineCall("outlineFile", http.MethodPost, "/api/sums/outline/file",
		"An outline as DXF, SVG or a 1:1 template"), func(ctx context.Context, in *struct {
		Format string `query:"format" enum:"dxf,svg,a4,letter" required:"true"`
		Body   measure.OutlineIn
	}) (*file, error) {
		o, err := v.shop.Measure.Outline(ctx, in.Body)
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		var b bytes.Buffer
		kind := map[string]string{"dxf": "image/vnd.dxf", "svg": "image/svg+xml"}[in.Format]
		switch in.Format {
		case "dxf":
			err = exchange.DXF(&b, drawing.OfOutline(o.Outline, nil))
		case "svg":
			err = exchange.SVG(&b, drawing.OfOutline(o.Outline, nil))
		default:
			kind = "application/pdf"
			paper := exchange.A4
			if in.Format == "letter" {
				paper = exchange.Letter
			}
			err = exchange.Template(&b, o.Outline, in.Body.Kind, paper)
		}
		return &file{ContentType: kind, Body: b.Bytes()}, reply.Of(ctx, err)
	})
	sums(v, api, op("photoTemplate", http.MethodPost, "/api/sums/photo",
		"The outline of a marked photo, its perspective taken out"), v.shop.Measure.PhotoTemplate)
	register(v, api, op("examplePhoto", http.MethodGet, "/api/sums/photo/example.jpg", "A made-up photo to try it on"),
		func(ctx context.Context, _ *struct{}) (*file, error) {
			e, err := photo.MakeExample()
			return &file{ContentType: "image/jpeg", Body: e.JPEG}, reply.Of(ctx, err)
		})
}

// packRoutes are sums of heat, beads, screws and loads.
func packRoutes(v *Server, api huma.API) {
	sums(v, api, op("pack", http.MethodPost, "/api/sums/pack", "How warm the panes of a pack get, in every order"),
		v.shop.Measure.Pack)
	sums(v, api, op("bend", http.MethodPost, "/api/sums/bend", "Radius and girth of a bent pane from chord and rise"),
		v.shop.Measure.Bend)
	sums(v, api, op("dew", http.MethodPost, "/api/sums/dew", "Whether a surface is dry enough to bond and paint"),
		v.shop.Measure.Sums.Dew)
	sums(v, api, op("bead", http.MethodPost, "/api/sums/bead",
		"What a bead takes, how many tubes, and whether it is laid before it skins"), v.shop.Measure.Sums.Bead)
	figuresOf[setting.Brad](v, api, "brad", "The pilot hole of a brad, and how near it comes to the glass")
	figuresOf[setting.Rivet](v, api, "rivet", "A bolt in a bush in place of a rivet")
	figuresOf[setting.Reuse](v, api, "reuse", "Whether an old gasket may go in again")
	figuresOf[setting.Puttied](v, api, "putty", "How much putty a light takes")
	sums(v, api, op("turns", http.MethodPost, "/api/sums/turns",
		"How far a screw turns from its first touch to a seated gasket"), v.shop.Measure.Sums.Turns)
	sums(v, api, op("peel", http.MethodPost, "/api/sums/peel", "What let go in a bond, from its two faces"),
		v.shop.Measure.Sums.Peel)
	sums(v, api, op("hang", http.MethodPost, "/api/sums/hang", "What a glued plate carries that a pane hangs on"),
		v.shop.Measure.Sums.Hang)
	sums(v, api, op("witness", http.MethodPost, "/api/sums/witness",
		"The size that several readings of a pane stand for, and which of them lies"), v.shop.Measure.Witness)
	sums(v, api, op("load", http.MethodPost, "/api/sums/load",
		"A pane under loads, and what each material needs to carry them"), v.shop.Hold.Load)
	register(v, api, op("thickness", http.MethodPost, "/api/sums/thickness", "Nominal thickness of a caliper reading"),
		func(ctx context.Context, in *struct{ Body ThicknessIn }) (*out[thickness.Answer], error) {
			a, err := v.shop.Measure.Sums.Thickness(ctx, in.Body.Text)
			return &out[thickness.Answer]{a}, reply.Of(ctx, err)
		})
}

// figuresOf is a sum whose input gives its own figures.
func figuresOf[T interface {
	Figures() ([]working.Figure, error)
}](v *Server, api huma.API, name, summary string) {
	sums(v, api, op(name+"Sum", http.MethodPost, "/api/sums/"+name, summary),
		func(ctx context.Context, in T) ([]working.Figure, error) {
			return v.shop.Measure.Sums.Presented(ctx, in)
		})
}
