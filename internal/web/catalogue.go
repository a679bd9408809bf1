package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/diagnose"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/frame"
	"freshshard/core/length"
	"freshshard/core/pane"
)

// Catalogue is what forms offer.
type Catalogue struct {
	Families    []family.Family     `json:"families"`
	Exposures   []exposure.Exposure `json:"exposures"`
	Materials   []pane.Material     `json:"materials"`
	Frames      []frame.Material    `json:"frames"`
	Instruments []length.Instrument `json:"instruments"`
	Evidence    []diagnose.Question `json:"evidence" doc:"What to look at on a break"`
	Clues       []diagnose.Question `json:"clues" doc:"What to look at on the old pane"`
}

func (v *Server) catalogueRoutes(api huma.API) {
	huma.Register(api, op("catalogue", http.MethodGet, "/api/catalogue", "Families, exposures, materials, frames, instruments"), func(context.Context, *struct{}) (*out[Catalogue], error) {
		return &out[Catalogue]{Catalogue{family.All(), exposure.All(), pane.All(), frame.All(), length.Instruments(), diagnose.Questions(), diagnose.Clues()}}, nil
	})
}
