package cutting

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
)

// Bar is a tube, strip or profile that may be cut, mm.
type Bar struct {
	ID     string  `json:"id" maxLength:"40"`
	Length float64 `json:"length" doc:"mm"`
	Count  int     `json:"count" minimum:"0" maximum:"1000" doc:"How many there are; 0 for one"`
	Cost   float64 `json:"cost,omitempty" minimum:"0" maximum:"1000000" doc:"Of one; 0 for its length"`
}

// Stretch is a length that is wanted, mm.
type Stretch struct {
	ID     string  `json:"id" maxLength:"40"`
	Length float64 `json:"length" doc:"mm"`
	Count  int     `json:"count" minimum:"0" maximum:"1000" doc:"How many; 0 for one"`
}

// BarTask is what is cut from bars. A snapped tube has no kerf, and its ends are
// dressed; a sawn strip has one.
type BarTask struct {
	Bars  []Bar     `json:"bars" maxItems:"500"`
	Wants []Stretch `json:"wants" maxItems:"2000"`
	Kerf  float64   `json:"kerf,omitempty" minimum:"0" maximum:"20" doc:"mm"`
	Dress float64   `json:"dress,omitempty" minimum:"0" maximum:"50" doc:"What dressing both ends of a stretch takes, mm"`
	Ends  float64   `json:"ends,omitempty" minimum:"0" maximum:"200" doc:"What comes off each end of a bar, mm"`
	Keep  float64   `json:"keep,omitempty" minimum:"0" maximum:"5000" doc:"Least remnant that is worth its place, mm"`
}

// BarPlan is how the stretches come out of the bars.
type BarPlan struct {
	Bars   []BarCut `json:"bars"`
	Left   []Left   `json:"left"`
	Cost   float64  `json:"cost" doc:"Of the bars that are cut into"`
	Yield  float64  `json:"yield"`
	Bound  float64  `json:"bound" doc:"No plan of all stretches costs less; 0 where not all have a place"`
	Proved bool     `json:"proved" doc:"No plan costs less"`
}

// BarCut is one bar with the stretches in the order in which they come off.
type BarCut struct {
	Bar      string    `json:"bar"`
	Copy     int       `json:"copy"`
	Length   float64   `json:"length"`
	Cuts     []string  `json:"cuts" doc:"Names of the stretches, from the left end"`
	At       []float64 `json:"at" doc:"Where each cut is made, from the left end, mm"`
	Remnant  float64   `json:"remnant" doc:"mm"`
	Keep     bool      `json:"keep" doc:"The remnant goes back to the rack"`
	Finished bool      `json:"finished" doc:"Nothing is left of it"`
}

// Check refuses what cannot be cut; errors name bars[n] or wants[n] and their field.
func (t BarTask) Check() error {
	if len(t.Wants) == 0 {
		return fault.New("wants", "nothing is to be cut", "name one stretch at least")
	}
	if len(t.Bars) == 0 {
		return fault.New("bars", "there is nothing to cut from", "name one bar at least")
	}
	seen, n := map[string]bool{}, 0
	one := func(at, id string, length float64, count int) error {
		switch {
		case id == "" || seen[at[:1]+id]:
			return fault.New(at+"id", "each needs a name of its own", "give it one, and a count")
		case !(length >= 1 && length <= mostSide):
			return fault.New(at+"length", "a length from 1 mm to 10 m is expected", "give it in mm")
		case count < 0 || count > 1000:
			return fault.New(at+"count", "from 0 to 1000 are expected", "count them again")
		}
		seen[at[:1]+id] = true
		return nil
	}
	for i, b := range t.Bars {
		if err := one(fmt.Sprintf("bars[%d].", i), b.ID, b.Length, b.Count); err != nil {
			return err
		}
		if !(b.Cost >= 0 && b.Cost <= 1e6) {
			return fault.New(fmt.Sprintf("bars[%d].cost", i), "a price from 0 up is expected", "leave it out for the length")
		}
	}
	for i, w := range t.Wants {
		if err := one(fmt.Sprintf("wants[%d].", i), w.ID, w.Length, w.Count); err != nil {
			return err
		}
		if n += max(1, w.Count); n > mostPieces {
			return fault.New("wants", fmt.Sprintf("more than %d stretches", mostPieces), "plan them in parts")
		}
	}
	for _, f := range []struct {
		name string
		v, m float64
	}{{"kerf", t.Kerf, 20}, {"dress", t.Dress, 50}, {"ends", t.Ends, 200}, {"keep", t.Keep, 5000}} {
		if !(f.v >= 0 && f.v <= f.m) {
			return fault.New(f.name, fmt.Sprintf("from 0 to %g mm is expected", f.m), "give it in mm")
		}
	}
	return nil
}

