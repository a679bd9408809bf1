package outline

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
)

// Offset moves every side of a path inwards by d mm (outwards when d is
// negative): a true offset, not a scaling. Straight sides stay straight and
// arcs keep their centres. Sides that vanish on the way are dropped and their
// neighbours meet; sharp corners stay sharp. It is an error when no single
// outline is left.
func (p Path) Offset(d float64) (Path, error) {
	gone := func() (Path, error) {
		b := p.Box()
		return nil, fault.New("offset", fmt.Sprintf("moving the sides by %g mm leaves no single outline", d),
			fmt.Sprintf("the outline is %.1f × %.1f mm; try less", b.Width(), b.Height()))
	}
	if d == 0 {
		return append(Path(nil), p...), nil
	}
	sides := make([]side, 0, len(p))
	for i := range p {
		s, ok := p.side(i).moved(d)
		if !ok {
			continue
		}
		sides = append(sides, s)
	}
	for len(sides) >= 2 {
		joined, flipped := join(sides)
		if flipped < 0 {
			out := make(Path, len(joined))
			for i, s := range joined {
				out[i] = Vertex{s.a, s.bulge}
			}
			out = out.clean()
			if len(out) < 2 || out.signed() <= 1e-9 || d > 0 && p.nearer(out.probes(), d) || out.crosses() {
				return gone()
			}
			return out, nil
		}
		sides = append(sides[:flipped], sides[flipped+1:]...)
	}
	return gone()
}

// moved shifts one side to its left by d. An arc that shrinks through its
// centre is gone.
func (s side) moved(d float64) (side, bool) {
	if s.bulge == 0 {
		l := s.a.To(s.b)
		nx, ny := -(s.b.Y-s.a.Y)/l*d, (s.b.X-s.a.X)/l*d
		return side{a: Point{s.a.X + nx, s.a.Y + ny}, b: Point{s.b.X + nx, s.b.Y + ny}}, true
	}
	r := s.radius - d
	if s.bulge < 0 {
		r = s.radius + d
	}
	if r <= same {
		return side{}, false
	}
	k := r / s.radius
	at := func(q Point) Point { return Point{s.centre.X + (q.X-s.centre.X)*k, s.centre.Y + (q.Y-s.centre.Y)*k} }
	return side{a: at(s.a), b: at(s.b), bulge: s.bulge, centre: s.centre, radius: r}, true
}

// join lets neighbouring sides meet and tells the first side that then runs
// backwards, −1 when none does.
func join(sides []side) ([]side, int) {
	n := len(sides)
	out := append([]side(nil), sides...)
	for i := range sides {
		k := (i + 1) % n
		m := meet(sides[i], sides[k])
		out[i].b, out[k].a = m, m
	}
	worst, most := -1, 0.0
	for i, s := range out {
		if back := s.backwards(sides[i]); back > most {
			worst, most = i, back
		}
		out[i] = s.rebulged()
	}
	return out, worst
}

// backwards is how far a trimmed side runs against its former direction, mm; 0
// when it runs with it.
func (s side) backwards(was side) float64 {
	if was.bulge == 0 {
		along := (s.b.X-s.a.X)*(was.b.X-was.a.X) + (s.b.Y-s.a.Y)*(was.b.Y-was.a.Y)
		if along < 0 {
			return s.a.To(s.b)
		}
		return 0
	}
	// An arc that turned inside out: its new ends are more than a half turn
	// the other way from where they were.
	turn := s.sweep()
	old := math.Abs(was.angle())
	if turn > old && turn-old > math.Pi {
		return s.radius * (2*math.Pi - turn)
	}
	return 0
}

// sweep is the angle from a to b in the arc's own direction, 0 … 2π.
func (s side) sweep() float64 {
	from := math.Atan2(s.a.Y-s.centre.Y, s.a.X-s.centre.X)
	to := math.Atan2(s.b.Y-s.centre.Y, s.b.X-s.centre.X)
	if s.bulge > 0 {
		return mod(to - from)
	}
	return mod(from - to)
}

// rebulged works the bulge out again after trimming.
func (s side) rebulged() side {
	if s.bulge == 0 {
		return s
	}
	b := math.Tan(s.sweep() / 4)
	if s.bulge < 0 {
		b = -b
	}
	s.bulge = b
	return s
}

// meet is where two neighbouring sides meet once both are carried on: of the
// places where their lines or circles cross, the one nearest to where they
// were; where they do not cross, the middle between their ends.
func meet(s, t side) Point {
	mid := Point{(s.b.X + t.a.X) / 2, (s.b.Y + t.a.Y) / 2}
	if s.b.To(t.a) <= same {
		return mid
	}
	best, found := mid, false
	for _, q := range crossings(s, t) {
		if !found || q.To(mid) < best.To(mid) {
			best, found = q, true
		}
	}
	return best
}

// crossings of two sides, lines taken as endless and arcs as circles.
func crossings(s, t side) []Point {
	switch {
	case s.bulge == 0 && t.bulge == 0:
		return lineLine(s, t)
	case s.bulge == 0:
		return lineCircle(s, t)
	case t.bulge == 0:
		return lineCircle(t, s)
	}
	return circleCircle(s, t)
}

func lineLine(s, t side) []Point {
	dx, dy := s.b.X-s.a.X, s.b.Y-s.a.Y
	ex, ey := t.b.X-t.a.X, t.b.Y-t.a.Y
	det := dx*ey - dy*ex
	if math.Abs(det) < 1e-12*math.Hypot(dx, dy)*math.Hypot(ex, ey) {
		return nil
	}
	u := ((t.a.X-s.a.X)*ey - (t.a.Y-s.a.Y)*ex) / det
	return []Point{{s.a.X + u*dx, s.a.Y + u*dy}}
}

