package perspective_test

import (
	"fmt"

	"freshshard/core/outline"
	"freshshard/core/perspective"
)

// Four marks of a photo whose places are known turn its points into millimetres.
func ExampleFit() {
	v, err := perspective.Fit([]perspective.Mark{{Px: outline.Point{X: 0, Y: 0}, MM: outline.Point{X: 0, Y: 160}},
		{Px: outline.Point{X: 100, Y: 0}, MM: outline.Point{X: 200, Y: 160}}, {Px: outline.Point{X: 100, Y: 80},
			MM: outline.Point{X: 200, Y: 0}}, {Px: outline.Point{X: 0, Y: 80}, MM: outline.Point{X: 0, Y: 0}}})
	if err != nil {
		fmt.Println(err)
		return
	}
	p, err := v.Place(outline.Point{X: 50, Y: 40})
	fmt.Printf("%.1f %.1f %v\n", p.X, p.Y, err)
	// Output:
	// 100.0 80.0 <nil>
}
