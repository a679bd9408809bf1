package pane

import (
	"fmt"

	"freshshard/core/strength"
	"freshshard/core/working"
)

// Aspect is one thing that a place asks of a pane, and what each material stands of
// it, all to one scale. More is better throughout: of a load it is how many times
// over it is carried.
type Aspect struct {
	Key   string  `json:"key" enum:"steady,minutes,sudden,load,seat,safety,cost"`
	Name  string  `json:"name"`
	Unit  string  `json:"unit"`
	Asks  float64 `json:"asks" doc:"What the place asks for"`
	Says  string  `json:"says" doc:"The same in words"`
	Stand []Stand `json:"stand"`
}

// Stand is one material.
type Stand struct {
	Material string  `json:"material"`
	Name     string  `json:"name"`
	Edge     string  `json:"edge"`
	Value    float64 `json:"value"`
	Known    bool    `json:"known" doc:"False where it is not on file"`
	Left     float64 `json:"left" doc:"Over what is asked; negative where it is short"`
	Open     bool    `json:"open" doc:"Nothing rules it out, here or elsewhere"`
	Like     bool    `json:"like,omitempty" doc:"Like the old pane"`
}

// manyTimes is where the scale of a load ends: what carries it so often carries it.
const manyTimes = 5.0

// stands are the aspects that matter here, over the open materials and then those
// that are ruled out.
func (c Choice) stands(n Need) []Aspect {
	n.Load.known = newPlates()
	ids := make([]string, 0, len(c.Open)+len(c.Closed))
	for _, r := range c.Open {
		ids = append(ids, r.Material)
	}
	for _, r := range c.Closed {
		ids = append(ids, r.Material)
	}
	out := []Aspect{}
	for _, a := range aspects(n) {
		a.Stand = []Stand{}
		matters := false
		for i, id := range ids {
			m, err := Book.With(n.Own, id)
			if err != nil {
				continue
			}
			v, known, ok := a.of(m)
			matters = matters || ok
			a.Stand = append(a.Stand, Stand{Material: m.ID, Name: m.Short, Edge: m.Edge, Value: v, Known: known,
				Left: v - a.Asks,
				Open: i < len(c.Open), Like: m.ID == n.Like})
		}
		if matters {
			out = append(out, a.Aspect)
		}
	}
	return out
}

// aspect is one thing that is asked of a pane, and how a material stands in it.
type aspect struct {
	Aspect
	of func(Material) (v float64, known, matters bool)
}

// aspects are all that is asked, heat first.
func aspects(n Need) []aspect {
	e := n.Exposure
	return []aspect{
		{Aspect{Key: "steady", Name: "Heat", Unit: "°C", Asks: e.Steady,
			Says: fmt.Sprintf("%s °C in steady use", working.Num(e.Steady, 0))},
			func(m Material) (float64, bool, bool) { return m.Steady.V, true, true }},
		{Aspect{Key: "minutes", Name: "Heat for minutes", Unit: "°C", Asks: e.Short,
			Says: fmt.Sprintf("%s °C for minutes", working.Num(e.Short, 0))},
			func(m Material) (float64, bool, bool) {
				if m.Peak == nil {
					return m.Steady.V, false, true
				}
				return m.Peak.V, true, true
			}},
		{Aspect{Key: "sudden", Name: "Sudden change", Unit: "K", Asks: e.Sudden,
			Says: fmt.Sprintf("a sudden change of %s K", working.Num(e.Sudden, 0))},
			func(m Material) (float64, bool, bool) {
				if m.Sudden == nil {
					return 0, false, e.Sudden > 0
				}
				return m.Sudden.V, true, e.Sudden > 0
			}},
		{Aspect{Key: "load", Name: "Load", Unit: "×", Asks: 1, Says: "what it has to carry, once"},
			func(m Material) (float64, bool, bool) { return ranking{m}.times(n) }},
		{Aspect{Key: "seat", Name: "Seat", Unit: "×", Asks: 1, Says: "the warp of its seat, once"},
			func(m Material) (float64, bool, bool) {
				v := m.SeatStress(n.Load, ranking{m}.thickness(n))
				if v == 0 {
					return manyTimes, true, n.Load.Warp > 0
				}
				may, _ := m.allowable(strength.Permanent)
				return min(manyTimes, may/v), true, true
			}},
		{Aspect{Key: "safety", Name: "Safety", Unit: "", Asks: 1, Says: "glazing that breaks safely or not at all"},
			func(m Material) (float64, bool, bool) {
				if m.Safety {
					return 1, true, n.Strike
				}
				return 0, true, n.Strike
			}},
		{Aspect{Key: "cost", Name: "Cost", Unit: "of 10", Says: "10 is the cheapest"},
			func(m Material) (float64, bool, bool) { return m.Scores["cost"].Points, true, true }},
	}
}

// times is how many times over a material carries its loads, in the thickness that
// is looked at; known is false where that cannot be reckoned.
func (m ranking) times(n Need) (times float64, known, matters bool) {
	t, _ := bending(m).carries(n.Load, m.thickness(n), n.Depth)
	if t == 0 {
		t = m.thickness(n)
	}
	times = manyTimes
	for _, a := range n.Load.actions(m.Material, t) {
		b, err := bending(m).bend(n.Load, a, t)
		if err != nil {
			return 0, false, true
		}
		left := bending(m).roomFor(n.Load, a, t)
		if b.Stress > 0 {
			matters, times = true, min(times, left.stress/b.Stress)
		}
		if b.Deflection > 0 {
			times = min(times, left.deflection/b.Deflection)
		}
	}
	return max(0, times), true, matters
}
