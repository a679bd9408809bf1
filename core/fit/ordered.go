package fit

import (
	"fmt"

	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/working"
)

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
