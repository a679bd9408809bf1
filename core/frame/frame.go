// Package frame lists what frames are made of and how much they grow.
package frame

import (
	_ "embed"

	"freshshard/core/catalogue"
	"freshshard/core/value"
)

//go:embed frames.json
var file []byte

// Material is what a frame is made of. Alpha is in 1e-6 per kelvin.
type Material struct {
	ID     string     `json:"id"`
	Name   string     `json:"name"`
	Alpha  float64    `json:"alpha" doc:"Growth, 1e-6 per kelvin"`
	Origin value.From `json:"origin"`
}

// Source is where the growth comes from.
func (m Material) Source() value.Origin { return m.Origin.Of(m.Name) }

// Book lists them.
var Book = catalogue.New(file, "frames.json", "frame", "frame material", func(m Material) string { return m.ID }).
	Over(Material.with)
