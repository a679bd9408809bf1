package perspective

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/outline"
	"freshshard/tools/golden"
)

// A photo taken from the side, with a curve and further marks; and what is
// refused.
func TestTemplatesAreAsLookedAt(t *testing.T) {
	at := func(x, y float64) outline.Point { return outline.Point{X: x, Y: y} }
	askew := In{Sheet: A4, Error: 2, Corners: []outline.Point{at(410, 310), at(815, 280), at(840, 905), at(395, 870)},
		Points: []Point{{Px: at(210, 1010)}, {Px: at(1005, 1040)}, {Px: at(1010, 205)}, {Px: at(600, 120), Curve: true},
			{Px: at(190, 215)}}}
	b := &strings.Builder{}
	tell := func(name string, in In) {
		out, err := Template(in)
		fmt.Fprintf(b, "= %s: %v\n%s\n", name, err, golden.Lines(t, out))
	}
	tell("askew", askew)
	for _, c := range []struct {
		name   string
		change func(*In)
	}{
		{"no error", func(in *In) { in.Error = 0 }}, {"a large error", func(in *In) { in.Error = 50 }},
		{"a larger one", func(in *In) { in.Error = 51 }},
		{"no sheet", func(in *In) { in.Sheet.W = 0 }}, {"the largest sheet", func(in *In) { in.Sheet = Sheet{5000, 5000} }},
		{"a larger one", func(in *In) { in.Sheet.H = 5001 }},
		{"three corners", func(in *In) { in.Corners = in.Corners[:3] }},
		{"two points", func(in *In) { in.Points = in.Points[:2] }},
		{"corners in a line", func(in *In) { in.Corners = []outline.Point{at(0, 0), at(10, 0), at(20, 0), at(30, 0)} }},
		{"a curve at the start", func(in *In) { in.Points[0].Curve = true }},
	} {
		in := askew
		in.Corners, in.Points = append([]outline.Point(nil), askew.Corners...), append([]Point(nil), askew.Points...)
		c.change(&in)
		out, err := Template(in)
		fmt.Fprintf(b, "%s: %v, area %.1f, doubt %.3f\n", c.name, err, out.Outline.Area(), out.Doubt)
	}
	golden.Check(t, "templates", b.String())
}
