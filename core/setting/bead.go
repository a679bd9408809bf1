package setting

import (
	"fmt"
	"math"

	"freshshard/core/fault"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Section is the form of a bead as it is laid.
type Section string

// The forms.
const (
	Triangle Section = "triangle" // base and height; usual for vehicle glass
	Round    Section = "round"    // width alone
	Fillet   Section = "fillet"   // the two legs in a corner
	Joint    Section = "joint"    // a filled joint, width and depth
)

// Bead is what is laid: how long, in which section, out of what.
type Bead struct {
	Length  float64 `json:"length" doc:"Of the whole path, mm"`
	Section Section `json:"section" enum:"triangle,round,fillet,joint"`
	Width   float64 `json:"width" doc:"Base, diameter or first leg, mm"`
	Height  float64 `json:"height,omitempty" doc:"Height, depth or second leg, mm"`
	Tube    float64 `json:"tube,omitempty" doc:"What one holds, ml; 310 for nothing"`
	Skin    float64 `json:"skin,omitempty" minimum:"0" maximum:"1440" doc:"Until it skins, min; 0: not held against it"`
	Place   float64 `json:"place,omitempty" minimum:"0" maximum:"600" doc:"To set and press the pane, min; 0 for 2"`
	People  int     `json:"people,omitempty" doc:"Who lays; 1 for nothing"`
}

// Common practice, no source.
const (
	usualTube  = 310.0
	usualPlace = 2.0
	wasted     = 0.15 // of the bead: the nozzle, the start, what is left in the tube
	layMMs     = 25.0 // by hand, the slower end of 25 to 40 mm/s
)

// area is that of the section, mm².
func (b Bead) area() (float64, string, error) {
	if b.Section != Round && !(b.Height > 0 && b.Height <= 100) {
		return 0, "", fault.New("height", "a height from above 0 to 100 mm is expected",
			"8 × 12 mm is usual for vehicle glass")
	}
	switch b.Section {
	case Triangle, Fillet:
		return b.Width * b.Height / 2, "{w} × {h} / 2", nil
	case Round:
		return math.Pi / 4 * b.Width * b.Width, "π / 4 × {w}²", nil
	case Joint:
		return b.Width * b.Height, "{w} × {h}", nil
	}
	return 0, "", fault.New("section", fmt.Sprintf("no bead has the section %q", b.Section),
		"use triangle, round, fillet or joint")
}

// Figures are the volume with what is wasted, the tubes or foils to open, and whether
// laying and setting fit into the time until it skins: otherwise it is laid in parts, or
// by two. It returns a *fault.Error for what cannot be.
func (b Bead) Figures() ([]working.Figure, error) {
	if err := b.check(); err != nil {
		return nil, err
	}
	a, formula, err := b.area()
	if err != nil {
		return nil, err
	}
	tube, people := b.Tube, max(1, b.People)
	if tube == 0 {
		tube = usualTube
	}
	place := b.Place
	if place == 0 {
		place = usualPlace
	}
	trade := value.Custom()
	size := []working.Input{working.In("w", "width", b.Width, "mm", value.Read("")),
		working.In("h", "height", b.Height, "mm", value.Read("")), working.In("l", "path", b.Length, "mm", value.Read("")),
		working.In("x", "wasted, share", wasted, "", trade)}
	ml := a * b.Length * (1 + wasted) / 1000
	places := 0
	if ml < 10 { // a spot is not nothing
		places = 1
	}
	volume := working.Figure{Key: "bead_volume", Value: ml, Unit: "ml", Verdict: working.Note,
		Text:     working.Num(ml, places) + " ml",
		Sentence: "is what the bead takes, with what is wasted",
		Working: working.Of("("+formula+") × {l} × (1 + {x}) / 1000", ml,
			"ml", size...)}
	n := math.Ceil(ml/tube - 1e-9)
	tubes := working.Figure{Key: "bead_tubes", Value: n, Unit: "pc", Verdict: working.Note, Text: working.Num(n, 0),
		Sentence: fmt.Sprintf("to open, of %s ml each", working.Num(tube, 0)), Working: working.Of("up({v} / {t})", n, "pc",
			working.In("v", "volume", ml, "ml", value.Sum()), working.In("t", "what one holds", tube, "ml", trade))}
	yield := tube / a
	out := []working.Figure{volume, tubes, {Key: "bead_yield", Value: yield, Unit: "m", Verdict: working.Note,
		Text: working.Num(yield, 1) + " m", Sentence: "is what one makes where nothing is wasted",
		Working: working.Of("{t} / ("+formula+")", yield, "m", append([]working.Input{working.In("t", "what one holds", tube,
			"ml", trade)}, size[:2]...)...)}}
	if b.Skin > 0 {
		took := b.Length/layMMs/60/float64(people) + place
		f := working.Figure{Key: "bead_time", Value: took, Unit: "min", Limit: working.Most(b.Skin, "min",
			value.Sheet("the tube's own sheet")), Text: working.Num(took, 1) + " min",
			Sentence: "for laying and setting, before it skins", Working: working.Of("{l} / {s} / 60 / {n} + {p}", took, "min",
				working.In("l", "path", b.Length, "mm", value.Read("")), working.In("s", "laid by hand, mm a second", layMMs, "",
					trade),
				working.In("n", "people who lay", float64(people), "", value.Read("")),
				working.In("p", "to set and press", place, "min", trade))}
		if f = f.Judge(working.Stop); f.Verdict == working.Stop {
			f.Sentence += "; lay it in two parts, or have a second pair of hands"
		}
		out = append(out, f)
	}
	return out, nil
}

func (b Bead) check() error {
	if !(b.Length >= 1 && b.Length <= 1e6) {
		return fault.New("length", "a path from 1 mm to 1000 m is expected", "measure it round the flange, in mm")
	}
	if !(b.Width >= 1 && b.Width <= 100) {
		return fault.New("width", "a width from 1 to 100 mm is expected", "8 × 12 mm is usual for vehicle glass")
	}
	if !(b.Tube >= 0 && b.Tube <= 2000 && b.Skin >= 0 && b.Place >= 0) || b.People < 0 || b.People > 4 {
		return fault.New("tube", "what a tube holds, times and people are from 0 up", "a tube holds 290 to 310 ml")
	}
	return nil
}
