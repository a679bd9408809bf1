package outline

import (
	"fmt"
	"math"

	"freshshard/core/fault"
)

// quarter is the bulge of a quarter circle: tan(22.5°).
var quarter = math.Tan(math.Pi / 8)

func positive(fields ...any) error {
	for i := 0; i+1 < len(fields); i += 2 {
		if v := fields[i+1].(float64); !(v > 0) || math.IsInf(v, 0) {
			return fault.New(fields[i].(string), "a measure is more than nothing", "measure it again")
		}
	}
	return nil
}

// RoundedRect is w × h with corners rounded to the radius r.
func RoundedRect(w, h, r float64) (Path, error) { return corneredRect(w, h, r, quarter, "radius") }

// CutRect is w × h with corners cut off at 45°, c along each side.
func CutRect(w, h, c float64) (Path, error) { return corneredRect(w, h, c, 0, "cut") }

func corneredRect(w, h, r, bulge float64, field string) (Path, error) {
	if err := positive("width", w, "height", h); err != nil {
		return nil, err
	}
	if !(r >= 0) || 2*r > math.Min(w, h) {
		return nil, fault.New(field, "the corners meet before the sides do", "it is at most half the shorter side")
	}
	if r == 0 {
		return NewPath([]Vertex{{Point{0, 0}, 0}, {Point{w, 0}, 0}, {Point{w, h}, 0}, {Point{0, h}, 0}})
	}
	return NewPath([]Vertex{{Point{r, 0}, 0}, {Point{w - r, 0}, bulge}, {Point{w, r}, 0}, {Point{w, h - r}, bulge},
		{Point{w - r, h}, 0}, {Point{r, h}, bulge}, {Point{0, h - r}, 0}, {Point{0, r}, bulge}})
}

// NotchedRect is w × h with a notch in its top: from the left side, along the
// top and down, mm. A notch at a corner begins at 0 or ends at the other side.
func NotchedRect(w, h, from, along, down float64) (Path, error) {
	if err := positive("width", w, "height", h, "notch_width", along, "notch_depth", down); err != nil {
		return nil, err
	}
	switch {
	case !(from >= 0) || from+along > w:
		return nil, fault.New("notch_width", "the notch reaches beyond the side",
			fmt.Sprintf("from the left it ends at %.1f of %.1f mm", from+along, w))
	case down >= h:
		return nil, fault.New("notch_depth", "the notch goes through the pane", "it is less than the height")
	case along >= w:
		return nil, fault.New("notch_width", "the notch takes the whole top", "lower the height instead")
	}
	v := []Vertex{{Point: Point{0, 0}}, {Point: Point{w, 0}}, {Point: Point{w, h}}, {Point: Point{from + along, h}},
		{Point: Point{from + along, h - down}}, {Point: Point{from, h - down}}, {Point: Point{from, h}}, {Point: Point{0, h}}}
	if from == 0 {
		v = append(v[:5], Vertex{Point: Point{0, h - down}})
	} else if from+along == w {
		v = []Vertex{{Point: Point{0, 0}}, {Point: Point{w, 0}}, {Point: Point{w, h - down}}, {Point: Point{from, h - down}},
			{Point: Point{from, h}}, {Point: Point{0, h}}}
	}
	return NewPath(v)
}

// Triangle has the three sides; the first lies along the bottom.
func Triangle(bottom, right, left float64) (Path, error) {
	if err := positive("bottom", bottom, "right", right, "left", left); err != nil {
		return nil, err
	}
	if bottom >= right+left || right >= bottom+left || left >= bottom+right {
		return nil, fault.New("bottom", "three such sides do not meet", "the longest is shorter than the other two together")
	}
	// Law of cosines at the lower left.
	cos := (bottom*bottom + left*left - right*right) / (2 * bottom * left)
	return NewPath([]Vertex{{Point{0, 0}, 0}, {Point{bottom, 0}, 0}, {Point{left * cos, left * math.Sqrt(1-cos*cos)}, 0}})
}

// Circle of a diameter.
func Circle(d float64) (Path, error) {
	if err := positive("diameter", d); err != nil {
		return nil, err
	}
	r := d / 2
	return NewPath([]Vertex{{Point{0, r}, 1}, {Point{d, r}, 1}})
}

// Pill is w × h with the two shorter ends half round.
func Pill(w, h float64) (Path, error) {
	if w == h {
		return Circle(w)
	}
	return RoundedRect(w, h, math.Min(w, h)/2)
}

