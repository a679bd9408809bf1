// Package frame lists what frames are made of and how much they grow.
package frame

import (
	_ "embed"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/origin"
)

//go:embed frames.json
var file []byte

// Material is what a frame is made of. Alpha is in 1e-6 per kelvin.
type Material struct {
	ID     string         `json:"id"`
	Name   string         `json:"name"`
	Alpha  float64        `json:"alpha" doc:"Growth, 1e-6 per kelvin"`
	Origin catalogue.From `json:"origin"`
}

// Source is where the growth comes from.
func (m Material) Source() origin.Origin { return m.Origin.Of(m.Name) }

var all = catalogue.Must[[]Material](file, "frames.json")

// ByID finds one.
func ByID(id string) (Material, error) {
	for _, m := range all {
		if m.ID == id {
			return m, nil
		}
	}
	return Material{}, fault.New("frame", "no frame material is called "+id, "choose one of the list")
}
