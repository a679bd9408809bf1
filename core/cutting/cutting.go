// Package cutting plans how panes are cut from sheets and offcuts, edge to edge, and
// tubes and strips from bars. A plan is searched for as long as it is let, best so far
// at any time, beside a bound below which no plan can come; an independent verifier
// checks it.
package cutting

import (
	"fmt"
	"math"

	"freshshard/core/fault"
)

// Stock is a sheet or an offcut that may be cut, mm.
type Stock struct {
	ID     string  `json:"id" maxLength:"40"`
	W      float64 `json:"w" doc:"Along the streak, where it has one, mm"`
	H      float64 `json:"h" doc:"mm"`
	Count  int     `json:"count" minimum:"0" maximum:"1000" doc:"How many there are; 0 for one"`
	Cost   float64 `json:"cost,omitempty" minimum:"0" maximum:"1000000" doc:"Of one; 0 for its area"`
	Offcut bool    `json:"offcut,omitempty" doc:"It lies in the rack already"`
	Trim   Trim    `json:"trim,omitzero" doc:"Damaged edges that come off first"`
}

// Trim is how much comes off each edge before anything else, mm.
type Trim struct {
	Left   float64 `json:"left,omitempty" minimum:"0" maximum:"200"`
	Right  float64 `json:"right,omitempty" minimum:"0" maximum:"200"`
	Bottom float64 `json:"bottom,omitempty" minimum:"0" maximum:"200"`
	Top    float64 `json:"top,omitempty" minimum:"0" maximum:"200"`
}

// Piece is a pane that is wanted, mm: its blank where it is not a rectangle.
type Piece struct {
	ID    string  `json:"id" maxLength:"40"`
	W     float64 `json:"w" doc:"mm"`
	H     float64 `json:"h" doc:"mm"`
	Count int     `json:"count" minimum:"0" maximum:"1000" doc:"How many are wanted; 0 for one"`
	Turn  bool    `json:"turn" doc:"It may lie either way; false where pattern, wire or streak fix it"`
	// Rank says which are given up last where not all fit: the lower, the sooner due.
	Rank int    `json:"rank,omitempty" minimum:"0" maximum:"1000" doc:"The lower, the sooner it is due"`
	On   string `json:"on,omitempty" maxLength:"40" doc:"Pinned to this stock; empty for any"`
	Lie  Lie    `json:"lie,omitempty" enum:",as-is,turned" doc:"Pinned to lie this way"`
}

// Lie is which way a piece lies.
type Lie string

// The ways.
const (
	Either Lie = ""
	AsIs   Lie = "as-is"
	Turned Lie = "turned"
)

// Rules are how the stock is cut.
type Rules struct {
	Saw   bool    `json:"saw,omitempty" doc:"Sawn, with a kerf; else scored and snapped"`
	Kerf  float64 `json:"kerf,omitempty" minimum:"0" maximum:"20" doc:"What the saw takes, mm"`
	Least float64 `json:"least,omitempty" minimum:"0" maximum:"500" doc:"Narrowest strip that snaps off, mm; 0 for none"`
	Keep  float64 `json:"keep,omitempty" minimum:"0" maximum:"5000" doc:"Sides of an offcut that is worth its place, mm"`
	Worth float64 `json:"worth,omitempty" minimum:"0" maximum:"1" doc:"Share that a kept offcut is worth; 0 for half"`
}

// What a score must have beside it to snap: at least 10 mm and eight times the
// thickness. Common practice, no source.
const (
	leastStrip    = 10.0
	stripPerThick = 8.0
)

// LeastStrip is the narrowest strip that snaps off glass of a thickness, mm.
func LeastStrip(thickness float64) float64 { return math.Max(leastStrip, stripPerThick*thickness) }

// usualWorth is what a kept offcut is worth of its price. Common practice, no source.
const usualWorth = 0.5

// Task is what is to be planned.
type Task struct {
	Stock  []Stock `json:"stock" maxItems:"500"`
	Pieces []Piece `json:"pieces" maxItems:"2000"`
	Rules  Rules   `json:"rules,omitzero"`
}

// Bounds of a task: a side of glass, and how many pieces in all.
const (
	mostSide   = 10_000.0
	mostPieces = 5_000
)

