// Package outline holds the shapes of panes and openings, in millimetres, with
// x to the right and y up. What a shape can do is in the file named for it.
package outline

import "math"

// Point is a place in the plane of the glass, in mm.
type Point struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// To is the distance between two points, in mm.
func (p Point) To(q Point) float64 { return math.Hypot(q.X-p.X, q.Y-p.Y) }

// Box is an upright rectangle that holds a shape.
type Box struct {
	Min Point `json:"min"`
	Max Point `json:"max"`
}

// Width and height of the box, in mm.
func (b Box) Width() float64  { return b.Max.X - b.Min.X }
func (b Box) Height() float64 { return b.Max.Y - b.Min.Y }

// polygonArea is the area by the shoelace sum, positive when anticlockwise.
func polygonArea(p []Point) float64 {
	var s float64
	for i, a := range p {
		b := p[(i+1)%len(p)]
		s += a.X*b.Y - b.X*a.Y
	}
	return s / 2
}

func boxOf(p []Point) Box {
	b := Box{Min: p[0], Max: p[0]}
	for _, q := range p[1:] {
		b.Min = Point{min(b.Min.X, q.X), min(b.Min.Y, q.Y)}
		b.Max = Point{max(b.Max.X, q.X), max(b.Max.Y, q.Y)}
	}
	return b
}
