package outline

import (
	"fmt"
	"math"

	"freshshard/core/fault"
)

// Quadrilateral is four corners, anticlockwise from the lower left, the lower
// side along the x axis.
type Quadrilateral struct {
	corner [4]Point
}

// QuadrilateralOf builds the opening from its four sides and one diagonal, the
// one that rises from lower left to upper right, by the law of cosines. All in
// mm. Both triangles must be possible.
func QuadrilateralOf(bottom, right, top, left, rising float64) (Quadrilateral, error) {
	for _, s := range []struct {
		field string
		v     float64
	}{{"bottom", bottom}, {"right", right}, {"top", top}, {"left", left}, {"diagonal_rising", rising}} {
		if !(s.v > 0) || math.IsInf(s.v, 0) {
			return Quadrilateral{}, fault.New(s.field, "a side is more than nothing", "measure it again")
		}
	}
	// The diagonal closes a triangle with bottom and right, and one with left
	// and top.
	least := math.Max(math.Abs(bottom-right), math.Abs(left-top))
	most := math.Min(bottom+right, left+top)
	if rising <= least || rising >= most {
		one, other := "bottom", "right"
		if rising <= math.Abs(left-top) || rising >= left+top {
			one, other = "left", "top"
		}
		return Quadrilateral{}, fault.New("diagonal_rising",
			fmt.Sprintf("no opening has these sides with that diagonal: %s and %s do not meet across it", one, other),
			fmt.Sprintf("the diagonal must lie between %.1f and %.1f mm", least, most))
	}
	lower, upper := facing(bottom, rising, right), facing(rising, left, top)
	if lower+upper >= math.Pi {
		return Quadrilateral{}, fault.New("diagonal_rising", "the corner at the lower left would turn inside out",
			"measure the sides and the diagonal again")
	}
	c := Point{rising * math.Cos(lower), rising * math.Sin(lower)}
	d := Point{left * math.Cos(lower+upper), left * math.Sin(lower+upper)}
	q := Quadrilateral{[4]Point{{0, 0}, {bottom, 0}, c, d}}
	if polygonArea(q.corner[:]) <= 0 {
		return Quadrilateral{}, fault.New("diagonal_rising", "the sides cross", "measure the sides and the diagonal again")
	}
	return q, nil
}

// facing is the angle between sides a and b of a triangle that faces its side c.
func facing(a, b, c float64) float64 {
	return math.Acos(max(-1, min(1, (a*a+b*b-c*c)/(2*a*b))))
}

// Corners from the lower left, anticlockwise.
func (q Quadrilateral) Corners() []Point { return append([]Point(nil), q.corner[:]...) }
