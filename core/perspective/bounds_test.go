package perspective

import (
	"testing"

	"freshshard/core/outline"
	"freshshard/tools/golden"
)

// From where to where each number of a template may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	p := func(x, y float64) outline.Point { return outline.Point{X: x, Y: y} }
	square := In{Sheet: Sheet{W: 300, H: 300}, Corners: []outline.Point{p(400, 300), p(1000, 300), p(1000, 900),
		p(400, 900)}, Points: []Point{{Px: p(200, 1000)}, {Px: p(1000, 1000)}, {Px: p(1000, 200)}, {Px: p(200, 200)}}}
	golden.Check(t, "bounds", "= square sheet\n"+golden.Bounds(square, func(in In) error {
		_, err := in.marks()
		return err
	})+"= template\n"+golden.Bounds(In{Sheet: Sheet{W: 210, H: 297},
		Corners: []outline.Point{p(400, 300), p(820, 300), p(820, 894), p(400, 894)}, Points: []Point{{Px: p(200, 1000)},
			{Px: p(1000, 1000)}, {Px: p(1000, 200)}, {Px: p(200, 200)}}, Error: 2},
		func(in In) error { _, err := Template(in); return err }))
}
