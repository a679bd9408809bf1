package outline

import (
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
)

// Vertex is a corner of a path with the bulge of the side that follows it: 0
// for a straight side, else the tangent of a quarter of the arc's angle,
// positive to the left (anticlockwise). Arcs stay arcs.
type Vertex struct {
	Point
	Bulge float64 `json:"bulge,omitempty"`
}

// Path is a closed outline of straight sides and arcs, anticlockwise.
type Path []Vertex

// Outline is a pane with its holes.
type Outline struct {
	Outer Path   `json:"outer"`
	Holes []Path `json:"holes"`
}

// Area of the glass, holes left out, mm².
func (o Outline) Area() float64 {
	a := o.Outer.Area()
	for _, h := range o.Holes {
		a -= h.Area()
	}
	return a
}

// Loops are the outer path and the holes.
func (o Outline) Loops() []Path { return append([]Path{o.Outer}, o.Holes...) }

// Inside says whether a point lies within a path.
func (p Path) Inside(q Point) bool { return within(p.Flatten(crossTol), q) }

func within(pts []Point, q Point) bool {
	in := false
	for i, a := range pts {
		b := pts[(i+1)%len(pts)]
		if (a.Y > q.Y) != (b.Y > q.Y) && q.X < (b.X-a.X)*(q.Y-a.Y)/(b.Y-a.Y)+a.X {
			in = !in
		}
	}
	return in
}

// mostHoles is more than any pane has.
const mostHoles = 500

// Sort makes an outline of closed loops: the largest is the pane, those inside
// it are its holes. A loop beside it is an error.
func Sort(loops []Path) (Outline, error) {
	if len(loops) == 0 {
		return Outline{}, fault.New("outline", "there is no closed outline in it",
			"close the outline: each side ends where the next begins")
	}
	big := 0
	for i, l := range loops {
		if l.Area() > loops[big].Area() {
			big = i
		}
	}
	o := Outline{Outer: loops[big], Holes: []Path{}}
	if len(loops) > mostHoles {
		return o, fault.New("outline", fmt.Sprintf("there are %d closed outlines in it", len(loops)),
			"send one pane at a time")
	}
	pts := o.Outer.Flatten(crossTol)
	for i, l := range loops {
		if i == big {
			continue
		}
		if !within(pts, l[0].Point) {
			return o, fault.New("outline", "there are several outlines side by side", "send one pane at a time")
		}
		o.Holes = append(o.Holes, l)
	}
	return o, nil
}

// Arc is a side that is an arc: its circle and its angles in degrees,
// anticlockwise from Start to End.
type Arc struct {
	Centre     Point
	Radius     float64
	Start, End float64
}

// Side gives the ends of a side and, when it is one, its arc.
func (p Path) Side(i int) (a, b Point, arc *Arc) {
	s := p.side(i)
	if s.bulge == 0 {
		return s.a, s.b, nil
	}
	deg := func(q Point) float64 { return math.Atan2(q.Y-s.centre.Y, q.X-s.centre.X) * 180 / math.Pi }
	arc = &Arc{Centre: s.centre, Radius: s.radius, Start: deg(s.a), End: deg(s.b)}
	if s.bulge < 0 {
		arc.Start, arc.End = arc.End, arc.Start
	}
	return s.a, s.b, arc
}

// mostVertices keeps a hostile outline from taking the shop's afternoon.
const mostVertices = 100_000

// NewPath checks an outline and turns it anticlockwise. It wants three sides,
// or two when one of them is an arc, every number a number, and some area.
func NewPath(v []Vertex) (Path, error) {
	p := Path(v).clean()
	arcs := 0
	for i, c := range p {
		if math.IsNaN(c.X+c.Y+c.Bulge) || math.IsInf(c.X+c.Y+c.Bulge, 0) || math.Abs(c.X) > 1e6 || math.Abs(c.Y) > 1e6 {
			return nil, fault.New("outline", "a corner of the outline is no place", "look at the numbers again")
		}
		if math.Abs(c.Bulge) < 1e-9 {
			p[i].Bulge = 0
		}
		if p[i].Bulge != 0 {
			arcs++
			if r := p.side(i).radius; !(r <= 1e8) || math.Abs(c.Bulge) > 1e4 {
				return nil, fault.New("outline", "an arc of the outline is no arc that can be drawn", "look at the numbers again")
			}
		}
	}
	switch {
	case len(p) > mostVertices:
		return nil, fault.New("outline", fmt.Sprintf("more than %d corners", mostVertices), "draw it with fewer")
	case len(p) < 2 || len(p) == 2 && arcs == 0:
		return nil, fault.New("outline", "an outline has three sides, or two when one is an arc", "add a corner")
	}
	if a := p.signed(); math.Abs(a) < 1e-6 {
		return nil, fault.New("outline", "the outline holds no glass", "look at the corners again")
	} else if a < 0 {
		p = p.reversed()
	}
	return p, nil
}

// same is the distance below which two corners are one, mm.
const same = 1e-7

