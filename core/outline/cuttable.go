package outline

import (
	"fmt"
	"math"
)

// Cutting is whether a technician can cut an outline by hand, and why not.
type Cutting struct {
	Hand     bool   `json:"hand"`
	Sentence string `json:"sentence"`
}

const (
	// An inside curve below this radius does not break out by hand, mm. Common
	// practice, no source.
	insideRadius = 150.0
	// Least strip that breaks off by hand: 8 × the thickness. Common practice,
	// no source.
	stripTimes = 8.0
)

// Cuttable judges an outline in glass of a thickness, both mm.
func (p Path) Cuttable(thickness float64) Cutting {
	n := len(p)
	for i := range p {
		s := p.side(i)
		if s.bulge < 0 && s.radius < insideRadius {
			return Cutting{false,
				fmt.Sprintf("an inside curve of %.0f mm radius does not break out by hand; below %.0f it is ground or ordered",
					s.radius, insideRadius)}
		}
		before := p.side((i - 1 + n) % n)
		if turn := bend(before, s); turn < -0.02 {
			return Cutting{false, "an inside corner starts a crack; it is drilled and rounded, or ordered"}
		}
	}
	b := p.Box()
	if least := math.Min(b.Width(), b.Height()); least < stripTimes*thickness {
		return Cutting{false, fmt.Sprintf("it is %.1f mm narrow; %.0f × the thickness, %.0f mm, breaks off by hand", least,
			stripTimes, stripTimes*thickness)}
	}
	for i := range p {
		if p[i].Bulge != 0 {
			return Cutting{true, "by hand, the curves with relief scores"}
		}
	}
	return Cutting{true, "by hand, straight scores"}
}

// bend is the turn from one side into the next, radians, to the left positive.
func bend(s, t side) float64 {
	out, in := s.heading(true), t.heading(false)
	d := in - out
	for d > math.Pi {
		d -= 2 * math.Pi
	}
	for d < -math.Pi {
		d += 2 * math.Pi
	}
	return d
}

// heading is the direction of a side at its start or its end, radians.
func (s side) heading(end bool) float64 {
	chord := math.Atan2(s.b.Y-s.a.Y, s.b.X-s.a.X)
	half := s.angle() / 2
	if end {
		return chord + half
	}
	return chord - half
}
