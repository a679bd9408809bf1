package drawing

import (
	"testing"

	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
)

// The pane alone has its own outline, its holes and its two measures; what has no
// size, and a tube, has no such drawing.
func TestOrdered(t *testing.T) {
	scene := func(id string, r fit.Result) Scene {
		f, err := family.Book.ByID(id)
		if err != nil {
			t.Fatal(err)
		}
		return Scene{Family: f, Result: r, Pane: "4 mm glass-ceramic", Unit: length.MM}
	}
	hole, _ := outline.Circle(12)
	arch, err := outline.RoundTop(300, 200, 80)
	if err != nil {
		t.Fatal(err)
	}
	ready := fit.Result{Ready: true, Order: outline.Size{W: 300, H: 200}}
	holed, shaped := ready, ready
	holed.Holes = []outline.Path{hole.Moved(60, 40), hole.Moved(240, 40)}
	shaped.Pane, shaped.Order = arch, outline.Size{W: 300, H: 280}
	round := fit.Result{Ready: true, Order: outline.Size{W: 250, H: 250}}
	for _, c := range []struct {
		name, family string
		r            fit.Result
		items, dims  int
		w, h         string
	}{
		{"a rectangle", "clip-heat", ready, 3, 2, "300.0", "200.0"},
		{"with two holes", "two-holes", holed, 5, 2, "300.0", "200.0"},
		{"an arch", "bead-brads", shaped, 3, 2, "300.0", "280.0"},
		{"round", "ring-port", round, 2, 1, "250.0", ""},
	} {
		d := Ordered(scene(c.family, c.r))
		if d == nil || len(d.Items) != c.items {
			t.Fatalf("%s: %+v", c.name, d)
		}
		said := map[string]string{}
		for _, i := range d.Items {
			if i.Kind == Dim {
				said[i.ID] = i.Text
			}
			for _, p := range i.Points {
				if p.X < d.Box.Min.X || p.X > d.Box.Max.X || p.Y < d.Box.Min.Y || p.Y > d.Box.Max.Y {
					t.Errorf("%s: %s is outside of the drawing", c.name, i.ID)
				}
			}
		}
		if len(said) != c.dims || said["width"] != c.w || said["height"] != c.h {
			t.Errorf("%s: %v", c.name, said)
		}
	}
	if Ordered(scene("clip-heat", fit.Result{})) != nil || Ordered(scene("gauge-tube", ready)) != nil {
		t.Error("drawn without a size, or of a tube")
	}
}
