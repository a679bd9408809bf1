package fit

import (
	"freshshard/core/length"
	"freshshard/core/outline"
)

// corners is the opening in its true shape: from its sides and one diagonal
// where that was read, else an upright trapezium from the widths and heights.
func (s solver) corners(w, h axis) []outline.Point {
	side := func(a axis, p Place) float64 {
		if r, ok := s.p.Readings[p]; ok {
			return r.Value
		}
		return a.nominal
	}
	bottom, top := side(w, WidthBottom), side(w, WidthTop)
	left, right := side(h, HeightLeft), side(h, HeightRight)
	if up, ok := s.p.Readings[Rising]; ok {
		if q, err := outline.QuadrilateralOf(bottom, right, top, left, up.Value); err == nil {
			return q.Corners()
		}
	}
	inset := (bottom - top) / 2
	return []outline.Point{{X: 0, Y: 0}, {X: bottom, Y: 0}, {X: bottom - inset, Y: right}, {X: inset, Y: left}}
}

// ReadingsOf is a help for examples and commands: readings from texts.
func ReadingsOf(texts map[Place]string, unit length.Unit) (map[Place]length.Reading, error) {
	out := map[Place]length.Reading{}
	for p, t := range texts {
		i, err := p.Info()
		if err != nil {
			return nil, err
		}
		r, err := length.Parse(t, unit, i.Instrument)
		if err != nil {
			return nil, err
		}
		out[p] = r
	}
	return out, nil
}