func lineCircle(l, c side) []Point {
	d := l.a.To(l.b)
	ux, uy := (l.b.X-l.a.X)/d, (l.b.Y-l.a.Y)/d
	along := (c.centre.X-l.a.X)*ux + (c.centre.Y-l.a.Y)*uy
	foot := Point{l.a.X + along*ux, l.a.Y + along*uy}
	h := foot.To(c.centre)
	if h > c.radius+same {
		return nil
	}
	k := math.Sqrt(math.Max(0, c.radius*c.radius-h*h))
	return []Point{{foot.X + k*ux, foot.Y + k*uy}, {foot.X - k*ux, foot.Y - k*uy}}
}

func circleCircle(s, t side) []Point {
	d := s.centre.To(t.centre)
	if d < same || d > s.radius+t.radius+same || d < math.Abs(s.radius-t.radius)-same {
		return nil
	}
	along := (d*d + s.radius*s.radius - t.radius*t.radius) / (2 * d)
	k := math.Sqrt(math.Max(0, s.radius*s.radius-along*along))
	ux, uy := (t.centre.X-s.centre.X)/d, (t.centre.Y-s.centre.Y)/d
	foot := Point{s.centre.X + along*ux, s.centre.Y + along*uy}
	return []Point{{foot.X - k*uy, foot.Y + k*ux}, {foot.X + k*uy, foot.Y - k*ux}}
}

// crossTol is how finely arcs are cut into chords to look for crossings, mm.
const crossTol = 0.05

// crosses says whether a path crosses itself. Chords are swept from left to
// right, so that only those that overlap are compared.
func (p Path) crosses() bool {
	pts := p.Flatten(crossTol)
	n := len(pts)
	type chord struct {
		a, b     Point
		at       int
		min, max float64
	}
	cs := make([]chord, n)
	for i, a := range pts {
		b := pts[(i+1)%n]
		cs[i] = chord{a, b, i, math.Min(a.X, b.X), math.Max(a.X, b.X)}
	}
	slices.SortFunc(cs, func(a, b chord) int { return cmp.Compare(a.min, b.min) })
	for i, c := range cs {
		for _, d := range cs[i+1:] {
			if d.min > c.max {
				break
			}
			gap := d.at - c.at
			if gap < 0 {
				gap = -gap
			}
			if gap <= 1 || gap == n-1 {
				continue
			}
			if apart(c.a, c.b, d.a, d.b) && apart(d.a, d.b, c.a, c.b) {
				return true
			}
		}
	}
	return false
}

// apart says whether p and q lie on different sides of the line through a, b.
func apart(a, b, p, q Point) bool {
	s := (b.X-a.X)*(p.Y-a.Y) - (b.Y-a.Y)*(p.X-a.X)
	t := (b.X-a.X)*(q.Y-a.Y) - (b.Y-a.Y)*(q.X-a.X)
	return s > 1e-9 && t < -1e-9 || s < -1e-9 && t > 1e-9
}

// probes are the corners of a path and the middles of its sides.
func (p Path) probes() []Point {
	out := make([]Point, 0, 2*len(p))
	for i := range p {
		s := p.side(i)
		m := Point{(s.a.X + s.b.X) / 2, (s.a.Y + s.b.Y) / 2}
		if s.bulge != 0 {
			// The middle of an arc lies its sagitta to the right of the chord.
			k := s.bulge / 2
			m = Point{m.X + k*(s.b.Y-s.a.Y), m.Y - k*(s.b.X-s.a.X)}
		}
		out = append(out, s.a, m)
	}
	return out
}

// nearer says whether one of the points lies nearer than d to a side of the
// path. Sides are kept in upright strips, so that a point looks at its own
// neighbourhood only.
func (p Path) nearer(points []Point, d float64) bool {
	box := p.Box()
	n := max(1, len(p)/4)
	wide := math.Max(box.Width()/float64(n), same)
	strip := func(x float64) int { return max(0, min(n-1, int((x-box.Min.X)/wide))) }
	strips := make([][]side, n)
	for i := range p {
		s := p.side(i)
		lo, hi := math.Min(s.a.X, s.b.X), math.Max(s.a.X, s.b.X)
		if s.bulge != 0 {
			lo, hi = lo-s.radius, hi+s.radius
		}
		for k := strip(lo); k <= strip(hi); k++ {
			strips[k] = append(strips[k], s)
		}
	}
	const slack = 1e-6
	for _, q := range points {
		for k := strip(q.X - d); k <= strip(q.X+d); k++ {
			for _, s := range strips[k] {
				if s.bulge == 0 && (q.Y < min(s.a.Y, s.b.Y)-d || q.Y > max(s.a.Y, s.b.Y)+d) {
					continue
				}
				if s.distance(q) < d-slack {
					return true
				}
			}
		}
	}
	return false
}

// distance from a point to a side, mm.
func (s side) distance(q Point) float64 {
	if s.bulge != 0 {
		if s.onArc(q) {
			return math.Abs(s.centre.To(q) - s.radius)
		}
		return math.Min(s.a.To(q), s.b.To(q))
	}
	l := s.a.To(s.b)
	t := ((q.X-s.a.X)*(s.b.X-s.a.X) + (q.Y-s.a.Y)*(s.b.Y-s.a.Y)) / (l * l)
	t = math.Max(0, math.Min(1, t))
	return Point{s.a.X + t*(s.b.X-s.a.X), s.a.Y + t*(s.b.Y-s.a.Y)}.To(q)
}
