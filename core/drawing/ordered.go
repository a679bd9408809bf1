package drawing

import (
	"fmt"

	"freshshard/core/length"
	"freshshard/core/outline"
)

// Ordered is the pane alone, as a cutter wants it: its outline, its holes, and how
// wide and how high it is; nil while it has no size, and for a tube.
func Ordered(s Scene) *Drawing {
	r := s.Result
	if !r.Ready || s.rule().Tube() {
		return nil
	}
	d := &Drawing{Name: "ordered", Seen: s.Family.Seen}
	label := s.Pane + ", " + length.Metric(r.Order.W) + " × " + length.Metric(r.Order.H) + " mm"
	var b outline.Box
	if len(r.Pane) > 0 {
		b = r.Pane.Box()
		d.path("pane", LayerPane, label, r.Pane)
		if r.Opening != nil {
			for i, h := range r.Opening.Holes {
				d.path(fmt.Sprintf("hole-%d", i+1), LayerOpening, fmt.Sprintf("hole %d", i+1), h)
			}
		}
	} else {
		b = outline.Box{Max: outline.Point{X: r.Order.W, Y: r.Order.H}}
		if p, err := outline.Circle(r.Order.W); s.rule().Circle() && err == nil {
			b = p.Box()
			d.path("pane", LayerPane, label, p)
		} else {
			d.loop("pane", LayerPane, label, rect(0, 0, r.Order.W, r.Order.H))
		}
		for i, h := range r.Holes {
			d.path(fmt.Sprintf("hole-%d", i+1), LayerOpening, fmt.Sprintf("hole %d", i+1), h)
		}
	}
	off := 0.11 * max(b.Width(), b.Height())
	dim := func(id string, v float64, from, to outline.Point) {
		d.add(Item{ID: id, Kind: Dim, Layer: LayerClearance, Points: []outline.Point{from, to}, State: "read",
			Text: length.Show(v, s.Unit).Main, Label: id + ", " + length.Show(v, s.Unit).Main + " " + string(s.Unit)})
	}
	if !s.rule().Circle() {
		dim("height", b.Height(), outline.Point{X: b.Min.X - off, Y: b.Min.Y}, outline.Point{X: b.Min.X - off, Y: b.Max.Y})
	}
	dim("width", b.Width(), outline.Point{X: b.Min.X, Y: b.Min.Y - off}, outline.Point{X: b.Max.X, Y: b.Min.Y - off})
	d.fit(0.04 * max(b.Width(), b.Height()))
	return d
}
