package drawing

import (
	"slices"

	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// covers draws the mark that an old clamp ring has left and the flange of the
// new one over it, both in the middle of the cutout, where they were read. The
// flange is marked where it does not hide the mark.
func (s Scene) covers(d *Drawing) {
	at := slices.IndexFunc(d.Items, func(i Item) bool { return i.ID == "opening" })
	if at < 0 {
		return
	}
	b := boxOf(d.Items[at].Points)
	cx, cy := (b.Min.X+b.Max.X)/2, (b.Min.Y+b.Max.Y)/2
	box := func(id, label string, l Layer, w, h reading.Place) bool {
		x, ok := s.Problem.Readings[w]
		y, has := s.Problem.Readings[h]
		if !ok || !has {
			return false
		}
		d.loop(id, l, label, rect(cx-x.Value/2, cy-y.Value/2, cx+x.Value/2, cy+y.Value/2))
		return true
	}
	box("old-mark", "mark that the old frame has left", LayerSight, reading.MarkWidth, reading.MarkHeight)
	if !box("new-flange", "outer flange of the new frame", LayerClearance, reading.FlangeWidth, reading.FlangeHeight) {
		return
	}
	for _, f := range s.Result.Figures {
		if (f.Key == "covers_width" || f.Key == "covers_height") && f.Verdict != working.Good {
			last := &d.Items[len(d.Items)-1]
			last.State, last.Label = "odd", "outer flange of the new frame: the old mark may show beside it"
		}
	}
}

// boxOf is the box round some points.
func boxOf(points []outline.Point) outline.Box {
	b := outline.Box{Min: points[0], Max: points[0]}
	for _, p := range points {
		b.Min = outline.Point{X: min(b.Min.X, p.X), Y: min(b.Min.Y, p.Y)}
		b.Max = outline.Point{X: max(b.Max.X, p.X), Y: max(b.Max.Y, p.Y)}
	}
	return b
}
