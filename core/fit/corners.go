package fit

import (
	"freshshard/core/outline"
	"freshshard/core/reading"
)

// corners is the opening in its true shape: from its sides and one diagonal
// where that was read, else an upright trapezium from the widths and heights.
func (s shaping) corners(w, h axis) []outline.Point {
	side := func(a axis, p reading.Place) float64 {
		if r, ok := s.p.Readings[p]; ok {
			return r.Value
		}
		return a.Nominal
	}
	bottom, top := side(w, reading.WidthBottom), side(w, reading.WidthTop)
	left, right := side(h, reading.HeightLeft), side(h, reading.HeightRight)
	if up, ok := s.p.Readings[reading.Rising]; ok {
		if q, err := outline.QuadrilateralOf(bottom, right, top, left, up.Value); err == nil {
			return q.Corners()
		}
	}
	inset := (bottom - top) / 2
	return []outline.Point{{X: 0, Y: 0}, {X: bottom, Y: 0}, {X: bottom - inset, Y: right}, {X: inset, Y: left}}
}
