// Package pane holds the materials that a pane can be made of, the hard gates
// that rule one out with a number, and the judgement that ranks what is left.
package pane

import (
	_ "embed"
	"slices"

	"freshshard/core/catalogue"
	"freshshard/core/fit"
	"freshshard/core/value"
)

//go:embed materials.json
var file []byte

// Material is one row of the material table. Density kg/m³, E GPa, alpha 1e-6
// per kelvin, lambda W/mK, strength MPa, temperatures °C, sudden change K. A
// nil value is not known and closes no gate.
type Material struct {
	ID          string           `json:"id"`
	Name        string           `json:"name"`
	Short       string           `json:"short"`
	Edge        string           `json:"edge" enum:"green,amber,none" doc:"Colour of the edge seen end-on"`
	Density     value.Value      `json:"density"`
	E           value.Value      `json:"e"`
	Nu          value.Value      `json:"nu"`
	Alpha       value.Value      `json:"alpha"`
	Lambda      value.Value      `json:"lambda"`
	Emissivity  value.Value      `json:"emissivity"`
	Strength    value.Value      `json:"strength"`
	ColdBend    *value.Value     `json:"cold_bend,omitempty" doc:"Least radius of a cold bend over the thickness; or nil"`
	Steady      value.Value      `json:"steady"`
	Peak        *value.Value     `json:"peak,omitempty"`
	Sudden      *value.Value     `json:"sudden,omitempty"`
	Life        []Life           `json:"life,omitempty" doc:"Hours that it stands at a temperature"`
	Plies       int              `json:"plies,omitempty" doc:"Of laminated glass, or panes of a sealed unit"`
	Ply         float64          `json:"ply,omitempty" doc:"How thick each is, whatever the whole, mm; 0 shares that"`
	Only        bool             `json:"only,omitempty" doc:"Offered only where the old pane was one"`
	Other       bool             `json:"other,omitempty" doc:"Neither glass nor plastic; offered where that is asked for"`
	Porous      bool             `json:"porous,omitempty" doc:"Wind goes through it"`
	Design      *value.Value     `json:"design,omitempty" doc:"What a plastic, a board or a metal carries for good, MPa"`
	Tube        bool             `json:"tube,omitempty" doc:"Can be had as a tube"`
	Rated       bool             `json:"rated,omitempty" doc:"Can be had rated for plant under pressure"`
	Flat        bool             `json:"flat,omitempty" doc:"Cannot be had bent"`
	Limits      fit.Asks         `json:"limits,omitzero" doc:"What it asks of its frame beside the family's limits"`
	Safety      bool             `json:"safety" doc:"Breaks safely or not at all; the mark has still to be checked"`
	Plastic     bool             `json:"plastic,omitempty"`
	Cut         string           `json:"cut" enum:"hand,saw,order" doc:"Cut by hand, sawn, or ordered to final size"`
	Cutter      fit.Cutter       `json:"cutter" doc:"Whose tolerance to assume"`
	Thicknesses []float64        `json:"thicknesses" doc:"Nominal thicknesses, mm"`
	Walls       []float64        `json:"walls,omitempty" doc:"Nominal walls of its tubes, mm"`
	Scores      map[string]Score `json:"scores"`
}

// Life is how long a material stands a temperature.
type Life struct {
	C      float64    `json:"c"`
	Hours  float64    `json:"hours"`
	Origin value.From `json:"o,omitzero" doc:"Empty as the steady heat's"`
}

// From is where the hours come from.
func (m Material) From(l Life) value.Origin {
	if l.Origin.Kind == "" {
		return m.Steady.Origin.Of(m.Short)
	}
	return l.Origin.Of(m.Short)
}

// Score is a judgement from 0 to 10 with its reason. Common practice, no source.
type Score struct {
	Points float64 `json:"points"`
	Reason string  `json:"reason"`
}

// Book lists what panes are made of.
var Book = catalogue.New(file, "materials.json", "material", "material", func(m Material) string { return m.ID }).
	Over(Material.with)

// Body is the material as something that grows.
func (m Material) Body() fit.Body {
	return fit.Body{Name: m.Short, Alpha: m.Alpha.V, Origin: m.Alpha.Origin.Of(m.Short)}
}

// Weight of a pane in kg from its area in mm² and thickness in mm. Soda-lime
// weighs 2.5 kg per m² and mm.
func (m Material) Weight(area, thickness float64) float64 {
	return m.Density.V * area * m.Glass(thickness) * 1e-9
}

// Glass is how much of a thickness is glass, mm: of a sealed unit its panes
// without the gap.
func (m Material) Glass(thickness float64) float64 {
	if m.Ply > 0 {
		return m.Ply * float64(m.Plies)
	}
	return thickness
}

// laminated says whether it holds together when it is broken.
func (m Material) laminated() bool { return m.Plies > 0 && m.Ply == 0 }

// Sold are the thicknesses, of a tube the walls, in which it may be ordered, mm:
// those of the list, and what was read of the old one, 0 for nothing.
func (m Material) Sold(tube bool, read float64) []float64 {
	out := m.Thicknesses
	if tube && len(m.Walls) > 0 {
		out = m.Walls
	}
	if read > 0 && !slices.Contains(out, read) {
		out = append(slices.Clone(out), read)
		slices.Sort(out)
	}
	return out
}

// Nearest is the nominal thickness nearest to the wanted one, in mm.
func (m Material) Nearest(wanted float64) float64 {
	best := m.Thicknesses[0]
	for _, t := range m.Thicknesses {
		if d, b := t-wanted, best-wanted; d*d < b*b {
			best = t
		}
	}
	return best
}

// Streaked says that pattern or wire fixes which way the pane lies. Common practice, no source.
func (m Material) Streaked() bool { return m.ID == "cast" || m.ID == "wired" }
