package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

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
}

func (v *Server) catalogueRoutes(api huma.API) {
	huma.Register(api, op("catalogue", http.MethodGet, "/api/catalogue", "Families, exposures, materials, frames, instruments"), func(context.Context, *struct{}) (*out[Catalogue], error) {
		return &out[Catalogue]{Catalogue{family.All(), exposure.All(), pane.All(), frame.All(), length.Instruments()}}, nil
	})
}
