package fit

import (
	"fmt"
	"math"

	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// The old pane and the order agree within this, mm. Common practice, no source.
const oldAgrees = 3.0

// oldPane compares the old pane with the answer: it may have been a wrong one.
// One that goes in and stays as read was right, however far it is from the order.
func (s covering) oldPane(w, h axis, r Result) []working.Figure {
	var out []working.Figure
	for _, c := range []struct {
		place reading.Place
		axis  axis
		order float64
	}{{reading.OldWidth, w, r.Order.W}, {reading.OldHeight, h, r.Order.H}} {
		old, ok := s.p.Readings[c.place]
		if !ok {
			continue
		}
		d, most := old.Value-c.order, oldAgrees
		least, largest := s.right(c.axis)
		said := fmt.Sprintf("between the old pane's %s and the order: it was right as well", c.axis.name)
		switch {
		case d > 0:
			most = math.Max(oldAgrees, largest-c.order+old.Doubt)
			if d > most {
				said = fmt.Sprintf("more in the old pane's %s than in the order: it was cut too big to go in freely; do not "+
					"copy it", c.axis.name)
			}
		default:
			if !math.IsInf(least, 0) {
				most = math.Max(oldAgrees, c.order-least+old.Doubt)
			}
			if -d > most {
				said = fmt.Sprintf("less in the old pane's %s than in the order: it was cut too small to stay; look for a spacer "+
					"or a thicker gasket", c.axis.name)
			}
		}
		f := working.Figure{Key: "old_" + c.axis.name, Sentence: said, Value: math.Abs(d), Unit: "mm", Place: string(c.place),
			Limit: working.Most(most, "mm", value.Sum()),
			Working: working.Of("|{O} − {P}|", math.Abs(d), "mm", read("O", "old pane", old.Value, old.Doubt),
				working.In("P", "pane as ordered", c.order, "mm", value.Sum())).
				With(fmt.Sprintf("The limit is how far a pane may be from the order and still go in and stay as read, and at "+
					"least %s mm.", working.Num(oldAgrees, 0)))}
		out = append(out, f.Judge(working.Warn))
	}
	return out
}

// right are the smallest pane that stays and the largest that goes in, at the
// readings as they are; without a number where nothing says.
func (s covering) right(a axis) (least, largest float64) {
	least, largest = math.Inf(-1), math.Inf(-1)
	if a.lifted != nil {
		return least, largest
	}
	_, hot, cold := s.p.allowance(a.Nominal)
	opens := math.Max(0, math.Max(hot, cold))
	over := func(reach, must float64) {
		left := bounding(s).cover(a, a.Widest, reach, opens) - must
		if !s.p.Limits.Slides {
			left *= 2
		}
		least = math.Max(least, a.Widest-left)
	}
	if reach, ok := s.reach(); ok && !s.p.Rule().Plate {
		over(reach.Value, s.p.Limits.Stays.V)
	}
	if ledge, must, ok := s.bears(); ok {
		over(ledge.Value, must.V)
	}
	return least, bounding(s).goesIn(a)
}
