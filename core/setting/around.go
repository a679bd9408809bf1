package setting

import (
	"cmp"
	"math"
	"slices"

	"freshshard/core/outline"
)

// Around places n fixings evenly along the edge of a pane of any shape, the
// first one half a space from its first corner.
func Around(p outline.Path, n int) []outline.Point {
	flat := p.Flatten(0.1)
	total := 0.0
	for i, a := range flat {
		total += a.To(flat[(i+1)%len(flat)])
	}
	out := make([]outline.Point, 0, n)
	next, done := total/float64(n)/2, 0.0
	for i, a := range flat {
		b := flat[(i+1)%len(flat)]
		l := a.To(b)
		for len(out) < n && next <= done+l {
			t := (next - done) / l
			out = append(out, outline.Point{X: a.X + (b.X-a.X)*t, Y: a.Y + (b.Y-a.Y)*t})
			next += total / float64(n)
		}
		done += l
	}
	return out
}

// shapedLeast is how few points hold a pane of any shape. Common practice, no
// source.
const shapedLeast = 4

// PointsAround are the points or brads of a pane that is no rectangle: at most
// 200 mm apart along its edge, four at least. Common practice, no source.
func PointsAround(p outline.Path) []outline.Point {
	return Around(p, int(math.Max(shapedLeast, math.Ceil(p.Perimeter()/pointApart))))
}

// Tighten is the order in which fixings are nipped up: crosswise, or round in
// small equal turns as they stand. The two schools; a family names its own.
func Tighten(at []outline.Point, school string) []int {
	if school == "crosswise" {
		return Crosswise(at)
	}
	return clockwise(at)
}

// clockwise lists the fixings round their middle, from the uppermost left.
func clockwise(at []outline.Point) []int {
	var m outline.Point
	for _, p := range at {
		m.X, m.Y = m.X+p.X/float64(len(at)), m.Y+p.Y/float64(len(at))
	}
	turn := func(p outline.Point) float64 {
		a := math.Atan2(p.X-m.X, p.Y-m.Y) + math.Pi/4 // 0 at the upper left, clockwise
		if a < -1e-9 {
			a += 2 * math.Pi
		}
		return a
	}
	out := make([]int, len(at))
	for i := range out {
		out[i] = i
	}
	slices.SortStableFunc(out, func(a, b int) int { return cmp.Compare(turn(at[a]), turn(at[b])) })
	return out
}