// Check refuses what cannot be cut; errors name stock[n] or pieces[n] and their field.
func (t Task) Check() error {
	if len(t.Pieces) == 0 {
		return fault.New("pieces", "nothing is to be cut", "name one piece at least")
	}
	if len(t.Stock) == 0 {
		return fault.New("stock", "there is nothing to cut from", "name a sheet or an offcut")
	}
	side := func(field string, v float64) error {
		if !(v >= 1 && v <= mostSide) {
			return fault.New(field, "a side from 1 mm to 10 m is expected", "give it in mm")
		}
		return nil
	}
	ids := map[string]bool{}
	for i, s := range t.Stock {
		at := fmt.Sprintf("stock[%d].", i)
		if s.ID == "" || ids[s.ID] {
			return fault.New(at+"id", "each sheet and offcut needs a name of its own", "give it one")
		}
		ids[s.ID] = true
		if err := side(at+"w", s.W); err != nil {
			return err
		}
		if err := side(at+"h", s.H); err != nil {
			return err
		}
		if s.Count < 0 || s.Count > 1000 {
			return fault.New(at+"count", "from 0 to 1000 are expected", "count them again")
		}
		if !(s.Cost >= 0 && s.Cost <= 1e6) {
			return fault.New(at+"cost", "a price from 0 up is expected", "leave it out for the area")
		}
		for _, v := range []float64{s.Trim.Left, s.Trim.Right, s.Trim.Bottom, s.Trim.Top} {
			if !(v >= 0 && v <= 200) {
				return fault.New(at+"trim", "an edge trim from 0 to 200 mm is expected", "give it in mm")
			}
		}
		if s.W-s.Trim.Left-s.Trim.Right < 1 || s.H-s.Trim.Bottom-s.Trim.Top < 1 {
			return fault.New(at+"trim", "nothing is left inside the trim", "trim less, or leave the sheet out")
		}
	}
	return t.checkPieces(ids, side)
}

func (t Task) checkPieces(stock map[string]bool, side func(string, float64) error) error {
	seen, n := map[string]bool{}, 0
	for i, p := range t.Pieces {
		at := fmt.Sprintf("pieces[%d].", i)
		if p.ID == "" || seen[p.ID] {
			return fault.New(at+"id", "each piece needs a name of its own", "give it one, and a count")
		}
		seen[p.ID] = true
		if err := side(at+"w", p.W); err != nil {
			return err
		}
		if err := side(at+"h", p.H); err != nil {
			return err
		}
		if p.Count < 0 || p.Count > 1000 {
			return fault.New(at+"count", "from 0 to 1000 are expected", "count them again")
		}
		if p.On != "" && !stock[p.On] {
			return fault.New(at+"on", fmt.Sprintf("no sheet is called %q", p.On), "choose one of the list")
		}
		if p.Lie == Turned && !p.Turn && p.W != p.H {
			return fault.New(at+"lie", "its pattern or streak fixes which way it lies", "leave it as it is")
		}
		if n += max(1, p.Count); n > mostPieces {
			return fault.New("pieces", fmt.Sprintf("more than %d pieces", mostPieces), "plan them in parts")
		}
	}
	r := t.Rules
	switch {
	case !(r.Kerf >= 0 && r.Kerf <= 20):
		return fault.New("rules.kerf", "a kerf from 0 to 20 mm is expected", "measure what the blade takes")
	case r.Kerf > 0 && !r.Saw:
		return fault.New("rules.kerf", "a score takes no kerf", "leave it out, or say that it is sawn")
	case !(r.Least >= 0 && r.Least <= 500):
		return fault.New("rules.least", "a strip from 0 to 500 mm is expected", "give it in mm")
	case !(r.Keep >= 0 && r.Keep <= 5000):
		return fault.New("rules.keep", "a side from 0 to 5 m is expected", "give it in mm")
	case !(r.Worth >= 0 && r.Worth <= 1):
		return fault.New("rules.worth", "a share from 0 to 1 is expected", "half is usual")
	}
	return nil
}

// Everything is searched in whole tenths of a millimetre, so that an edge that is met
// is met exactly.
const perMM = 10

func tenths(mm float64) int { return int(math.Round(mm * perMM)) }
func inMM(t int) float64    { return float64(t) / perMM }
