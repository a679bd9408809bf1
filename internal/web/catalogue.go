package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/book"
	"freshshard/core/catalogue"
	"freshshard/core/caution"
	"freshshard/core/compat"
	"freshshard/core/diagnose"
	"freshshard/core/drawing"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/frame"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/pane"
	"freshshard/core/road"
	"freshshard/core/setting"
	"freshshard/core/stocksize"
	"freshshard/core/usual"
	"freshshard/core/witness"
	"freshshard/internal/reply"
)

// Thumb is what has no source: rules of thumb, and what is to be checked first.
type Thumb struct {
	Usual    []usual.Group   `json:"usual" doc:"Rules of thumb that the trade goes by"`
	Unproven []book.Unproven `json:"unproven" doc:"What nobody has held against the print yet"`
}

// Catalogue is what forms offer.
type Catalogue struct {
	Families    []family.Family            `json:"families"`
	Exposures   []exposure.Exposure        `json:"exposures"`
	Materials   []pane.Material            `json:"materials"`
	Frames      []frame.Material           `json:"frames"`
	Instruments []length.Instrument        `json:"instruments"`
	Compat      compat.Table               `json:"compat" doc:"What may touch what"`
	Cautions    []caution.Caution          `json:"cautions"`
	Questions   []family.Question          `json:"questions" doc:"Those that pick the family; the first is asked first"`
	Edges       map[string]drawing.Drawing `json:"edges" doc:"The edge in section of each family"`
	Shapes      []outline.Kind             `json:"shapes" doc:"Forms of an opening beside the plain rectangle"`
	Evidence    []diagnose.Question        `json:"evidence" doc:"What to look at on a break"`
	Clues       []diagnose.Question        `json:"clues" doc:"What to look at on the old pane"`
	Cutters     []fit.CutterInfo           `json:"cutters" doc:"Who makes a pane to size, and what band they keep"`
	Roads       []road.Road                `json:"roads" doc:"What may be to be done"`
	Witnesses   []witness.Kind             `json:"witnesses" doc:"What speaks for a size, and how it usually lies"`
	Stock       []stocksize.Size           `json:"stock" doc:"Sizes in which panes are sold ready cut"`
	Screws      []setting.Screw            `json:"screws" doc:"Threads that hold panes"`
	Thumb
	Own    catalogue.Values             `json:"own" doc:"The shop's own values, laid over the book's above"`
	Fields map[string][]catalogue.Field `json:"fields" doc:"Values that a shop may lay over, by kind"`
}

// edgeThick is the pane's thickness in the small pictures, mm: thick enough to
// be seen.
const edgeThick = 5

func edges() map[string]drawing.Drawing {
	out := map[string]drawing.Drawing{}
	for _, f := range family.Book.All() {
		out[f.ID] = drawing.Edge(f, edgeThick)
	}
	return out
}

func catalogueRoutes(v *Server, api huma.API) {
	register(v, api, op("catalogue", http.MethodGet, "/api/catalogue",
		"Families, exposures, materials, frames, instruments"), func(ctx context.Context, _ *struct{}) (*out[Catalogue],
		error) {
		vs, err := v.shop.Records.Book.Own(ctx)
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		return &out[Catalogue]{Catalogue{family.Book.Laid(vs), exposure.Book.Laid(vs), pane.Book.Laid(vs),
			frame.Book.Laid(vs),
			length.Instruments(), compat.Laid(vs), caution.All(), family.Questions(), edges(), outline.Kinds(),
			diagnose.Questions(), diagnose.Clues(), fit.Cutters.Laid(vs), road.All(), witness.Book.All(),
			stocksize.Listed(vs), setting.Screws, Thumb{usual.Book.Laid(vs), book.UnprovenOf(vs)}, vs, book.Fields()}}, nil
	})
}