// clean drops sides without length.
func (p Path) clean() Path {
	out := make(Path, 0, len(p))
	for i, v := range p {
		if v.To(p[(i+1)%len(p)].Point) > same || len(p) == 1 {
			out = append(out, v)
		}
	}
	return out
}

func (p Path) reversed() Path {
	n := len(p)
	out := make(Path, n)
	for i := range p {
		// The side before a corner becomes the side behind it.
		out[n-1-i] = Vertex{p[i].Point, -p[(i-1+n)%n].Bulge}
	}
	return out
}

// side is one side of a path.
type side struct {
	a, b   Point
	bulge  float64
	centre Point   // arcs only
	radius float64 // arcs only
}

func sideOf(a, b Point, bulge float64) side {
	s := side{a: a, b: b, bulge: bulge}
	if bulge == 0 {
		return s
	}
	chord := a.To(b)
	s.radius = chord * (1 + bulge*bulge) / (4 * math.Abs(bulge))
	// The centre lies on the chord's perpendicular, by (1 − b²)/(4b) chords.
	k := (1 - bulge*bulge) / (4 * bulge)
	s.centre = Point{(a.X+b.X)/2 - k*(b.Y-a.Y), (a.Y+b.Y)/2 + k*(b.X-a.X)}
	return s
}

// Moved is the path so far to the right and up, mm.
func (p Path) Moved(right, up float64) Path {
	out := slices.Clone(p)
	for i := range out {
		out[i].X, out[i].Y = out[i].X+right, out[i].Y+up
	}
	return out
}

func (p Path) side(i int) side { return sideOf(p[i].Point, p[(i+1)%len(p)].Point, p[i].Bulge) }

// angle is the arc's angle in radians, signed.
func (s side) angle() float64 { return 4 * math.Atan(s.bulge) }

// length of a side, mm.
func (s side) length() float64 {
	if s.bulge == 0 {
		return s.a.To(s.b)
	}
	return s.radius * math.Abs(s.angle())
}

// signed is the area, positive when anticlockwise: the shoelace sum and the
// segments between chords and arcs.
func (p Path) signed() float64 {
	var sum float64
	for i := range p {
		s := p.side(i)
		sum += (s.a.X*s.b.Y - s.b.X*s.a.Y) / 2
		if s.bulge != 0 {
			t := s.angle()
			sum += s.radius * s.radius * (t - math.Sin(t)) / 2
		}
	}
	return sum
}

// Area in mm².
func (p Path) Area() float64 { return p.signed() }

// Perimeter in mm.
func (p Path) Perimeter() float64 {
	var sum float64
	for i := range p {
		sum += p.side(i).length()
	}
	return sum
}

// Corners from the first, anticlockwise.
func (p Path) Corners() []Point {
	out := make([]Point, len(p))
	for i, v := range p {
		out[i] = v.Point
	}
	return out
}

// Box is the smallest upright box, arcs with their full bulge.
func (p Path) Box() Box {
	b := boxOf(p.Corners())
	for i := range p {
		s := p.side(i)
		if s.bulge == 0 {
			continue
		}
		for _, d := range []Point{{1, 0}, {0, 1}, {-1, 0}, {0, -1}} {
			q := Point{s.centre.X + s.radius*d.X, s.centre.Y + s.radius*d.Y}
			if s.onArc(q) {
				b = boxOf([]Point{b.Min, b.Max, q})
			}
		}
	}
	return b
}

// onArc says whether a point of the arc's circle lies on the arc itself.
func (s side) onArc(q Point) bool {
	from := math.Atan2(s.a.Y-s.centre.Y, s.a.X-s.centre.X)
	to := math.Atan2(q.Y-s.centre.Y, q.X-s.centre.X)
	turn := s.angle()
	d := to - from
	if turn > 0 {
		return mod(d) <= turn+1e-12
	}
	return mod(-d) <= -turn+1e-12
}

// mod brings an angle into 0 … 2π.
func mod(a float64) float64 {
	a = math.Mod(a, 2*math.Pi)
	if a < 0 {
		a += 2 * math.Pi
	}
	return a
}

// mostChords keeps one arc from becoming a million chords.
const mostChords = 20_000

// chords is how many chords an arc needs to stay within tol, mm.
func chords(angle, radius, tol float64) int {
	step := 2 * math.Acos(math.Max(-1, 1-math.Min(tol, radius)/radius))
	n := math.Ceil(math.Abs(angle) / step)
	if !(n < mostChords) {
		return mostChords
	}
	return int(n)
}

// Flatten gives points along the outline with arcs cut into chords that stay
// within tol mm of them.
func (p Path) Flatten(tol float64) []Point {
	var out []Point
	for i := range p {
		s := p.side(i)
		out = append(out, s.a)
		if s.bulge == 0 {
			continue
		}
		n := chords(s.angle(), s.radius, tol)
		from := math.Atan2(s.a.Y-s.centre.Y, s.a.X-s.centre.X)
		for k := 1; k < n; k++ {
			sin, cos := math.Sincos(from + s.angle()*float64(k)/float64(n))
			out = append(out, Point{s.centre.X + s.radius*cos, s.centre.Y + s.radius*sin})
		}
	}
	return out
}
