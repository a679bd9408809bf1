package fit

import (
	"math"

	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/value"
	"freshshard/core/working"
)

// stock is the stock size that is taken, the way round that is nearer to the
// opening; ok is false where the pane is made to size, and for what has no two
// sides.
func (s solver) stock() (st outline.Size, ok bool) {
	if s.p.Stock == nil || s.shaped != nil || !s.p.Rule().Stock {
		return outline.Size{}, false
	}
	w, h := widthAxis(), heightAxis()
	w.Take(s.p.Readings)
	h.Take(s.p.Readings)
	if w.Read == 0 || h.Read == 0 {
		return outline.Size{}, false
	}
	st = *s.p.Stock
	if math.Hypot(st.H-w.Nominal, st.W-h.Nominal) < math.Hypot(st.W-w.Nominal, st.H-h.Nominal) {
		st.W, st.H = st.H, st.W
	}
	return st, true
}

// stockFigure says the stock size of one direction; how it fits is said by
// clearance and bite.
func (s solver) stockFigure(a axis, st outline.Size) working.Figure {
	v := st.W
	if a.name == "height" {
		v = st.H
	}
	return working.Figure{Key: "order_" + a.name, Sentence: "stock size of this " + a.name + ", as it comes", Value: v,
		Unit: "mm", Verdict: working.Note, Place: string(a.Least),
		Working: working.Of("{P}", v, "mm", working.In("P", "the stock size that is taken", v, "mm", value.Custom())).
			With("The rule would order " + length.Metric(s.made(a)) + " mm. How this one goes in and stays is said by " +
				"clearance and bite.")}
}

// made is the size that would be ordered.
func (s solver) made(a axis) float64 {
	v, _ := bounding{s}.order(a)
	return v
}
