package fit

import (
	"fmt"
	"math"

	"freshshard/core/origin"
	"freshshard/core/working"
)

// The old pane and the order agree within this, mm. Common practice, no source.
const oldAgrees = 3.0

// oldPane compares the old pane with the answer: it may have been a wrong one.
func (s solver) oldPane(r Result) []working.Figure {
	var out []working.Figure
	for _, c := range []struct {
		place Place
		name  string
		order float64
		open  float64
	}{{OldWidth, "width", r.Order.W, r.Gap.W}, {OldHeight, "height", r.Order.H, r.Gap.H}} {
		old, ok := s.p.Readings[c.place]
		if !ok {
			continue
		}
		d := old.Value - c.order
		said := fmt.Sprintf("between the old pane's %s and the order: they agree", c.name)
		switch {
		case d > oldAgrees:
			said = fmt.Sprintf("more in the old pane's %s than in the order: it may have been cut too big; do not copy it", c.name)
		case d < -oldAgrees:
			said = fmt.Sprintf("less in the old pane's %s than in the order: it may have been cut too small; look for a spacer or a thicker gasket", c.name)
		}
		f := working.Figure{Key: "old_" + c.name, Sentence: said, Value: math.Abs(d), Unit: "mm", Place: string(c.place),
			Limit: working.Most(oldAgrees, "mm", origin.Custom()),
			Working: working.Of("|{O} − {P}|", math.Abs(d), "mm", read("O", "old pane", old.Value, old.Doubt),
				working.In("P", "pane as ordered", c.order, "mm", origin.Sum()))}
		out = append(out, f.Judge(working.Warn))
	}
	return out
}
