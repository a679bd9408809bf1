package fit

import (
	"fmt"
	"math"
	"sort"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/outline"
	"freshshard/core/setting"
	"freshshard/core/working"
)

// figures are all the numbers of the answer.
func (s solver) figures(w, h axis, r Result, wn, hn note) []working.Figure {
	out := []working.Figure{
		s.orderFigure(w, r.Order.W, wn), s.orderFigure(h, r.Order.H, hn),
	}
	if s.p.Sizing == family.Tube {
		return s.tubeFigures(h, r)
	}
	switch {
	case s.p.Sizing == family.Port:
		out = out[:1]
	case s.asItComes():
	case s.shaped != nil:
		out = []working.Figure{s.offsetFigure(w, h, r, wn, hn)}
	}
	tight, pane := w, r.Order.W
	if h.lifted == nil && s.worstGap(h, r.Order.H) < s.worstGap(w, r.Order.W) {
		tight, pane = h, r.Order.H
	}
	out = append(out, s.clearance(tight, pane, "clearance_cold", s.p.Exposure.Room, s.p.Exposure.Room, s.p.Limits.Clearance))
	out = append(out, s.clearance(tight, pane, "clearance_hot", s.p.Exposure.Steady, s.p.Exposure.FrameHot, s.p.Limits.HotClearance))
	if s.p.Exposure.Coldest < s.p.Exposure.Room {
		out = append(out, s.clearance(tight, pane, "clearance_coldest", s.p.Exposure.Coldest, s.p.Exposure.Coldest, s.p.Limits.HotClearance))
	}
	loose, lpane := w, r.Order.W
	if h.lifted == nil && s.slack(h, r.Order.H) > s.slack(w, r.Order.W) {
		loose, lpane = h, r.Order.H
	}
	if reach, ok := s.reach(); ok {
		out = append(out, s.bite(loose, lpane, reach, "bite_cold", s.p.Exposure.Room, s.p.Exposure.Room))
		out = append(out, s.bite(loose, lpane, reach, "bite_hot", s.p.Exposure.Steady, s.p.Exposure.FrameHot))
	}
	if s.p.Sizing != family.Port { // says it by its roundness
		out = append(out, s.shape(w, h)...)
	}
	if s.shaped != nil {
		out = append(out, s.shaped.misfits(s.p)...)
	}
	if h.lifted != nil {
		out = append(out, h.lifted.figures()...)
	}
	if s.p.Sizing == family.Port {
		out = append(out, s.round(w))
		if f, ok := s.dress(r); ok {
			out = append(out, f)
		}
	}
	if s.p.Sizing == family.Ring {
		out = append(out, s.clampRing(w, h, r)...)
	}
	for i, b := range r.Broken {
		f := working.Figure{Key: fmt.Sprintf("hole_rule_%d", i+1), Sentence: b.Sentence, Value: b.Value, Unit: "mm", Limit: working.Least(b.Limit, "mm", origin.Std("EN 12150-1")),
			Working: working.Of("{d} against {k} × {t}", b.Value, "mm", working.In("d", "as drawn", b.Value, "mm", origin.Sum()), working.In("k", "thicknesses that the rule asks", b.Limit/s.p.Thickness, "", origin.Std("EN 12150-1")), working.In("t", "thickness", s.p.Thickness, "mm", origin.Sum()))}
		out = append(out, f.Judge(working.Stop))
	}
	if s.p.Sizing == family.Groove {
		out = append(out, s.rubber(w, h, r)...)
	}
	out = append(out, s.bends()...)
	out = append(out, s.depth()...)
	if s.p.Sizing == family.Panel && s.p.Plastic {
		out = append(out, s.holes(r))
	}
	out = append(out, s.oldPane(r)...)
	if s.p.Gasket.Kind != None {
		out = append(out, s.gasket(r))
	}
	out = append(out, s.nominalFigure(w))
	if s.p.Sizing != family.Port {
		out = append(out, s.nominalFigure(h))
	}
	return append(out, s.drawn(w, h, r)...)
}

// in is an input that was read, with the instrument's doubt in its name.
func read(symbol, name string, mm, doubt float64) working.Input {
	return working.In(symbol, fmt.Sprintf("%s, ±%s", name, working.Num(doubt, 2)), mm, "mm", origin.Read(""))
}

