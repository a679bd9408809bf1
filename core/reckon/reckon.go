// Package reckon brings the core together for one pane, in stages: how it is held, its size, what
// is chosen, its order and its work, its drawings. Each stage is made from the one before and never
// filled afterwards. It is what the job screen shows and what the command line prints.
package reckon

import (
	"freshshard/core/drawing"
)

// Reckoning is everything that follows from what is known of a pane.
type Reckoning struct {
	Planned
	Drawn
}

// Drawn are the drawings of a pane.
type Drawn struct {
	Table   drawing.Drawing   `json:"table"`
	Section drawing.Drawing   `json:"section"`
	Ordered *drawing.Drawing  `json:"ordered,omitempty" doc:"The pane alone, as a cutter wants it"`
	Lift    *drawing.Drawing  `json:"lift,omitempty" doc:"How a pane that is lifted goes in, in three positions"`
	Slide   []drawing.Drawing `json:"slide" doc:"The section from the coldest to the hottest, as fit.slide"`
}

// Work is a pane with its size, its order, its plan and what stands in the way: what a list goes
// by. Nothing is ranked and nothing drawn.
func Work(k Known) (Planned, error) {
	s, err := Size(k)
	if err != nil {
		return Planned{}, err
	}
	c, err := s.Settled()
	if err != nil {
		return Planned{}, err
	}
	return c.Planned()
}

// Numbers is Work with the choice and all figures: what a signature goes by.
func Numbers(k Known) (Planned, error) {
	s, err := Size(k)
	if err != nil {
		return Planned{}, err
	}
	c, err := s.Chosen()
	if err != nil {
		return Planned{}, err
	}
	return c.Planned()
}

// Pane is Numbers with the drawings: what a screen shows.
func Pane(k Known) (Reckoning, error) {
	p, err := Numbers(k)
	if err != nil {
		return Reckoning{}, err
	}
	return p.Draw(), nil
}

// Light is a pane without drawings.
func (p Planned) Light() Reckoning {
	return Reckoning{Planned: p, Drawn: Drawn{Slide: []drawing.Drawing{}}}
}

// Draw is the pane with its drawings.
func (p Planned) Draw() Reckoning {
	k := p.k
	sc := drawing.Scene{Family: p.Family, Problem: p.problem, Result: p.Fit, Sides: k.Sides, Pane: p.Pane, Unit: k.Unit,
		Stamp: k.Stamp, Corner: k.OldPane["corner"], Stack: p.stack()}
	d := Drawn{Table: drawing.Table(sc), Section: drawing.Section(sc), Lift: drawing.Lifted(sc),
		Slide: []drawing.Drawing{}}
	if p.Road.Sized {
		d.Ordered = drawing.Ordered(sc)
	}
	for _, st := range p.Fit.Slide {
		d.Slide = append(d.Slide, drawing.SectionAt(sc, st))
	}
	return Reckoning{p, d}
}
