package fit

import (
	"freshshard/core/value"
	"freshshard/core/working"
)

// roundLeast is how far a seat may be out of round before a word is worth it,
// mm. Common practice, no source.
const roundLeast = 1.0

// round says how far four diameters differ.
func (s telling) round(a axis) working.Figure {
	f := working.Figure{Key: "out_of_round", Sentence: "out of round: the greatest diameter less the least",
		Value: a.Spread, Unit: "mm", Place: string(a.Least),
		Limit: working.Most(roundLeast, "mm", value.Custom()),
		Working: working.Of("{a} − {b}", a.Spread, "mm", working.In("a", "greatest diameter", a.Widest, "mm",
			value.Read("")), working.In("b", "least diameter", a.Nominal, "mm", value.Read(""))).
			With("The pane is cut to the least diameter. A seat that is far out of round is often out of flat as well: rock " +
				"it on a plate.")}
	return f.Judge(working.Warn)
}
