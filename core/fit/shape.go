package fit

import (
	"fmt"
	"math"
	"strings"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/holding"
	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/outline"
	"freshshard/core/working"
)

// Drawn is the kind of an outline that was read from a file, traced, or taken
// from a photo.
const Drawn = "drawn"

// Shape is the form of the opening: a rectangle that is read all round when
// Kind is empty, else one of outline's kinds, or Drawn.
type Shape struct {
	Kind   string           `json:"kind" maxLength:"20" doc:"Empty for a rectangle read all round; drawn for a file, a traced line or a photo"`
	Count  int              `json:"count,omitempty" minimum:"0" maximum:"24" doc:"Stations or points, where the kind counts them"`
	Drawn  *outline.Outline `json:"drawn,omitempty"`
	Doubt  float64          `json:"doubt,omitempty" minimum:"0" maximum:"50" doc:"Of a drawn outline, mm"`
	Trace  *outline.Trace   `json:"trace,omitempty" doc:"How a drawn outline was traced"`
	Curved bool             `json:"curved,omitempty" doc:"The pane is bent: chord and rise are asked"`
}

// square says that the opening is read all round as a rectangle.
func (s Shape) square() bool { return s.Kind == "" }

func (s Shape) kind() (outline.Kind, error) { return outline.KindOf(s.Kind, s.Count) }

// Check refuses a shape that cannot be.
func (s Shape) Check(rule family.Sizing) error {
	no := holding.Of(rule).NoShape
	switch {
	case s.Kind == "":
		return nil
	case no[0] != "":
		return fault.New("shape.kind", no[0], no[1])
	case s.Kind == Drawn:
		if s.Drawn == nil || len(s.Drawn.Outer) == 0 {
			return fault.New("shape.drawn", "there is no outline yet", "bring one in from Sums: a file, or a photo")
		}
		if !(s.Doubt >= 0 && s.Doubt <= 50) {
			return fault.New("shape.doubt", "a doubt from 0 to 50 mm is expected", "say how far a side may be off")
		}
		if s.Trace != nil {
			return s.Trace.Check()
		}
		return nil
	}
	_, err := s.kind()
	if f := fault.Of(err); f != nil {
		return fault.New("shape."+f.Field, f.Why, f.Cure)
	}
	return err
}

// opening is the shape as it was read: its outline, how far a side may be off,
// and where each measure lies on it. ok is false while a measure is missing.
type opening struct {
	outline outline.Outline
	doubt   float64
	lines   map[string]outline.Line
	kind    outline.Kind
	values  outline.Values
	doubts  outline.Values
}

// drawnDoubt is what a drawn outline without a word on its doubt is taken for:
// that of a traced line, mm.
var drawnDoubt = length.Traced.Doubt(false)

func (p Problem) opening() (opening, bool, error) {
	if p.Shape.Kind == Drawn {
		return p.drawn()
	}
	o := opening{values: outline.Values{}, doubts: outline.Values{}}
	var err error
	if o.kind, err = p.Shape.kind(); err != nil {
		return o, false, err
	}
	for _, m := range o.kind.Measures {
		r, ok := p.Readings[ShapePlace(m.Key)]
		if !ok {
			return o, false, nil
		}
		o.values[m.Key], o.doubts[m.Key] = r.Value, r.Doubt
	}
	path, err := o.kind.Make(o.values)
	if f := fault.Of(err); f != nil {
		return o, false, fault.New(string(o.place(f.Field)), f.Why, f.Cure)
	} else if err != nil {
		return o, false, err
	}
	o.outline = outline.Outline{Outer: path, Holes: []outline.Path{}}
	o.doubt = o.kind.Doubt(o.values, o.doubts)
	o.lines = o.kind.Lines(o.values, path)
	return o, true, nil
}

// place is the measure that a fault of the shape belongs to; a fault of no
// measure stands at the first.
func (o opening) place(field string) Place {
	for _, m := range o.kind.Measures {
		if m.Key == field {
			return ShapePlace(field)
		}
	}
	return ShapePlace(o.kind.Measures[0].Key)
}

