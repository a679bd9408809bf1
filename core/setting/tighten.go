package setting

import (
	"math"

	"freshshard/core/outline"
)

// Crosswise gives the order in which to nip up screws: a list of positions in
// at, the first one first. Each next screw is as far as possible from the one
// just done; between equals it is as far as possible from the one before that,
// and so back; the rest of a tie goes to the lower number, so that the order is
// the same every time. Common practice, no source.
func Crosswise(at []outline.Point) []int {
	order := make([]int, 0, len(at))
	done := make([]bool, len(at))
	for len(order) < len(at) {
		best := -1
		for i := range at {
			if !done[i] && (best < 0 || farther(at, order, i, best)) {
				best = i
			}
		}
		done[best] = true
		order = append(order, best)
	}
	return order
}

// farther says whether screw a lies farther than b from those done, last first.
func farther(at []outline.Point, done []int, a, b int) bool {
	for i := len(done) - 1; i >= 0; i-- {
		da, db := at[a].To(at[done[i]]), at[b].To(at[done[i]])
		// Equal to a hundredth of a millimetre is equal: the drawing is no finer.
		if math.Abs(da-db) > 0.01 {
			return da > db
		}
	}
	return false
}

// Sides says how many fixings stand on each side of a pane.
type Sides struct {
	Top    int `json:"top" minimum:"0" maximum:"40"`
	Right  int `json:"right" minimum:"0" maximum:"40"`
	Bottom int `json:"bottom" minimum:"0" maximum:"40"`
	Left   int `json:"left" minimum:"0" maximum:"40"`
}

// Total is the number of fixings.
func (s Sides) Total() int { return s.Top + s.Right + s.Bottom + s.Left }

// Spread places the fixings evenly along the sides of a w × h pane, each in
// the middle of its share of the side: top from the left, right from the top,
// bottom from the left, left from the top. A fixing stands on the pane's edge.
func Spread(w, h float64, s Sides) []outline.Point {
	var at []outline.Point
	along := func(n int, put func(t float64) outline.Point) {
		for i := range n {
			at = append(at, put((float64(i)+0.5)/float64(n)))
		}
	}
	along(s.Top, func(t float64) outline.Point { return outline.Point{X: w * t, Y: h} })
	along(s.Right, func(t float64) outline.Point { return outline.Point{X: w, Y: h * (1 - t)} })
	along(s.Bottom, func(t float64) outline.Point { return outline.Point{X: w * t, Y: 0} })
	along(s.Left, func(t float64) outline.Point { return outline.Point{X: 0, Y: h * (1 - t)} })
	return at
}
