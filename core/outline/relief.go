package outline

import "math"

// Score is a line on a blank beside the pane's own outline.
type Score struct {
	Kind string  `json:"kind" enum:"run-out,relief,nest" doc:"To the blank's edge; parts the waste; a flatter curve first"`
	Line []Point `json:"line" doc:"From the pane outwards, mm"`
}

// Kinds of scores.
const (
	RunOut   = "run-out"
	ReliefAt = "relief"
	Nest     = "nest"
)

const (
	// Waste along an outside curve comes off in pieces of at most an eighth of a turn.
	// Common practice, no source.
	reliefTurn = math.Pi / 4
	// A relief score stops short of the outline, so that it does not run into it, mm.
	// Common practice, no source.
	reliefShort = 2.0
	// An inside curve is taken out in steps of at most this depth, mm. Common practice,
	// no source.
	nestDeep = 15.0
)

// Scores are the lines that break a pane out of a blank which has margin round its
// box, mm: straight sides run out to the blank's edge, relief scores part the waste
// along outside curves, inside curves are taken out by flatter ones first. A rectangle
// needs none but its sides, and has none here.
func (p Path) Scores(margin float64) []Score {
	b := p.Box()
	if len(p) == 4 && p.rectangular(b) {
		return nil
	}
	b.Min.X, b.Min.Y, b.Max.X, b.Max.Y = b.Min.X-margin, b.Min.Y-margin, b.Max.X+margin, b.Max.Y+margin
	var out []Score
	n := len(p)
	ray := func(kind string, from Point, heading, gap float64) {
		to, ok := b.leaves(from, heading)
		if !ok || from.To(to) <= gap {
			return
		}
		from = Point{X: from.X + gap*math.Cos(heading), Y: from.Y + gap*math.Sin(heading)}
		out = append(out, Score{kind, []Point{from, to}})
	}
	for i := range p {
		s, before, after := p.side(i), p.side((i-1+n)%n), p.side((i+1)%n)
		switch {
		case s.bulge == 0:
			if after.bulge >= 0 && bend(s, after) > -0.02 {
				ray(RunOut, s.b, s.heading(true), 0)
			}
			if before.bulge >= 0 && bend(before, s) > -0.02 {
				ray(RunOut, s.a, s.heading(false)+math.Pi, 0)
			}
		case s.bulge > 0:
			parts := int(math.Ceil(s.angle()/reliefTurn - 1e-9))
			from := 1
			if before.bulge != 0 { // no straight side runs out where it begins
				from = 0
			}
			start := math.Atan2(s.a.Y-s.centre.Y, s.a.X-s.centre.X)
			for k := from; k < parts; k++ {
				at := start + s.angle()*float64(k)/float64(parts)
				ray(ReliefAt, Point{X: s.centre.X + s.radius*math.Cos(at), Y: s.centre.Y + s.radius*math.Sin(at)}, at, reliefShort)
			}
		default:
			chord := s.a.To(s.b)
			steps := int(math.Ceil(-s.bulge*chord/2/nestDeep - 1e-9))
			for k := 1; k < steps; k++ {
				out = append(out, Score{Nest, arcBetween(s.a, s.b, s.bulge*float64(k)/float64(steps))})
			}
		}
	}
	return out
}

// rectangular says that four straight sides lie along their box.
func (p Path) rectangular(b Box) bool {
	for _, v := range p {
		onX := math.Abs(v.X-b.Min.X) < crossTol || math.Abs(v.X-b.Max.X) < crossTol
		onY := math.Abs(v.Y-b.Min.Y) < crossTol || math.Abs(v.Y-b.Max.Y) < crossTol
		if v.Bulge != 0 || !onX || !onY {
			return false
		}
	}
	return true
}

// leaves is where a line from a point within a box goes out of it.
func (b Box) leaves(from Point, heading float64) (Point, bool) {
	dx, dy := math.Cos(heading), math.Sin(heading)
	t := math.Inf(1)
	far := func(d, lo, hi, at float64) {
		switch {
		case d > 1e-9:
			t = math.Min(t, (hi-at)/d)
		case d < -1e-9:
			t = math.Min(t, (lo-at)/d)
		}
	}
	far(dx, b.Min.X, b.Max.X, from.X)
	far(dy, b.Min.Y, b.Max.Y, from.Y)
	if math.IsInf(t, 1) || t <= 0 {
		return Point{}, false
	}
	return Point{X: from.X + t*dx, Y: from.Y + t*dy}, true
}

// arcBetween are points along an arc from a to b of a bulge.
func arcBetween(a, b Point, bulge float64) []Point {
	const steps = 16
	s := sideOf(a, b, bulge)
	start := math.Atan2(a.Y-s.centre.Y, a.X-s.centre.X)
	out := make([]Point, 0, steps+1)
	for k := range steps + 1 {
		at := start + s.angle()*float64(k)/steps
		out = append(out, Point{X: s.centre.X + s.radius*math.Cos(at), Y: s.centre.Y + s.radius*math.Sin(at)})
	}
	return out
}