// RoundTop is w wide, straight to the height spring, and rounded above it by
// the rise: a half round when the rise is half the width, a segment when it is
// less. The arc's radius is ((w/2)² + rise²)/(2·rise).
func RoundTop(w, spring, rise float64) (Path, error) {
	if err := positive("width", w, "rise", rise); err != nil {
		return nil, err
	}
	switch {
	case !(spring >= 0):
		return nil, fault.New("spring", "the straight part cannot be less than nothing", "0 when it starts at the bottom")
	case rise > w/2:
		return nil, fault.New("rise", "a round top rises by half its width at most", "a pointed arch rises more")
	}
	top := Vertex{Point{w, spring}, 2 * rise / w} // bulge = 2·rise / chord
	if spring == 0 {
		return NewPath([]Vertex{{Point{0, 0}, 0}, top})
	}
	return NewPath([]Vertex{{Point{0, 0}, 0}, {Point{w, 0}, 0}, top, {Point{0, spring}, 0}})
}

// PointedTop is w wide, straight to the height spring, with two arcs that meet
// in a point, rise above the springing. Each arc is tangent to its side, so its
// radius is ((w/2)² + rise²)/w.
func PointedTop(w, spring, rise float64) (Path, error) {
	if err := positive("width", w, "spring", spring, "rise", rise); err != nil {
		return nil, err
	}
	if rise <= w/2 {
		return nil, fault.New("rise", "a pointed arch rises by more than half its width", "a round top rises less")
	}
	radius := ((w/2)*(w/2) + rise*rise) / w
	b := math.Tan(math.Asin(rise/radius) / 4)
	if radius < w { // the centres lie inside: the arc turns past its springing
		b = math.Tan(math.Atan2(rise, w/2-(w-radius)) / 4)
	}
	return NewPath([]Vertex{{Point{0, 0}, 0}, {Point{w, 0}, 0}, {Point{w, spring}, b}, {Point{w / 2, spring + rise}, b},
		{Point{0, spring}, 0}})
}

// ellipseArcs is how many arcs stand for an ellipse: within a hundredth of a
// millimetre of it up to a metre long and three times as long as high.
const ellipseArcs = 128

// Ellipse is w × h, drawn with many arcs.
func Ellipse(w, h float64) (Path, error) {
	if err := positive("width", w, "height", h); err != nil {
		return nil, err
	}
	a, b := w/2, h/2
	at := func(t float64) Point { return Point{a + a*math.Cos(t), b + b*math.Sin(t)} }
	v := make([]Vertex, ellipseArcs)
	for i := range v {
		t0, t1 := 2*math.Pi*float64(i)/ellipseArcs, 2*math.Pi*float64(i+1)/ellipseArcs
		v[i] = Vertex{at(t0), BulgeThrough(at(t0), at((t0+t1)/2), at(t1))}
	}
	return NewPath(v)
}

// BulgeThrough is the bulge of the arc from a to b through m; 0 when the three
// lie on a line.
func BulgeThrough(a, m, b Point) float64 {
	chord := a.To(b)
	if chord == 0 {
		return 0
	}
	// Sagitta of the arc through three points by its circle; a shallow one is
	// the distance of m from the chord, to the left negative.
	cross := (b.X-a.X)*(m.Y-a.Y) - (b.Y-a.Y)*(m.X-a.X)
	h := -cross / chord
	along := ((m.X-a.X)*(b.X-a.X) + (m.Y-a.Y)*(b.Y-a.Y)) / chord
	half := chord / 2
	off := along - half
	if math.Abs(h) < 1e-12 {
		return 0
	}
	// Circle through a, b, m in the chord's frame: centre at height k.
	k := (off*off + h*h - half*half) / (2 * h)
	radius := math.Hypot(half, k)
	sagitta := k + radius
	if h < 0 {
		sagitta = k - radius
	}
	return 2 * sagitta / chord
}

// ChordRadius is the radius of an arc from its chord and rise:
// ((c/2)² + h²)/(2h). c = 1000, h = 50 gives 2525.
func ChordRadius(chord, rise float64) (float64, error) {
	if err := positive("chord", chord, "rise", rise); err != nil {
		return 0, err
	}
	return (chord*chord/4 + rise*rise) / (2 * rise), nil
}

// Trilaterate finds the place that lies at two tape readings from two fixed
// points, on the left of the line from the first to the second. All mm.
func Trilaterate(p, q Point, fromP, fromQ float64) (Point, error) {
	if err := positive("first", fromP, "second", fromQ); err != nil {
		return Point{}, err
	}
	d := p.To(q)
	if d == 0 || fromP+fromQ < d || math.Abs(fromP-fromQ) > d {
		return Point{}, fault.New("second", "the two tapes do not meet", "read both again")
	}
	along := (d*d + fromP*fromP - fromQ*fromQ) / (2 * d)
	up := math.Sqrt(math.Max(0, fromP*fromP-along*along))
	ux, uy := (q.X-p.X)/d, (q.Y-p.Y)/d
	return Point{p.X + along*ux - up*uy, p.Y + along*uy + up*ux}, nil
}