func (s solver) limitInputs(a axis, seat float64) []working.Input {
	c, _, _ := s.p.allowance(a.nominal)
	o := s.p.Limits.Clearance.Origin
	name := "least edge clearance, each side"
	if c > s.p.Limits.Clearance.V {
		o, name = origin.Sum(), "clearance that leaves room for growth, each side"
	}
	return []working.Input{
		working.In("c", name, c, "mm", o),
		s.p.seat(seat),
		working.In("s", "skew over the pane", a.skew, "mm", origin.Sum()),
	}
}

func (s solver) nominalFigure(a axis) working.Figure {
	v := s.nominal(a)
	i := s.p.info(a.least)
	if a.lifted != nil {
		return a.lifted.nominalFigure()
	}
	in := append([]working.Input{read(a.letter, "least "+a.name+", "+i.Name, a.nominal, a.doubt)}, s.limitInputs(a, s.p.seated())...)
	return working.Figure{
		Key: "nominal_" + a.name, Sentence: "nominal " + a.name + " by the rule of the family", Value: v, Unit: "mm", Verdict: working.Note, Place: string(a.least),
		Working: working.Of("{"+a.letter+"} − 2 × ({c} + {g}) − {s}", v, "mm", in...).With("The rule alone, without the doubt of the readings and of the cutter."),
	}
}

// drawn are the two numbers that the section shows: clearance and bite as the
// pane is ordered, at the readings as they stand, the pane in the middle.
func (s solver) drawn(w, h axis, r Result) []working.Figure {
	a, pane := w, r.Order.W
	if r.Gap.H < r.Gap.W {
		a, pane = h, r.Order.H
	}
	gap := s.gap(a, pane)
	out := []working.Figure{{
		Key: "clearance_drawn", Sentence: "edge clearance each side, as ordered", Value: gap, Unit: "mm", Verdict: working.Note,
		Working: working.Of("({"+a.letter+"} − {s} − {P}) / 2 − {g}", gap, "mm",
			read(a.letter, "least "+a.name, a.nominal, a.doubt), working.In("s", "skew over the pane", a.skew, "mm", origin.Sum()),
			working.In("P", "pane as ordered", pane, "mm", origin.Sum()), s.p.seat(s.p.seated())),
	}}
	if reach, ok := s.reach(); ok {
		v := reach.Value - gap - s.p.seated()
		out = append(out, working.Figure{
			Key: "bite_drawn", Sentence: "bite, as ordered", Value: v, Unit: "mm", Verdict: working.Note,
			Working: working.Of("{r} − {c} − {g}", v, "mm", read("r", "what covers the edge", reach.Value, reach.Doubt),
				working.In("c", "edge clearance, as ordered", gap, "mm", origin.Sum()), s.p.seat(s.p.seated())),
		})
	}
	return out
}

func (s solver) orderFigure(a axis, v float64, n note) working.Figure {
	if a.lifted != nil {
		return a.lifted.orderFigure(v, n)
	}
	if b, ok := s.bodyOf(a); ok {
		return s.bodyFigure(a, b, n)
	}
	i := s.p.info(a.least)
	in := append([]working.Input{read(a.letter, "least "+a.name+", "+i.Name, a.nominal, a.doubt)}, s.limitInputs(a, s.p.seated()+s.p.webDoubt())...)
	in = append(in,
		working.In("d", "doubt of that reading", a.nominal-a.low, "mm", origin.Custom()),
		working.In("b", "the cutter's band, "+s.band.Name, s.band.Half, "mm", s.band.Origin))
	f := working.Figure{Key: "order_" + a.name, Sentence: "order this " + a.name, Value: v, Unit: "mm", Verdict: working.Note, Place: string(a.least),
		Working: working.Of("{"+a.letter+"} − {d} − 2 × ({c} + {g}) − {s} − {b}, rounded down", v, "mm", in...)}
	if !n.fits {
		f.Verdict = working.Stop
		if s.expected(a, v) {
			f.Verdict = working.Warn
		}
		f.Sentence = fmt.Sprintf("no %s keeps clearance and bite with everything at its bad end: the largest that surely goes in is %s, the smallest that surely holds is %s; this is between",
			a.name, length.Metric(n.largest), length.Metric(n.smallest))
		// This size came about another way, so it opens another way.
		f.Working = working.Of("min(({A} + {B}) / 2, {N}), rounded down", v, "mm",
			working.In("A", "largest that surely goes in", n.largest, "mm", origin.Sum()),
			working.In("B", "smallest that surely holds", n.smallest, "mm", origin.Sum()),
			working.In("N", "nominal, by the rule of the family", s.nominal(a), "mm", origin.Sum()))
		f.Working = f.Working.With("Read the tightest dimensions with a finer instrument, ask for a closer cut, or give it longer brackets or a wider bead.")
	} else {
		f.Working = f.Working.With("The largest that still has its clearance with the opening at its smallest and the pane at the top of the cutter's band, rounded down to what a cutter sets.")
	}
	return f
}

