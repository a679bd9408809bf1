package drawing

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
)

// Every family has its own edge: a pane, a body that is cut through or a
// rubber, and no two look alike.
func TestEveryFamilyHasItsEdge(t *testing.T) {
	seen := map[string]string{}
	for _, f := range family.Book.All() {
		d := Edge(f, 4)
		item(t, d, "pane-cut")
		if item(t, d, "body").Layer != LayerHatch {
			t.Errorf("%s: the body is not cut through", f.ID)
		}
		ids := ""
		for _, i := range d.Items {
			ids += " " + i.ID
			for _, p := range i.Points {
				if math.IsNaN(p.X+p.Y) || p.X < d.Box.Min.X || p.X > d.Box.Max.X {
					t.Errorf("%s: %s lies at %v", f.ID, i.ID, p)
				}
			}
		}
		if seen[ids] != "" {
			t.Errorf("%s and %s look alike", f.ID, seen[ids])
		}
		seen[ids] = f.ID
	}
}

// shapedScene is a bead-held opening of a kind.
func shapedScene(t testing.TB, kind string, m outline.Values) Scene {
	t.Helper()
	s := scene(t, "bead-brads", map[reading.Place]string{reading.Ledge: "12"})
	s.Problem.Shape = reading.Shape{Kind: kind}
	for k, v := range m {
		s.Problem.Readings[reading.ShapePlace(k)] = length.Reading{Value: v, Doubt: 0.5}
	}
	var err error
	if s.Result, err = fit.Solve(s.Problem); err != nil {
		t.Fatal(err)
	}
	return s
}

// A shape is drawn with its arcs, its pane inside it and every measure on it.
func TestShapeIsDrawnTrue(t *testing.T) {
	s := shapedScene(t, "round-top", outline.Values{"width": 300, "spring": 260, "rise": 100, "overall": 372})
	d := Table(s)
	open, pane := item(t, d, "opening"), item(t, d, "pane")
	if len(open.Bulges) != len(open.Points) || open.State != "" {
		t.Errorf("opening %+v", open)
	}
	for _, p := range pane.Flat() {
		if !s.Result.Opening.Outer.Inside(p) {
			t.Fatalf("%v of the pane is outside", p)
		}
	}
	for key, v := range map[string]float64{"width": 300, "spring": 260, "rise": 100} {
		i := item(t, d, "reading-shape_"+key)
		if got := i.Points[0].To(i.Points[1]); math.Abs(got-v) > 1e-6 || i.State != "read" {
			t.Errorf("%s lies %v long, %s", key, got, i.State)
		}
	}
	if i := item(t, d, "reading-shape_overall"); i.State != "odd" {
		t.Errorf("a check 12 mm off is %q", i.State)
	}
}

// Before it is read every kind can be pointed at.
func TestEveryKindCanBePointedAt(t *testing.T) {
	for _, k := range outline.Kinds() {
		d := Table(shapedScene(t, k.ID, nil))
		if item(t, d, "opening").State != "assumed" {
			t.Errorf("%s is drawn as if it were known", k.ID)
		}
		for _, m := range append(append([]outline.Measure{}, k.Measures...), k.Checks...) {
			if i := item(t, d, "reading-shape_"+m.Key); i.State != "empty" || !strings.Contains(i.Label, m.Name) {
				t.Errorf("%s: %+v", k.ID, i)
			}
		}
	}
}

func TestPortAndTube(t *testing.T) {
	p := Table(scene(t, "ring-port", map[reading.Place]string{reading.Across0: "300", reading.Across45: "300",
		reading.Across90:  "300",
		reading.Across135: "301", reading.Ledge: "14"}))
	if i := item(t, p, "reading-diameter_135"); i.Text != "301.0" || math.Abs(i.Points[0].To(i.Points[1])-300) > 1e-9 {
		t.Errorf("%+v", i)
	}
	if len(item(t, p, "pane").Bulges) == 0 {
		t.Error("the pane of a port is not round")
	}
	s := scene(t, "gauge-tube", map[reading.Place]string{reading.Faces: "250", reading.StopDepth: "14",
		reading.TubeOutside: "12",
		reading.TubeWall:    "2.5"})
	q := item(t, Table(s), "pane").Points
	if l := q[2].Y - q[1].Y; math.Abs(l-s.Result.Order.H) > 1e-9 || math.Abs(q[0].Y+q[2].Y-250) > 1e-9 {
		t.Errorf("the tube is drawn %v long at %v", l, q)
	}
	if e := item(t, Section(s), "engaged"); math.Abs(e.Points[0].To(e.Points[1])-(s.Result.Order.H-250)/2) > 1e-9 {
		t.Errorf("%+v", e)
	}
}

// The screws of a ring are numbered round or crosswise, each once.
func TestScrewsAreNumbered(t *testing.T) {
	for _, id := range []string{"clamp-ring", "flat-panel", "window-pack"} {
		s := scene(t, id, map[reading.Place]string{reading.WidthTop: "400", reading.HeightLeft: "300", reading.Ledge: "14"})
		s.Sides.Right, s.Sides.Left = 2, 2
		seen := map[string]bool{}
		for _, i := range Table(s).Items {
			if i.Layer == LayerOrder {
				seen[i.Text] = true
			}
		}
		if len(seen) != s.Sides.Total() || !seen["1"] || !seen[fmt.Sprint(s.Sides.Total())] {
			t.Errorf("%s: %v", id, seen)
		}
	}
}

// A table with 500 drawn parts, as a screen gets it.
func BenchmarkTable500(b *testing.B) {
	s := scene(b, "flat-panel", map[reading.Place]string{reading.WidthTop: "2400", reading.WidthBottom: "2400",
		reading.HeightLeft:  "1800",
		reading.HeightRight: "1800", reading.Ledge: "20"})
	s.Sides.Top, s.Sides.Right, s.Sides.Bottom, s.Sides.Left = 60, 60, 60, 60
	if n := len(Table(s).Items); n < 480 {
		b.Fatalf("%d parts", n)
	}
	for b.Loop() {
		Table(s)
	}
}
