package fit

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/value"
	"freshshard/core/working"
)

func (s telling) limitInputs(a axis, seat float64) []working.Input {
	c, _, _ := s.p.allowance(a.Nominal)
	o := s.p.Limits.Clearance.Origin
	name := "least edge clearance, each side"
	if c > s.p.Limits.Clearance.V {
		o, name = value.Sum(), "clearance that leaves room for growth, each side"
	}
	return []working.Input{
		working.In("c", name, c, "mm", o),
		s.p.seat(seat),
		working.In("s", "skew over the pane", a.skew, "mm", value.Sum()),
	}
}

func (s telling) nominalFigure(a axis) working.Figure {
	v := s.nominal(a)
	i := s.p.Info(a.Least)
	if a.lifted != nil {
		return a.lifted.nominalFigure()
	}
	in := append([]working.Input{read(a.letter, "least "+a.name+", "+i.Name, a.Nominal, a.Doubt)},
		s.limitInputs(a, s.p.seated())...)
	return working.Figure{
		Key: "nominal_" + a.name, Sentence: "nominal " + a.name + " by the rule of the family", Value: v, Unit: "mm",
		Verdict: working.Note, Place: string(a.Least),
		Working: working.Of("{"+a.letter+"} − 2 × ({c} + {g}) − {s}", v, "mm",
			in...).With("The rule alone, without the doubt of the readings and of the cutter."),
	}
}

// drawn are the two numbers that the section shows: clearance and bite as the
// pane is ordered, at the readings as they stand, the pane in the middle.
func (s telling) drawn(w, h axis, r Result) []working.Figure {
	a, pane := w, r.Order.W
	if r.Gap.H < r.Gap.W {
		a, pane = h, r.Order.H
	}
	gap := s.gap(a, pane)
	out := []working.Figure{{
		Key: "clearance_drawn", Sentence: "edge clearance each side, as ordered", Value: gap, Unit: "mm",
		Verdict: working.Note,
		Working: working.Of("({"+a.letter+"} − {s} − {P}) / 2 − {g}", gap, "mm",
			read(a.letter, "least "+a.name, a.Nominal, a.Doubt), working.In("s", "skew over the pane", a.skew, "mm",
				value.Sum()),
			working.In("P", "pane as ordered", pane, "mm", value.Sum()), s.p.seat(s.p.seated())),
	}}
	if reach, ok := s.reach(); ok {
		v := reach.Value - gap - s.p.seated()
		out = append(out, working.Figure{
			Key: "bite_drawn", Sentence: "bite, as ordered", Value: v, Unit: "mm", Verdict: working.Note,
			Working: working.Of("{r} − {c} − {g}", v, "mm", read("r", "what covers the edge", reach.Value, reach.Doubt),
				working.In("c", "edge clearance, as ordered", gap, "mm", value.Sum()), s.p.seat(s.p.seated())),
		})
	}
	return out
}

func (s telling) orderFigure(a axis, v float64, n note) working.Figure {
	if a.lifted != nil {
		return a.lifted.orderFigure(v, n)
	}
	if b, ok := ringing(s).bodyOf(a); ok {
		return ringing(s).bodyFigure(a, b, n)
	}
	if st, ok := s.stock(); ok {
		return s.stockFigure(a, st)
	}
	i := s.p.Info(a.Least)
	in := append([]working.Input{read(a.letter, "least "+a.name+", "+i.Name, a.Nominal, a.Doubt)},
		s.limitInputs(a, s.p.seated()+s.p.webDoubt())...)
	in = append(in,
		working.In("d", "doubt of that reading", a.Nominal-a.Low, "mm", value.Custom()),
		working.In("b", "the cutting tolerance, "+s.band.Name, s.band.Half, "mm", s.band.Origin))
	f := working.Figure{Key: "order_" + a.name, Sentence: "order this " + a.name, Value: v, Unit: "mm",
		Verdict: working.Note, Place: string(a.Least),
		Working: working.Of("{"+a.letter+"} − {d} − 2 × ({c} + {g}) − {s} − {b}, rounded down", v, "mm", in...)}
	if !n.fits {
		f.Verdict, f.Sentence = s.between(a, v, n)
		// This size came about another way, so it opens another way.
		formula := "min(({A} + {B}) / 2, {N}), within {C} and {D}, rounded down"
		if !n.must.fits {
			formula = "min(({C} + {D}) / 2, {G}), rounded down"
		}
		f.Working = working.Of(formula, v, "mm",
			working.In("A", "largest that keeps the clearance that the trade likes, at the worst", n.largest,
				"mm", value.Sum()),
			working.In("B", "smallest that keeps the bite that the trade likes, the same", n.smallest, "mm", value.Sum()),
			working.In("N", "nominal, by the rule of the family", s.nominal(a), "mm", value.Sum()),
			working.In("C", "smallest that stays in, "+often, n.must.smallest, "mm", value.Sum()),
			working.In("D", "largest that goes in, "+often, n.must.largest, "mm", value.Sum()),
			working.In("G", "largest that goes in as read", bounding(s).goesIn(a), "mm", value.Sum()))
		f.Working = f.Working.With("To have both as the trade likes them: read the tightest dimensions with a finer " +
			"instrument, ask for a closer cut, or give it longer brackets or a wider bead.")
	} else {
		f.Working = f.Working.With("The largest that still has its clearance when the opening is as small and the " +
			"pane as large as they may be, rounded down to what a cutter sets.")
	}
	return f
}

// between is what is said of a size where none has both clearance and bite as
// the trade likes them.
func (s telling) between(a axis, v float64, n note) (working.Verdict, string) {
	if n.must.fits {
		return working.Note, "order this " + a.name + "; it goes in and stays, with less than the trade likes"
	}
	verdict := working.Stop
	if bounding(s).expected(a, v) {
		verdict = working.Warn
	}
	if math.IsInf(n.must.smallest, 1) {
		return verdict, "no " + a.name + " stays in: what holds it is too narrow"
	}
	return verdict, fmt.Sprintf("no %s is sure to go in and to stay: over %s it may not go in, under %s it may fall out",
		a.name, length.Metric(n.must.largest), length.Metric(n.must.smallest))
}
