package pane

import (
	"math"
	"sort"

	"freshshard/core/catalogue"
	"freshshard/core/working"
)

// Carrier is what a material needs to carry some loads, and the numbers of that
// pane, or of the thickest where none does.
type Carrier struct {
	Material  string           `json:"material"`
	Name      string           `json:"name"`
	Edge      string           `json:"edge"`
	Thickness float64          `json:"thickness" doc:"The thinnest that carries them, mm; 0 when none does"`
	Mass      float64          `json:"mass" doc:"Of the pane, kg"`
	Says      string           `json:"says" doc:"Of what would do, where none does"`
	Figures   []working.Figure `json:"figures"`
}

// Carriers lists the materials by what they need to carry some loads, the
// lightest first, those that cannot last.
func Carriers(vs catalogue.Values, l Load) []Carrier {
	l.known = newPlates()
	area := l.W * l.H
	if l.Held == Round {
		area *= math.Pi / 4
	}
	out := []Carrier{}
	for _, m := range Book.Laid(vs) {
		t, carried := bending{m}.carries(l, m.Thicknesses[0], 0)
		ok := carried
		c := Carrier{Material: m.ID, Name: m.Short, Edge: m.Edge, Figures: append(m.LoadFigures(l, t), m.MassFigure(area, t))}
		for _, f := range c.Figures {
			ok = ok && f.Verdict != working.Stop // a seat by itself is no load to carry
		}
		switch {
		case ok:
			c.Thickness, c.Mass = t, m.Weight(area, t)
		case carried:
			c.Says = "the seat alone takes more than it holds: true the seat, or take a softer pane"
		default:
			c.Says = bending{m}.wouldDo(l, t)
		}
		out = append(out, c)
	}
	sort.SliceStable(out, func(i, j int) bool {
		a, b := out[i], out[j]
		if (a.Thickness > 0) != (b.Thickness > 0) {
			return a.Thickness > 0
		}
		return a.Thickness > 0 && a.Mass < b.Mass
	})
	return out
}
