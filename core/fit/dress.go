package fit

import (
	"fmt"

	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// dress is the rough size of a round pane that is dressed to its seat; ok is
// false where it comes finished. A jigsaw or a band saw wanders by about a
// millimetre a side, a hand-run cutter by half of that; what is ordered
// toughened comes finished. Common practice, no source.
func (s seating) dress(r Result) (f working.Figure, ok bool) {
	cutter, err := Cutters.With(s.p.Own, string(s.p.Cutter))
	if err != nil || cutter.Dress == nil || cutter.Dress.V == 0 {
		return f, false
	}
	over := cutter.Dress.V
	v := r.Order.W + over
	return working.Figure{Key: "rough_diameter", Value: v, Unit: "mm", Verdict: working.Note,
		Place: string(reading.Across0),
		Sentence: fmt.Sprintf("is what it is cut to first; then dress it down to size at the seat, %s mm on each side",
			working.Num(over/2, 1)),
		Working: working.Of("{P} + {a}", v, "mm", working.In("P", "diameter as ordered", r.Order.W, "mm", value.Sum()),
			working.In("a", "allowance of the tool, "+s.band.Name, over, "mm", cutter.Dress.Origin.Of(cutter.Name))).
			With("Sanded or ground to fit is truer than cut to size; turn it in its seat now and then while you dress it. Wet " +
				"for glass, dust off the lungs for plastic.")}, true
}