// expected says whether clearance and bite keep their limits at the readings
// as they stand, without doubt and tolerance.
func (s solver) expected(a axis, pane float64) bool {
	_, hot, cold := s.p.allowance(a.nominal)
	gap := s.gap(a, pane)
	ok := gap >= s.p.Limits.Clearance.V && gap+math.Min(hot, cold) >= s.p.Limits.HotClearance.V
	if reach, has := s.reach(); has {
		ok = ok && reach.Value-(a.widest-pane)/2-math.Max(0, math.Max(hot, cold)) >= s.p.Limits.Bite.V
	}
	return ok
}

// worstGap is the clearance on one side with the opening at its least and the
// pane at the top of its band.
func (s solver) worstGap(a axis, pane float64) float64 {
	return (a.low-a.skew-pane-s.band.Half)/2 - s.p.seated() - s.p.webDoubt()
}

// slack is the gap on one side with the opening at its most and the pane at
// the bottom of its band: what the bite is taken from.
func (s solver) slack(a axis, pane float64) float64 { return (a.high - (pane - s.band.Half)) / 2 }

var clearanceSaid = map[string]string{
	"clearance_cold":    "edge clearance each side when set, at worst",
	"clearance_hot":     "edge clearance each side, hot, at worst",
	"clearance_coldest": "edge clearance each side in the coldest, at worst",
}

func (s solver) clearance(a axis, pane float64, key string, paneC, frameC float64, limit Value) working.Figure {
	g := s.p.growth(a.nominal, paneC, frameC)
	v := s.worstGap(a, pane) + g
	i := s.p.info(a.least)
	f := working.Figure{
		Key: key, Sentence: fmt.Sprintf("%s; %s expected", clearanceSaid[key], length.Metric(s.gap(a, pane)+g)), Value: v, Unit: "mm",
		Limit: working.Least(limit.V, "mm", limit.Origin), Place: string(a.least),
		Working: working.Of("(("+"{"+a.letter+"} − {d}) − {s} − ({P} + {b})) / 2 − {g} + {Δ}", v, "mm",
			read(a.letter, "least "+a.name+", "+i.Name, a.nominal, a.doubt),
			working.In("d", "doubt of the least reading", a.nominal-a.low, "mm", origin.Custom()),
			working.In("s", "skew over the pane", a.skew, "mm", origin.Sum()),
			working.In("P", "pane as ordered", pane, "mm", origin.Sum()),
			working.In("b", "the cutter's band, "+s.band.Name, s.band.Half, "mm", s.band.Origin),
			s.p.seat(s.p.seated()+s.p.webDoubt()),
			working.In("Δ", s.growthSaid(paneC, frameC), g, "mm", origin.Sum())),
	}
	f.Working = f.Working.With(s.growthFormula(a, paneC, frameC))
	bad := working.Stop
	if s.gap(a, pane)+g >= limit.V {
		bad = working.Warn
	}
	return f.Judge(bad)
}

func (s solver) growthSaid(paneC, frameC float64) string {
	return fmt.Sprintf("gap gained on one side, frame %s °C, pane %s °C", working.Num(frameC, 0), working.Num(paneC, 0))
}

func (s solver) growthFormula(a axis, paneC, frameC float64) string {
	p := s.p
	return fmt.Sprintf("Δ = (α frame × ΔT frame − α pane × ΔT pane) × L / 2 = (%s × %s − %s × %s) × 10⁻⁶ × %s / 2 = %s mm. α: %s %s (%s), %s %s (%s), per million and kelvin.",
		working.Num(p.Frame.Alpha, 2), working.Num(frameC-p.Exposure.Room, 0), working.Num(p.Pane.Alpha, 2), working.Num(paneC-p.Exposure.Room, 0),
		working.Num(a.nominal, 1), working.Num(p.growth(a.nominal, paneC, frameC), 2),
		p.Frame.Name, working.Num(p.Frame.Alpha, 2), p.Frame.Origin, p.Pane.Name, working.Num(p.Pane.Alpha, 2), p.Pane.Origin)
}

