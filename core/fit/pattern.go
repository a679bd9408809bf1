package fit

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// copied is the size of a pane that is copied from the old one: what was read of
// the pane is the pane, and no clearance comes off. The opening was not read, so
// nothing is said of clearance and bite, and it says so. Common practice, no
// source.
func (s copying) copied(r Result) (Result, error) {
	p := s.p
	old, place := oldPane{who: [2]string{copiedFrom, copiedFrom}}, oldPlaces
	if p.Shape.Square() {
		var ok bool
		if old, ok = s.old(); !ok {
			return r, nil
		}
		size := old.size
		r.Form = "rectangle"
		r.Makes = []outline.Dimension{{Key: "width", Name: "width", Value: s.nearest(size.W)},
			{Key: "height", Name: "height", Value: s.nearest(size.H)}}
	} else {
		o, ok, err := p.opening()
		if err != nil || !ok {
			return r, err
		}
		b := o.outline.Outer.Box()
		old.size, old.doubt = outline.Size{W: b.Width(), H: b.Height()}, [2]float64{o.doubt, o.doubt}
		r.Pane, r.Opening, r.Lines = o.outline.Outer, &o.outline, o.lines
		r.Form, r.Makes = o.kind.Name, o.kind.Dimensions(r.Pane)
		if r.Form == "" {
			r.Form = "as drawn"
		}
		if p.Cutter == Toughened {
			r.Broken = append(r.Broken, o.outline.HoleRules(p.Thickness)...)
		}
		place = [2]reading.Place{reading.ShapePlace("width"), reading.ShapePlace("height")}
	}
	size := old.size
	r.Ready, r.Nominal = true, size
	gap := p.Limits.Clearance.V // as it is drawn: nobody has read it
	r.Gap, r.HotGap, r.Wrap = outline.Size{W: gap, H: gap}, outline.Size{W: gap, H: gap}, p.seated()
	r.Order = size
	if r.Pane == nil {
		r.Order = outline.Size{W: s.nearest(size.W), H: s.nearest(size.H)}
		c := p.Limits.Clearance.V + p.seated()
		r.Corners = []outline.Point{{X: 0, Y: 0}, {X: r.Order.W + 2*c, Y: 0}, {X: r.Order.W + 2*c, Y: r.Order.H + 2*c},
			{X: 0, Y: r.Order.H + 2*c}}
	}
	r.Figures = append(r.Figures, s.orderFigures(r.Order, old, place)...)
	if err := carrying(s).carried(&r); err != nil {
		return r, err
	}
	r.Figures = append(append(r.Figures, telling(s).holeFigures(r)...), carrying(s).bush()...)
	if p.Gasket.Kind != None && r.Pane == nil {
		r.Figures = append(r.Figures, telling(s).gasket(r))
	}
	return r, nil
}

// oldPlaces are where the old pane is measured.
var oldPlaces = [2]reading.Place{reading.OldWidth, reading.OldHeight}

const copiedFrom = "copied from the old pane"

// oldPane is a four-sided pane as its size was read or as others say it; width before height.
type oldPane struct {
	size  outline.Size
	doubt [2]float64
	who   [2]string
}

// old is the old pane; ok is false while its width or height is missing.
func (s copying) old() (o oldPane, ok bool) {
	var size [2]float64
	for i, said := range []*reading.Spoken{s.p.Said.Width, s.p.Said.Height} {
		old, ok := s.p.Readings[oldPlaces[i]]
		size[i], o.doubt[i], o.who[i] = old.Value, old.Doubt, copiedFrom
		if said != nil {
			ok, size[i], o.doubt[i], o.who[i] = true, said.Size, said.Doubt, said.Words
		}
		if !ok {
			return o, false
		}
	}
	o.size = outline.Size{W: size[0], H: size[1]}
	return o, true
}

// orderFigures are the ordered sizes as they were copied.
func (s copying) orderFigures(order outline.Size, o oldPane, place [2]reading.Place) []working.Figure {
	var out []working.Figure
	for i, v := range []float64{order.W, order.H} {
		name := []string{"width", "height"}[i]
		read := []float64{o.size.W, o.size.H}[i]
		out = append(out, working.Figure{Key: "order_" + name, Value: v, Unit: "mm", Verdict: working.Note,
			Place: string(place[i]),
			Sentence: fmt.Sprintf("%s, ±%s mm as it was read; its opening was not: hold the two together "+
				"before anything is cut", o.who[i], working.Num(o.doubt[i], 1)),
			Working: working.Of("{P}, to what a cutter sets", v, "mm",
				working.In("P", "the pane, "+length.Metric(read)+" as read", read, "mm", value.Read("")))})
	}
	return out
}

// nearest is a size as a cutter sets it, up or down.
func (s copying) nearest(v float64) float64 {
	return math.Round(v/bounding(s).step()) * bounding(s).step()
}
