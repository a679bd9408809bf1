package pane

import (
	"fmt"
	"math"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/strength"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Held says which sides of a pane are held; nothing said is all four.
type Held = strength.Held

// How a pane is held, for its loads.
const (
	Three = strength.Three
	Two   = strength.Two
	Round = strength.Round
)

// Load is what bends the pane. A load that is nothing is not looked at.
type Load struct {
	W     float64 `json:"w,omitempty" doc:"Width of the pane, mm; 0 while unknown"`
	H     float64 `json:"h,omitempty"`
	Held  Held    `json:"held,omitempty" enum:",three,two,round"`
	Wind  float64 `json:"wind,omitempty" doc:"Wind speed of a gust, m/s"`
	Push  float64 `json:"push,omitempty" doc:"Force on a hand's patch at the worst place, N"`
	Even  float64 `json:"even,omitempty" doc:"Even pressure for good, kPa"`
	Lying bool    `json:"lying,omitempty" doc:"It carries its own weight across"`
	Spare float64 `json:"spare,omitempty" doc:"Bite beyond its limit, each side, mm; 0 while unknown"`
	Warp  float64 `json:"warp,omitempty" doc:"How far a corner of the seat is out of plane, mm; round: the widest gap"`

	known *plates // of one choice: the plates that it has bent already
}

// Check refuses a load that no pane sees.
func (l Load) Check() error {
	for _, c := range []struct{ v, most float64 }{{l.W, 10000}, {l.H, 10000}, {l.Wind, 100}, {l.Push, 1e4}, {l.Even, 5e4},
		{l.Warp, 100}, {l.Spare, 1000}} {
		if !(c.v >= 0 && c.v <= c.most) {
			return fault.New("load", "a load that no pane sees",
				"sides up to 10 m, wind up to 100 m/s, a push up to 10 kN, a seat up to 100 mm out of flat")
		}
	}
	return nil
}

// hand is the side of the patch that a push stands on, mm. Common practice, no
// source.
const hand = 100.0

// gravity in m/s².
const gravity = 9.81

// sheet is the material as a plate; a laminated pane is reckoned ply by ply,
// as if they slid on each other.
func (m Material) sheet(t float64) strength.Sheet {
	return strength.Sheet{E: m.E.V, Nu: m.Nu.V, T: m.Glass(t) / float64(max(1, m.Plies))}
}

// plasticGust is the share of its yield that a plastic pane may carry for a
// short while. Common practice, no source.
const plasticGust = 0.5

// allowable is what the material may carry, MPa, with where it is from.
func (m Material) allowable(l strength.Lasting) (float64, value.Origin) {
	if m.Design != nil {
		if l == strength.Gust {
			return m.Strength.V * plasticGust, value.Custom()
		}
		return m.Design.V, m.Design.Origin.Of(m.Short)
	}
	f, err := strength.Allowable(m.Strength.V, l)
	if err != nil {
		return 0, value.Sum()
	}
	return f, value.Std("EN 16612")
}

// action is one load by itself: an even pressure q, kPa, or a force, N.
type action struct {
	key, said string
	q, force  float64
	lasting   strength.Lasting
}

// actions are the loads of a pane of a material and thickness, each by itself.
// A push is short and taken as a gust, which is on the safe side.
func (l Load) actions(m Material, t float64) []action {
	if l.W <= 0 || l.H <= 0 {
		return nil
	}
	var out []action
	if l.Wind > 0 && !m.Porous {
		out = append(out, action{"gust", "in a gust of " + working.Num(l.Wind, 0) + " m/s", strength.Wind(l.Wind, 1), 0,
			strength.Gust})
	}
	if l.Push > 0 {
		out = append(out, action{"push", "under a push of " + working.Num(l.Push, 0) + " N at the worst place", 0, l.Push,
			strength.Gust})
	}
	q := l.Even
	if l.Lying {
		q += m.Density.V * m.Glass(t) * 1e-3 * gravity * 1e-3
	}
	if q > 0 {
		out = append(out, action{"standing", "under " + working.Num(q, 2) + " kPa for good", q, 0, strength.Permanent})
	}
	return out
}

// bend is what an action does to a pane of a thickness.
func (m bending) bend(l Load, a action, t float64) (strength.Bent, error) {
	plies := float64(max(1, m.Plies))
	a.q, a.force = a.q/plies, a.force/plies
	return l.known.bend(l, a, m.sheet(t))
}

// span is the length over which the pane bends, mm.
func (l Load) span() float64 { return l.Held.Span(l.W, l.H) }

// plasticSpan is the share of its span that a plastic pane may bend: it gives
// without harm, and what ends it is its bite. Common practice, no source.
const plasticSpan = 1.0 / 25

// spanLimit is how far a pane of the material may bend by its span alone, mm.
func (m bending) spanLimit(l Load) float64 {
	if m.Plastic {
		return l.span() * plasticSpan
	}
	return strength.DeflectionLimit(l.span())
}

func (m bending) spanShare() string {
	if m.Plastic {
		return "a twenty-fifth"
	}
	return "a sixtieth"
}

// deflectionLimit is how far the pane may bend, mm: a share of its span, and
// no farther than keeps its bite. A pane that bends by w is drawn in by
// 8w²/(3·span), half of it on each side, the arc being longer than its chord.
func (m bending) deflectionLimit(l Load) float64 {
	limit := m.spanLimit(l)
	if l.Spare > 0 {
		limit = math.Min(limit, math.Sqrt(0.75*l.Spare*l.span()))
	}
	return limit
}

// room is what is left for one action: stress, MPa, and deflection, mm.
type room struct {
	stress, deflection float64
	taken              float64 // share of the stress that something else takes
	from               value.Origin
}

// roomFor is what the seat, and for a short action what stands on the pane for
// good, leave to an action. Shares are added as if all were worst at one place,
// which is on the safe side. The rule of shares for loads of different length:
// EN 16612, from memory.
func (m bending) roomFor(l Load, a action, t float64) room {
	may, from := m.allowable(a.lasting)
	r := room{deflection: m.deflectionLimit(l), from: from}
	forGood, _ := m.allowable(strength.Permanent)
	r.taken = m.SeatStress(l, t) / forGood
	if a.lasting != strength.Permanent {
		for _, other := range l.actions(m.Material, t) {
			if other.lasting != strength.Permanent {
				continue
			}
			b, err := m.bend(l, other, t)
			if err != nil { // nobody knows what it takes
				r.taken, r.deflection = 1, 0
				break
			}
			r.taken += b.Stress / forGood
			r.deflection -= b.Deflection
		}
	}
	r.taken = math.Min(1, r.taken)
	r.stress, r.deflection = may*(1-r.taken), math.Max(0, r.deflection)
	return r
}

// passes says whether every action leaves a thickness standing; else the action
// that does not, with what it does. An action that cannot be reckoned leaves
// nothing standing: its error comes with it.
func (m bending) passes(l Load, t float64) (action, strength.Bent, bool, error) {
	for _, a := range l.actions(m.Material, t) {
		b, err := m.bend(l, a, t)
		if err != nil {
			return a, b, false, err
		}
		if left := m.roomFor(l, a, t); b.Stress > left.stress || b.Deflection > left.deflection {
			return a, b, false, nil
		}
	}
	return action{}, strength.Bent{}, true, nil
}

// Carrying is the thinnest thickness from some on, at most what the frame takes,
// that the loads leave standing; the same again where none does.
func (m Material) Carrying(l Load, from, most float64) float64 {
	l.known = newPlates()
	if t, ok := (bending{m}).carries(l, from, most); ok && t > 0 {
		return t
	}
	return from
}

// carries is the thinnest thickness from some on that the loads leave standing,
// or the thickest with ok false when none does; 0 when there is none to try.
func (m bending) carries(l Load, from, most float64) (t float64, ok bool) {
	if len(l.actions(m.Material, from)) == 0 {
		return from, true
	}
	for _, c := range m.Thicknesses {
		if c < from || most > 0 && c > most {
			continue
		}
		t = c
		if _, _, ok, _ := m.passes(l, c); ok {
			return c, true
		}
	}
	return t, false
}

// loadGate closes when no thickness carries the loads.
func (m bending) loadGate(n Need) *Closed {
	t, ok := m.carries(n.Load, m.Thicknesses[0], n.Depth)
	if ok || t == 0 {
		return nil
	}
	a, b, _, err := m.passes(n.Load, t)
	if err != nil {
		return never("load", fmt.Sprintf("what it takes %s cannot be reckoned: %s", a.said, why(err)), "reckoned to carry it")
	}
	left := m.roomFor(n.Load, a, t)
	if b.Stress > left.stress {
		beside := ""
		if left.taken > 0 {
			beside = " beside what is on it for good"
		}
		return closed("load", fmt.Sprintf("%s even %s mm would take %s MPa and holds %s%s; %s", a.said, working.Num(t, 1),
			working.Num(b.Stress, 1), working.Num(left.stress, 1), beside, m.wouldDo(n.Load, t)),
			"MPa", working.In("σ", "stress "+a.said, b.Stress, "MPa", value.Sum()),
			working.Most(left.stress, "MPa", left.from))
	}
	limit := left.deflection
	far := "more than " + m.spanShare() + " of its span"
	if m.deflectionLimit(n.Load) < m.spanLimit(n.Load) {
		far = "and be drawn out of its bite"
	}
	return closed("load", fmt.Sprintf("%s even %s mm would bend %s mm, %s; %s", a.said, working.Num(t, 1),
		length.Metric(b.Deflection), far, m.wouldDo(n.Load, t)),
		"mm", working.In("w", "deflection "+a.said, b.Deflection, "mm", value.Sum()),
		working.Most(limit, "mm", value.Custom()))
}

// why is an error in words, without its field.
func why(err error) string {
	if f := fault.Of(err); f != nil {
		return f.Why
	}
	return err.Error()
}

// wouldDo names the nearest thing that would work where no thickness carries
// the loads: the largest pane of this form that does.
func (m bending) wouldDo(l Load, t float64) string {
	w, h, low, high := l.W, l.H, 0.0, 1.0
	for range 7 {
		mid := (low + high) / 2
		l.W, l.H = w*mid, h*mid
		if _, _, ok, _ := m.passes(l, t); ok {
			low = mid
		} else {
			high = mid
		}
	}
	if least := math.Min(w, h) * low; least < hand {
		return "no pane of this form would"
	}
	return fmt.Sprintf("one of %.0f × %.0f mm would carry it: divide it with a bar", math.Floor(w*low), math.Floor(h*low))
}
