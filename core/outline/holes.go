package outline

import (
	"fmt"
	"math"
)

// Broken is one rule for holes in toughened glass that an outline breaks, with
// the place where it does.
type Broken struct {
	Rule     string  `json:"rule" enum:"diameter,edge,between,corner,inside"`
	Hole     int     `json:"hole" doc:"From 1; 0 for the outline itself"`
	At       Point   `json:"at"`
	Value    float64 `json:"value" doc:"mm"`
	Limit    float64 `json:"limit" doc:"At least, mm"`
	Sentence string  `json:"sentence"`
}

// How near holes may come, in thicknesses. EN 12150-1, from memory.
const (
	holeDiameter = 1.0
	holeEdge     = 2.0
	holeBetween  = 2.0
	holeCorner   = 6.0
)

// flatHole is how finely holes are cut into chords to measure from them, mm.
const flatHole = 0.02

// HoleRules holds an outline that is to be toughened against the rules for
// holes: diameter at least the thickness, edge to edge twice, between holes
// twice, to a corner six times; inside corners are rounded. t in mm.
func (o Outline) HoleRules(t float64) []Broken {
	out := []Broken{}
	add := func(rule string, hole int, at Point, value, times float64, says string) {
		limit := times * t
		if value < limit-1e-6 {
			out = append(out, Broken{rule, hole, at, value, limit, fmt.Sprintf(says, value, limit)})
		}
	}
	edge := o.Outer.Flatten(flatHole)
	flat := make([][]Point, len(o.Holes))
	for i, h := range o.Holes {
		flat[i] = h.Flatten(flatHole)
		b := h.Box()
		add("diameter", i+1, Point{(b.Min.X + b.Max.X) / 2, (b.Min.Y + b.Max.Y) / 2}, math.Min(b.Width(), b.Height()),
			holeDiameter, "the hole is %.1f mm across, at least %.1f is asked")
		d, at := nearest(flat[i], edge)
		add("edge", i+1, at, d, holeEdge, "the hole is %.1f mm from the edge, at least %.1f is asked")
		for k := range o.Outer {
			// A corner is where two sides meet at an angle.
			if math.Abs(bend(o.Outer.side((k-1+len(o.Outer))%len(o.Outer)), o.Outer.side(k))) < 0.1 {
				continue
			}
			c := o.Outer[k].Point
			d, _ := nearest(flat[i], []Point{c, c})
			add("corner", i+1, c, d, holeCorner, "the hole is %.1f mm from a corner, at least %.1f is asked")
		}
	}
	for i := range flat {
		for k := i + 1; k < len(flat); k++ {
			d, at := nearest(flat[i], flat[k])
			add("between", i+1, at, d, holeBetween, "two holes are %.1f mm apart, at least %.1f is asked")
		}
	}
	for k := range o.Outer {
		if bend(o.Outer.side((k-1+len(o.Outer))%len(o.Outer)), o.Outer.side(k)) < -0.02 {
			out = append(out, Broken{Rule: "inside", At: o.Outer[k].Point, Limit: t,
				Sentence: "an inside corner must be rounded: a sharp one breaks in the furnace"})
		}
	}
	return out
}

// nearest is how near the points of one loop come to the sides of another, and
// where.
func nearest(loop, other []Point) (float64, Point) {
	best, at := math.Inf(1), Point{}
	for _, p := range loop {
		for i, a := range other {
			b := other[(i+1)%len(other)]
			q := onto(p, a, b)
			if d := p.To(q); d < best {
				best, at = d, q
			}
		}
	}
	return best, at
}

// onto is the point of a side that is nearest to p.
func onto(p, a, b Point) Point {
	l := (b.X-a.X)*(b.X-a.X) + (b.Y-a.Y)*(b.Y-a.Y)
	if l == 0 {
		return a
	}
	k := math.Max(0, math.Min(1, ((p.X-a.X)*(b.X-a.X)+(p.Y-a.Y)*(b.Y-a.Y))/l))
	return Point{a.X + k*(b.X-a.X), a.Y + k*(b.Y-a.Y)}
}