// drawn is the outline that was brought in, its traced line taken off.
func (p Problem) drawn() (opening, bool, error) {
	o := opening{outline: *p.Shape.Drawn, doubt: p.Shape.Doubt, lines: map[string]outline.Line{}}
	if o.doubt == 0 {
		o.doubt = drawnDoubt
	}
	if t := p.Shape.Trace; t != nil {
		var err error
		if o.outline.Outer, err = t.True(o.outline.Outer); err != nil {
			return o, false, err
		}
	}
	b := o.outline.Outer.Box()
	y, x := (b.Min.Y+b.Max.Y)/2, b.Min.X+0.3*b.Width()
	o.lines["width"] = outline.Line{{X: b.Min.X, Y: y}, {X: b.Max.X, Y: y}}
	o.lines["height"] = outline.Line{{X: x, Y: b.Min.Y}, {X: x, Y: b.Max.Y}}
	return o, true, nil
}

// axes are the width and the height of the shape's box, as if they had been
// read: a side may be off by the shape's doubt.
func (o opening) axes() (w, h axis) {
	b := o.outline.Outer.Box()
	at := func(a axis, v float64) axis {
		a.nominal, a.widest, a.doubt, a.read = v, v, 2*o.doubt, 1
		a.low, a.high = v-2*o.doubt, v+2*o.doubt
		a.least = ShapePlace(a.name)
		if len(o.kind.Measures) > 0 {
			a.least = ShapePlace(o.kind.Measures[0].Key)
			for _, m := range o.kind.Measures {
				if m.Key == a.name {
					a.least = ShapePlace(m.Key)
				}
			}
		}
		return a
	}
	return at(widthAxis(), b.Width()), at(heightAxis(), b.Height())
}

// offsetFigure is how far the pane stands inside the opening all round: the
// one number that its size hangs on.
func (s solver) offsetFigure(w, h axis, r Result, wn, hn note) working.Figure {
	a, n, pane := w, wn, r.Order.W
	if h.nominal-r.Order.H > w.nominal-r.Order.W+1e-9 {
		a, n, pane = h, hn, r.Order.H
	}
	c, _, _ := s.p.allowance(a.nominal)
	v := (a.nominal - pane) / 2
	f := working.Figure{Key: "order_offset",
		Sentence: "move every side of the opening in by this; arcs keep their middles", Value: v, Unit: "mm",
		Verdict: working.Note, Place: string(a.least),
		Working: working.Of("{c} + {g} + {e} + {b} / 2, rounded up until the "+a.name+" is one that a cutter sets", v, "mm",
			working.In("c", "clearance, each side", c, "mm", s.p.Limits.Clearance.Origin), s.p.seat(s.p.seated()+s.p.webDoubt()),
			working.In("e", "how far a side of the opening may be off", s.shaped.doubt, "mm", origin.Sum()),
			working.In("b", "the cutting tolerance, "+s.band.Name, s.band.Half, "mm", s.band.Origin))}
	if n.fits {
		return f
	}
	f.Verdict, f.Sentence = s.between(a, pane, n)
	f.Sentence = strings.Replace(f.Sentence, "order this "+a.name, "inside the opening all round", 1)
	most, least := (a.nominal-n.smallest)/2, (a.nominal-n.largest)/2
	f.Working = working.Of("({A} + {B}) / 2, within what goes in and stays, rounded", v, "mm",
		working.In("A", "offset from which it keeps the clearance that the trade likes", least, "mm", origin.Sum()),
		working.In("B", "offset up to which it keeps the bite that the trade likes", most, "mm", origin.Sum())).
		With("Take the measures with a finer instrument, check them, or ask for a closer cut.")
	return f
}

// misfits hold the checks against what the measures predict.
func (o opening) misfits(p Problem) []working.Figure {
	var out []working.Figure
	checks := o.kind.Checks
	if p.Shape.Kind == Drawn {
		checks = []outline.Measure{outline.MeasureOf("width"), outline.MeasureOf("height")}
	}
	for _, c := range checks {
		r, ok := p.Readings[ShapePlace(c.Key)]
		if !ok {
			continue
		}
		want, off := o.lines[c.Key].Length(), 2*o.doubt
		if p.Shape.Kind != Drawn {
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
		Key: "misfit_" + c.Key, Value: v, Unit: "mm", Place: string(ShapePlace(c.Key)),
		Sentence: fmt.Sprintf("misfit: %s reads %s mm, the rest says %s mm", c.Name, length.Metric(r.Value),
			length.Metric(want)),
		Limit: working.Most(off+r.Doubt, "mm", origin.Sum()),
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
