package fit

import (
	"fmt"
	"math"
	"sort"

	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/value"
	"freshshard/core/working"
)

// figures are all the numbers of the answer.
func (s telling) figures(w, h axis, r Result, wn, hn note) []working.Figure {
	out := []working.Figure{
		s.orderFigure(w, r.Order.W, wn), s.orderFigure(h, r.Order.H, hn),
	}
	if s.p.Rule().Tube() {
		return s.tubeFigures(h, r)
	}
	switch {
	case s.p.Rule().Circle():
		out = out[:1]
	case ringing(s).asItComes():
	case s.shaped != nil:
		out = []working.Figure{s.offsetFigure(w, h, r, wn, hn)}
	}
	out = append(append(out, covering(s).gaps(w, h, r)...), covering(s).bites(w, h, r)...)
	if !s.p.Rule().Circle() { // says it by its roundness
		out = append(out, shaping(s).shape(w, h)...)
	}
	if s.shaped != nil {
		out = append(out, s.shaped.misfits(s.p)...)
	}
	if h.lifted != nil {
		out = append(out, h.lifted.figures()...)
	}
	if s.p.Rule().Circle() {
		out = append(out, s.round(w))
		if f, ok := seating(s).dress(r); ok {
			out = append(out, f)
		}
	}
	if s.p.Rule().Comes {
		out = append(out, ringing(s).clampRing(w, h, r)...)
	}
	out = append(append(out, s.holeFigures(r)...), carrying(s).bush()...)
	if s.p.Rule().Rubber {
		out = append(out, seating(s).rubber(w, h, r)...)
	}
	out = append(out, shaping(s).bends()...)
	out = append(out, seating(s).depth()...)
	if s.p.Rule().Drilled && s.p.Plastic {
		out = append(out, carrying(s).holes(r))
	}
	out = append(out, covering(s).oldPane(w, h, r)...)
	if s.p.Gasket.Kind != None {
		out = append(out, s.gasket(r))
	}
	out = append(out, s.nominalFigure(w))
	if !s.p.Rule().Circle() {
		out = append(out, s.nominalFigure(h))
	}
	return append(out, s.drawn(w, h, r)...)
}

// holeFigures are the rules for holes that the pane would break.
func (s telling) holeFigures(r Result) []working.Figure {
	var out []working.Figure
	for i, b := range r.Broken {
		f := working.Figure{Key: fmt.Sprintf("hole_rule_%d", i+1), Sentence: b.Sentence, Value: b.Value, Unit: "mm",
			Limit: working.Least(b.Limit, "mm", value.Std("EN 12150-1")),
			Working: working.Of("{d} against {k} × {t}", b.Value, "mm", working.In("d", "as drawn", b.Value, "mm",
				value.Sum()), working.In("k", "thicknesses that the rule asks", b.Limit/s.p.Thickness, "",
				value.Std("EN 12150-1")), working.In("t", "thickness", s.p.Thickness, "mm", value.Sum()))}
		out = append(out, f.Judge(working.Stop))
	}
	return out
}

func (s telling) gasket(r Result) working.Figure {
	pane, _ := outline.NewRectangle(r.Order.W, r.Order.H)
	if s.p.Gasket.Kind == Wrapped {
		return setting.GasketFigure(pane.Perimeter(), "the pane's edge")
	}
	if reach, ok := s.p.Readings[reading.Ledge]; ok {
		// A flat gasket lies on the middle of the part of the ledge that the
		// pane covers.
		if mid, err := pane.Inset(math.Max(0, (reach.Value-math.Max(r.Gap.W, r.Gap.H))/2)); err == nil {
			return setting.GasketFigure(mid.Perimeter(), "the middle of the ledge under the pane")
		}
	}
	return setting.GasketFigure(pane.Perimeter(), "the pane's edge, until the ledge is read")
}

// sortFigures puts problems first and keeps the order otherwise.
func sortFigures(f []working.Figure) {
	rank := map[working.Verdict]int{working.Stop: 0, working.Warn: 1, working.Good: 2, working.Note: 2}
	sort.SliceStable(f, func(i, j int) bool { return rank[f[i].Verdict] < rank[f[j].Verdict] })
}
