package drawing

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/outline"
	"freshshard/core/reading"
)

// spans gives the least and the greatest height of an item.
func spans(i Item) (low, high float64) {
	low, high = math.Inf(1), math.Inf(-1)
	for _, p := range i.Points {
		low, high = min(low, p.Y), max(high, p.Y)
	}
	return low, high
}

// The pane stands in each position where the figures say, and never in a wall.
func TestLiftInThreePositions(t *testing.T) {
	for id, read := range map[string]map[reading.Place]string{
		"lift-drop": {reading.WidthTop: "300", reading.WidthBottom: "300", reading.HeightLeft: "400",
			reading.HeightRight: "400",
			reading.UpperPocket: "22 ±0.1", reading.LowerPocket: "8 ±0.1"},
		"gauge-tube": {reading.Faces: "250 ±0.5", reading.StopDepth: "14 ±0.05", reading.TubeOutside: "12.7 ±0.05"},
	} {
		s := scene(t, id, read)
		l, d := s.Result.Lift, Lifted(s)
		if l == nil || d == nil {
			t.Fatalf("%s is not drawn", id)
		}
		near := func(what string, got, want float64) {
			if math.Abs(got-want) > 1e-9 {
				t.Errorf("%s, %s: %v, want %v", id, what, got, want)
			}
		}
		_, bottom := spans(item(t, *d, "lift-1-upper"))
		bottom -= liftWall
		face, _ := spans(item(t, *d, "lift-1-upper"))
		near("upper pocket", bottom-face, l.Upper)
		foot, head := spans(item(t, *d, "lift-1-pane-cut"))
		near("foot when up", foot, l.Clear)
		near("head when up", head, bottom)
		foot, head = spans(item(t, *d, "lift-3-pane-cut"))
		near("foot when down", foot, -l.Foot)
		near("head when down", head-face, l.Length-l.Between-l.Foot)
		// Leaning, the pane stays inside the walls of the upper pocket.
		p := item(t, *d, "lift-1-pane-cut").Points
		at := func(a, b outline.Point, y float64) float64 { return a.X + (b.X-a.X)*(y-a.Y)/(b.Y-a.Y) }
		if lean := math.Abs(at(p[0], p[3], face) - p[3].X); lean > liftAir+1e-9 || p[0].X > p[3].X-liftAir {
			t.Errorf("%s: the pane leans %v in the pocket", id, lean)
		}
		words := ""
		for _, i := range d.Items {
			words += i.Text + "|"
			for _, q := range i.Points {
				if q.X < d.Box.Min.X || q.X > d.Box.Max.X || q.Y < d.Box.Min.Y || q.Y > d.Box.Max.Y {
					t.Errorf("%s: %s lies outside", id, i.ID)
				}
			}
		}
		for _, w := range []string{"1 up", "2 upright", "3 let down", "clears ", "head ", "foot "} {
			if !strings.Contains(words, w) {
				t.Errorf("%s: no %q in %s", id, w, words)
			}
		}
	}
	if Lifted(scene(t, "bead-brads", nil)) != nil {
		t.Error("a pane behind beads is not lifted")
	}
}