// room is what of a bar can be filled: every stretch brings its kerf, and the last one
// needs none.
func (t BarTask) room(b Bar) int { return tenths(b.Length) - 2*tenths(t.Ends) + tenths(t.Kerf) }

// takes is what a stretch takes of it.
func (t BarTask) takes(w Stretch) int {
	return tenths(w.Length) + tenths(t.Dress) + tenths(t.Kerf)
}

// SolveBars plans the bars that cost least. Up to some forty stretches nothing can cost
// less, whatever the lengths and prices; beyond, a bound says how much less there could be.
// It is counted in steps and knows no clock.
func SolveBars(ctx context.Context, t BarTask) (BarPlan, error) {
	if err := t.Check(); err != nil {
		return BarPlan{}, err
	}
	p := newBarProblem(t)
	q, best, bound := p.solve(ctx)
	return t.write(q, best, bound), nil
}

// price is what a bar costs: its price, or its length in metres.
func (b Bar) price() float64 {
	if b.Cost > 0 {
		return b.Cost
	}
	return b.Length / 1000
}

// write turns fillings into a plan: bars that are cheap for their length first, the fullest
// of them before the others, the longest stretch at the left end.
func (t BarTask) write(p *barProblem, fills []pattern, bound int64) BarPlan {
	out := BarPlan{Bars: []BarCut{}, Left: []Left{}, Bound: round(float64(bound) / perPrice)}
	per := func(f pattern) float64 {
		b := t.Bars[p.kinds[f.kind].bar]
		return b.price() / b.Length
	}
	fills = slices.DeleteFunc(slices.Clone(fills), func(f pattern) bool { return f.kind < 0 })
	slices.SortStableFunc(fills, func(a, b pattern) int {
		return cmp.Or(cmp.Compare(per(a), per(b)), cmp.Compare(a.kind, b.kind), p.long(b)-p.long(a))
	})
	next, copies := make([]int, len(p.sizes)), map[int]int{}
	used, whole := 0.0, 0.0
	for _, f := range fills {
		b := t.Bars[p.kinds[f.kind].bar]
		copies[f.kind]++
		c := BarCut{Bar: b.ID, Copy: copies[f.kind], Length: b.Length}
		at := t.Ends
		for i, n := range f.fill {
			for range n {
				want := t.Wants[p.sizes[i].wants[next[i]]]
				next[i]++
				at += want.Length + t.Dress
				c.Cuts, c.At = append(c.Cuts, want.ID), append(c.At, math.Round(at*perMM)/perMM)
				at += t.Kerf
				used += want.Length
			}
		}
		c.Remnant = math.Round(math.Max(0, b.Length-t.Ends-at)*perMM) / perMM
		c.Keep = t.Keep > 0 && c.Remnant >= t.Keep
		c.Finished = c.Remnant == 0
		whole += b.Length
		out.Cost += b.price()
		out.Bars = append(out.Bars, c)
	}
	if whole > 0 {
		out.Yield = used / whole
	}
	out.Left = t.leftOver(p, next)
	out.Cost = round(out.Cost)
	if out.Proved = p.cost(fills) <= bound; len(out.Left) > 0 {
		out.Bound, out.Proved = 0, false
	}
	return out
}

// leftOver are the stretches of each size from one on, in the order in which they were
// wanted, with why.
func (t BarTask) leftOver(p *barProblem, next []int) []Left {
	count := map[int]int{}
	for i, s := range p.sizes {
		for _, w := range s.wants[next[i]:] {
			count[w]++
		}
	}
	longest := 0
	for _, b := range t.Bars {
		longest = max(longest, t.room(b))
	}
	out := []Left{}
	for i, w := range t.Wants {
		if n := count[i]; n > 0 {
			why := "all bars are cut into for others"
			if t.takes(w) > longest {
				why = "it is longer than every bar"
			}
			out = append(out, Left{w.ID, n, why})
		}
	}
	return out
}
