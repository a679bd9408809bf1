package fit

import (
	"fmt"

	"freshshard/core/fault"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// bushAir is what a bush has to spare in its hole on each side, mm. Common
// practice, no source.
const bushAir = 0.5

// carried lays the two holes that carry the pane on it, from its lower left corner,
// and holds them against the rules for toughened glass. Without their readings it
// does nothing: they are among those that are missing.
func (s carrying) carried(r *Result) error {
	if !s.p.Carried || !s.p.Shape.Square() {
		return nil
	}
	at := make([]float64, 4)
	for i, p := range reading.Carriers[:4] {
		v, ok := s.p.Readings[p]
		if !ok {
			return nil
		}
		at[i] = v.Value
	}
	d, up, side, apart := at[0], at[1], at[2], at[3]
	if side+apart+d/2 >= r.Order.W {
		return fault.New(string(reading.HoleApart), fmt.Sprintf("the right hole would lie outside of a pane %s mm wide",
			working.Num(r.Order.W, 1)), "read both again, from the left edge seen from outside")
	}
	if up+d/2 >= r.Order.H {
		return fault.New(string(reading.HoleUp), fmt.Sprintf("the holes would lie outside of a pane %s mm high",
			working.Num(r.Order.H, 1)), "read it from the lower edge")
	}
	outer, err := outline.RoundedRect(r.Order.W, r.Order.H, 0)
	if err != nil {
		return err
	}
	for _, x := range []float64{side, side + apart} {
		hole, err := outline.Circle(d)
		if err != nil {
			return err
		}
		b := hole.Box()
		r.Holes = append(r.Holes, hole.Moved(x-(b.Min.X+b.Max.X)/2, up-(b.Min.Y+b.Max.Y)/2))
	}
	if s.p.Cutter == Toughened {
		r.Broken = append(r.Broken, outline.Outline{Outer: outer, Holes: r.Holes}.HoleRules(s.p.Thickness)...)
	}
	r.Makes = append(r.Makes, outline.Dimension{Key: "hole", Name: "two holes, across", Value: d},
		outline.Dimension{Key: "hole_up", Name: "up from the lower edge", Value: up},
		outline.Dimension{Key: "hole_side", Name: "the left one in from the left edge", Value: side},
		outline.Dimension{Key: "hole_apart", Name: "apart", Value: apart})
	return nil
}

// bush is the air that the bush has in its hole. One that does not go in by itself
// is stopped: pressed in it splits the pane.
func (s carrying) bush() []working.Figure {
	hole, ok := s.p.Readings[reading.HoleAcross]
	bush, has := s.p.Readings[reading.BushAcross]
	if !s.p.Carried || !ok || !has {
		return nil
	}
	air := (hole.Value - bush.Value) / 2
	f := working.Figure{Key: "hole_bush", Value: air, Unit: "mm", Place: string(reading.BushAcross),
		Sentence: "round the bush in its hole, each side; metal never touches glass",
		Limit:    working.Least(bushAir, "mm", value.Custom()),
		Working: working.Of("({H} − {B}) / 2", air, "mm", read("H", "hole, across", hole.Value, hole.Doubt),
			read("B", "bush, across", bush.Value, bush.Doubt)).With("A thinner bush, or a larger hole in the order.")}
	bad := working.Warn
	if air < 1e-9 {
		bad = working.Stop
	}
	return []working.Figure{f.Judge(bad)}
}
