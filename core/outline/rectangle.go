package outline

import "freshshard/core/fault"

// Rectangle is W wide and H high, its lower left corner at the origin.
type Rectangle struct {
	W float64 `json:"w"`
	H float64 `json:"h"`
}

// NewRectangle wants both sides above nothing.
func NewRectangle(w, h float64) (Rectangle, error) {
	if !(w > 0) {
		return Rectangle{}, fault.New("width", "a side is more than nothing", "measure the width again")
	}
	if !(h > 0) {
		return Rectangle{}, fault.New("height", "a side is more than nothing", "measure the height again")
	}
	return Rectangle{w, h}, nil
}

// Perimeter in mm.
func (r Rectangle) Perimeter() float64 { return 2 * (r.W + r.H) }

// Inset is the rectangle with every side moved inwards by d (outwards when d
// is negative), or an error when nothing is left.
func (r Rectangle) Inset(d float64) (Rectangle, error) { return NewRectangle(r.W-2*d, r.H-2*d) }
