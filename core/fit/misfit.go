package fit

import (
	"fmt"
	"math"
	"strings"

	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// offsetFigure is how far the pane stands inside the opening all round: the
// one number that its size hangs on.
func (s telling) offsetFigure(w, h axis, r Result, wn, hn note) working.Figure {
	a, n, pane := w, wn, r.Order.W
	if h.Nominal-r.Order.H > w.Nominal-r.Order.W+1e-9 {
		a, n, pane = h, hn, r.Order.H
	}
	c, _, _ := s.p.allowance(a.Nominal)
	v := (a.Nominal - pane) / 2
	f := working.Figure{Key: "order_offset",
		Sentence: "move every side of the opening in by this; arcs keep their middles", Value: v, Unit: "mm",
		Verdict: working.Note, Place: string(a.Least),
		Working: working.Of("{c} + {g} + {e} + {b} / 2, rounded up until the "+a.name+" is one that a cutter sets", v, "mm",
			working.In("c", "clearance, each side", c, "mm", s.p.Limits.Clearance.Origin), s.p.seat(s.p.seated()+s.p.webDoubt()),
			working.In("e", "how far a side of the opening may be off", s.shaped.doubt, "mm", value.Sum()),
			working.In("b", "the cutting tolerance, "+s.band.Name, s.band.Half, "mm", s.band.Origin))}
	if n.fits {
		return f
	}
	f.Verdict, f.Sentence = s.between(a, pane, n)
	f.Sentence = strings.Replace(f.Sentence, "order this "+a.name, "inside the opening all round", 1)
	most, least := (a.Nominal-n.smallest)/2, (a.Nominal-n.largest)/2
	f.Working = working.Of("({A} + {B}) / 2, within what goes in and stays, rounded", v, "mm",
		working.In("A", "offset from which it keeps the clearance that the trade likes", least, "mm", value.Sum()),
		working.In("B", "offset up to which it keeps the bite that the trade likes", most, "mm", value.Sum())).
		With("Take the measures with a finer instrument, check them, or ask for a closer cut.")
	return f
}

// misfits hold the checks against what the measures predict.
func (o opening) misfits(p Problem) []working.Figure {
	var out []working.Figure
	checks := o.kind.Checks
	if p.Shape.Kind == reading.Drawn {
		checks = []outline.Measure{outline.MeasureOf("width"), outline.MeasureOf("height")}
	}
	for _, c := range checks {
		r, ok := p.Readings[reading.ShapePlace(c.Key)]
		if !ok {
			continue
		}
		want, off := o.lines[c.Key].Length(), 2*o.doubt
		if p.Shape.Kind != reading.Drawn {
			var err error
			if want, off, err = o.kind.Predict(c.Key, o.values, o.doubts); err != nil {
				continue
			}
		}
		out = append(out, MisfitFigure(c, r, want, off))
	}
	return out
}

// MisfitFigure holds one check against its prediction: want with a doubt of
// off, both mm.
func MisfitFigure(c outline.Measure, r length.Reading, want, off float64) working.Figure {
	v := math.Abs(r.Value - want)
	f := working.Figure{
		Key: "misfit_" + c.Key, Value: v, Unit: "mm", Place: string(reading.ShapePlace(c.Key)),
		Sentence: fmt.Sprintf("misfit: %s reads %s mm, the rest says %s mm", c.Name, length.Metric(r.Value),
			length.Metric(want)),
		Limit: working.Most(off+r.Doubt, "mm", value.Sum()),
		Working: working.Of("|{r} − {p}|", v, "mm", read("r", c.Name, r.Value, r.Doubt),
			read("p", "predicted by the other measures", want, off)).
			With("The limit is what the doubts of all readings together can explain. More than that, and one of them is wrong."),
	}
	f = f.Judge(working.Warn)
	if f.Verdict == working.Good {
		f.Sentence = "check: " + c.Name + " agrees with the rest"
	}
	return f
}
