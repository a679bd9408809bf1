package fit

import (
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
)

func (p Problem) opening() (opening, bool, error) {
	if p.Shape.Kind == reading.Drawn {
		return p.drawn()
	}
	o := opening{values: outline.Values{}, doubts: outline.Values{}}
	var err error
	if o.kind, err = p.Shape.Form(); err != nil {
		return o, false, err
	}
	for _, m := range o.kind.Measures {
		r, ok := p.Readings[reading.ShapePlace(m.Key)]
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
func (o opening) place(field string) reading.Place {
	for _, m := range o.kind.Measures {
		if m.Key == field {
			return reading.ShapePlace(field)
		}
	}
	return reading.ShapePlace(o.kind.Measures[0].Key)
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
		a.Nominal, a.Widest, a.Doubt, a.Read = v, v, 2*o.doubt, 1
		a.Low, a.High = v-2*o.doubt, v+2*o.doubt
		a.Least = reading.ShapePlace(a.name)
		if len(o.kind.Measures) > 0 {
			a.Least = reading.ShapePlace(o.kind.Measures[0].Key)
			for _, m := range o.kind.Measures {
				if m.Key == a.name {
					a.Least = reading.ShapePlace(m.Key)
				}
			}
		}
		return a
	}
	return at(widthAxis(), b.Width()), at(heightAxis(), b.Height())
}

// drawnDoubt is what a drawn outline without a word on its doubt is taken for:
// that of a traced line, mm.
var drawnDoubt = length.Traced.Doubt(false)
