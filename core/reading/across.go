package reading

import (
	"math"

	"freshshard/core/length"
)

// Across is one direction across the opening, with what was read along it. All mm.
type Across struct {
	Places  []Place
	Least   Place   // the place of the least reading
	Nominal float64 // the least reading
	Doubt   float64 // of the least reading
	Low     float64 // the least that the opening can be
	High    float64 // the most that the opening can be
	Widest  float64 // the greatest reading
	Spread  float64
	Read    int
}

// Widths is the direction across, before it is read.
func Widths() Across { return Across{Places: []Place{WidthTop, WidthMiddle, WidthBottom}} }

// Heights is the direction up, before it is read.
func Heights() Across { return Across{Places: []Place{HeightLeft, HeightMiddle, HeightRight}} }

// Take fills it from the readings; Read stays 0 when there are none.
func (a *Across) Take(readings map[Place]length.Reading) {
	least, most := math.Inf(1), math.Inf(-1)
	a.Low, a.High = math.Inf(1), math.Inf(-1)
	for _, p := range a.Places {
		r, ok := readings[p]
		if !ok {
			continue
		}
		a.Read++
		if r.Value < least {
			least, a.Least, a.Doubt = r.Value, p, r.Doubt
		}
		most = math.Max(most, r.Value)
		a.Low = math.Min(a.Low, r.Value-r.Doubt)
		a.High = math.Max(a.High, r.Value+r.Doubt)
	}
	a.Nominal, a.Widest = least, most
	a.Spread = most - least
}

// Mean is the middle of its readings, in mm.
func (a Across) Mean() float64 { return (a.Nominal + a.Widest) / 2 }

// Single is a direction that one reading stands for.
func Single(place Place, r length.Reading) Across {
	return Across{Least: place, Nominal: r.Value, Widest: r.Value, Doubt: r.Doubt, Low: r.Value - r.Doubt,
		High: r.Value + r.Doubt, Read: 1}
}