func (s solver) bite(a axis, pane float64, reach length.Reading, key string, paneC, frameC float64) working.Figure {
	g := s.p.growth(a.widest, paneC, frameC)
	v := reach.Value - reach.Doubt - s.slack(a, pane) - s.p.OffCentre - g
	place, what := Ledge, "least bite on the ledge"
	if s.p.Sizing != family.Rebate && s.p.Sizing != family.Clip {
		what = "least bite, " + rules[s.p.Sizing].cover
	}
	if _, ok := s.p.Readings[Reach]; ok && s.p.Sizing == family.Clip {
		place, what = Reach, "least bite under a bracket"
	}
	when := "when set"
	if key == "bite_hot" {
		when = "hot"
	}
	f := working.Figure{
		Key: key, Sentence: fmt.Sprintf("%s, %s, at worst; %s expected", what, when, length.Metric(reach.Value-(a.widest-pane)/2-g)),
		Value: v, Unit: "mm", Place: string(place),
		Limit: working.Least(s.p.Limits.Bite.V, "mm", s.p.Limits.Bite.Origin),
		Working: working.Of("({r} − {e}) − ({T} + {d} − ({P} − {b})) / 2 − {o} − {Δ}", v, "mm",
			read("r", "what covers the edge", reach.Value, reach.Doubt),
			working.In("e", "doubt of that reading", reach.Doubt, "mm", origin.Custom()),
			read("T", "greatest "+a.name, a.widest, a.doubt),
			working.In("d", "doubt of the greatest reading", a.high-a.widest, "mm", origin.Custom()),
			working.In("P", "pane as ordered", pane, "mm", origin.Sum()),
			working.In("b", "the cutter's band, "+s.band.Name, s.band.Half, "mm", s.band.Origin),
			working.In("o", "pane off the middle", s.p.OffCentre, "mm", origin.Custom()),
			working.In("Δ", s.growthSaid(paneC, frameC), g, "mm", origin.Sum())),
	}
	f.Working = f.Working.With(s.growthFormula(a, paneC, frameC))
	bad := working.Stop
	if reach.Value-(a.widest-pane)/2-g >= s.p.Limits.Bite.V {
		bad = working.Warn
	}
	return f.Judge(bad)
}

// An opening that tapers or leans by more than this is worth a word, mm.
// Common practice, no source.
const shapeWorth = 1.0

// shape says what the readings show of the opening itself.
func (s solver) shape(w, h axis) []working.Figure {
	var out []working.Figure
	for _, a := range []axis{w, h} {
		if a.read < 2 || a.spread <= shapeWorth {
			continue
		}
		i := s.p.info(a.least)
		out = append(out, working.Figure{
			Key: "taper_" + a.name, Value: a.spread, Unit: "mm", Verdict: working.Warn, Place: string(a.least),
			Sentence: fmt.Sprintf("between the %s readings: cut to the %s, or the pane binds there", a.name, i.Name),
			Working: working.Of("{max} − {min}", a.spread, "mm",
				working.In("max", "greatest "+a.name, a.widest, "mm", origin.Read("")),
				working.In("min", "least "+a.name+", "+i.Name, a.nominal, "mm", origin.Read(""))),
		})
	}
	if s.leaning && math.Abs(s.skew.Over) > shapeWorth {
		side := "right"
		if s.skew.Over < 0 {
			side = "left"
		}
		up, down := s.p.Readings[Rising], s.p.Readings[Falling]
		out = append(out, working.Figure{
			Key: "skew", Value: math.Abs(s.skew.Over), Unit: "mm", Verdict: working.Warn, Place: string(Rising),
			Sentence: "out of square over the height, leaning to the " + side + "; taken off the width, unless the pane is cut raked",
			Working: working.Of("{H} × tan(asin(({p}² − {q}²) / (4 × {W} × {H})))", math.Abs(s.skew.Over), "mm",
				working.In("p", "diagonal, rising", up.Value, "mm", origin.Read("")), working.In("q", "diagonal, falling", down.Value, "mm", origin.Read("")),
				working.In("W", "width", w.mean(), "mm", origin.Read("")), working.In("H", "height", h.mean(), "mm", origin.Read(""))).
				With("Law of cosines on an opening with parallel sides."),
		})
	}
	return out
}

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

func (s solver) gasket(r Result) working.Figure {
	pane, _ := outline.NewRectangle(r.Order.W, r.Order.H)
	if s.p.Gasket.Kind == Wrapped {
		return setting.GasketFigure(pane.Perimeter(), "the pane's edge")
	}
	if reach, ok := s.p.Readings[Ledge]; ok {
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
