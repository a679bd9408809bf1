package outline

import (
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
)

// Measure is one dimension of a shape: one that makes it, or one that checks it.
type Measure struct {
	Key  string `json:"key"`
	Name string `json:"name"`
	How  string `json:"how" doc:"Where the tape goes"`
}

// Kind is a shape that is made from a few measures, in the order in which a
// person walks round it. A check is not needed: the rest predicts it, and the
// misfit shows a wrong reading.
type Kind struct {
	ID       string    `json:"kind"`
	Name     string    `json:"name"`
	Measures []Measure `json:"measures"`
	Checks   []Measure `json:"checks"`
	Counted  string    `json:"counted,omitempty" doc:"What a number is given for: stations or points; empty for none"`
	typical  Values
	build    func(Values) (Path, error)
	lines    func(Values, Path) map[string]Line
}

// Values are the measures of a shape by their keys, in mm.
type Values map[string]float64

// Line is where a measure lies on the shape. Its length is the measure.
type Line [2]Point

// Length in mm.
func (l Line) Length() float64 { return l[0].To(l[1]) }

// Make builds the shape. A fault names the measure.
func (k Kind) Make(m Values) (Path, error) {
	for _, x := range k.Measures {
		if v, ok := m[x.Key]; !ok {
			return nil, fault.New(x.Key, "the "+x.Name+" is missing", "measure it")
		} else if math.IsNaN(v) || math.IsInf(v, 0) || v < 0 {
			return nil, fault.New(x.Key, "a measure is more than nothing", "measure it again")
		}
	}
	return k.build(m)
}

// Assume makes the shape from what is known, with the rest as it usually is:
// something to point at while it is measured. What is known is left out where
// no such shape can be.
func (k Kind) Assume(known Values) (Values, Path) {
	m := k.typical
	for key, v := range known {
		m = m.with(key, v-m[key])
	}
	if p, err := k.Make(m); err == nil {
		return m, p
	}
	p, _ := k.Make(k.typical)
	return k.typical, p
}

// Lines are where measures and checks lie on the shape that the values make.
func (k Kind) Lines(m Values, p Path) map[string]Line { return k.lines(m, p) }

// Predict is what a check should read, and how far the doubts of the measures
// let it be off (all at their bad ends), in mm.
func (k Kind) Predict(check string, m, doubt Values) (value, off float64, err error) {
	at := func(v Values) (float64, error) {
		p, err := k.Make(v)
		if err != nil {
			return 0, err
		}
		l, ok := k.lines(v, p)[check]
		if !ok {
			return 0, fault.New(check, "the shape has no such check", "choose one of the list")
		}
		return l.Length(), nil
	}
	if value, err = at(m); err != nil {
		return 0, 0, err
	}
	for _, x := range k.Measures {
		if moved, err := at(m.with(x.Key, doubt[x.Key])); err == nil {
			off += math.Abs(moved - value)
		}
	}
	return value, off, nil
}

// Doubt is how far a side of the shape may lie from where it is drawn, with
// all measures at their bad ends and the shape moved to fit best, in mm.
func (k Kind) Doubt(m, doubt Values) float64 {
	p, err := k.Make(m)
	if err != nil {
		return 0
	}
	off := make([]float64, len(p))
	most := 0.0
	for _, x := range k.Measures {
		most = math.Max(most, doubt[x.Key])
		q, err := k.Make(m.with(x.Key, doubt[x.Key]))
		if err != nil { // at the end of what the shape can be: try the other way
			q, err = k.Make(m.with(x.Key, -doubt[x.Key]))
		}
		if err != nil || len(q) != len(p) {
			continue
		}
		shift := p.shift(q)
		for i := range p {
			off[i] += math.Abs(p.apart(q, i, shift))
		}
	}
	worst := 0.0
	for _, d := range off {
		worst = math.Max(worst, d)
	}
	if worst == 0 {
		return most / 2
	}
	return worst
}

func (v Values) with(key string, more float64) Values {
	out := make(Values, len(v))
	for k, x := range v {
		out[k] = x
	}
	out[key] += more
	return out
}

// shift is how far the middle of the corners' polygon moves from p to q. The
// middle of the area and not of the box: it moves evenly with every measure.
func (p Path) shift(q Path) Point {
	a, b := centroid(p.Corners()), centroid(q.Corners())
	return Point{b.X - a.X, b.Y - a.Y}
}

// centroid is the middle of a polygon's area; of its corners when it has none.
func centroid(c []Point) Point {
	var m, mean Point
	var area float64
	for i, a := range c {
		b := c[(i+1)%len(c)]
		k := a.X*b.Y - b.X*a.Y
		area += k / 2
		m.X, m.Y = m.X+(a.X+b.X)*k/6, m.Y+(a.Y+b.Y)*k/6
		mean.X, mean.Y = mean.X+a.X/float64(len(c)), mean.Y+a.Y/float64(len(c))
	}
	if math.Abs(area) < 1 {
		return mean
	}
	return Point{m.X / area, m.Y / area}
}

// apart is how far the middle of side i moves across itself.
func (p Path) apart(q Path, i int, shift Point) float64 {
	s, t := p.side(i), q.side(i)
	m, n := s.middle(), t.middle()
	h := math.Atan2(s.b.Y-s.a.Y, s.b.X-s.a.X)
	return -(n.X-m.X-shift.X)*math.Sin(h) + (n.Y-m.Y-shift.Y)*math.Cos(h)
}

// middle is the point half way along a side.
func (s side) middle() Point {
	m := Point{(s.a.X + s.b.X) / 2, (s.a.Y + s.b.Y) / 2}
	if s.bulge == 0 {
		return m
	}
	// The sagitta stands to the right of a side that turns left.
	l := s.a.To(s.b)
	k := s.bulge / 2 * l
	return Point{m.X + (s.b.Y-s.a.Y)/l*k, m.Y - (s.b.X-s.a.X)/l*k}
}

// Counts that a shape by ordinates or by points can have. Common practice, no
// source.
const (
	countLeast = 3
	countMost  = 24
	countUsual = 6
)

// KindOf finds a shape. count is the number of spaces between ordinates or of
// points; 0 takes the usual, and other shapes do not look at it.
func KindOf(id string, count int) (Kind, error) {
	if count == 0 {
		count = countUsual
	}
	if id == Ordinates || id == Points || id == Smooth {
		if count < countLeast || count > countMost {
			return Kind{}, fault.New("count", fmt.Sprintf("%d is no number of stations or points that can be walked", count),
				fmt.Sprintf("from %d to %d", countLeast, countMost))
		}
		if id == Ordinates {
			return ordinates(count), nil
		}
		return points(count, id), nil
	}
	for _, k := range fixedKinds {
		if k.ID == id {
			return k, nil
		}
	}
	return Kind{}, fault.New("kind", fmt.Sprintf("no shape is called %q", id), "choose one of the list")
}

// Kinds lists the shapes, those with a count at their usual one.
func Kinds() []Kind {
	return append(slices.Clone(fixedKinds), ordinates(countUsual), points(countUsual, Points), points(countUsual, Smooth))
}

// Dimensions are the measures that make a path of this kind again, such as the
// pane that was offset from its opening. Kinds whose offset is of another kind,
// such as an ellipse's, give the box alone.
func (k Kind) Dimensions(p Path) []Dimension {
	b := p.Box()
	box := []Dimension{{"width", "width", b.Width()}, {"height", "height", b.Height()}}
	switch k.ID {
	case "rounded":
		return append(box, Dimension{"radius", "corner radius", p.arcRadius()})
	case "cut":
		return append(box, Dimension{"cut", "cut along each side", p.cutLength(b)})
	case "circle":
		return []Dimension{{"diameter", "diameter", b.Width()}}
	case "round-top", "pointed":
		spring := p.springing(b)
		return append(box, Dimension{"spring", "height to the springing", spring},
			Dimension{"rise", "rise above it", b.Height() - spring})
	case "notch":
		if len(p) == 8 {
			return append(box, Dimension{"notch_from", "notch, from the left", p[6].X - b.Min.X},
				Dimension{"notch_width", "notch, width", p[3].X - p[6].X}, Dimension{"notch_depth", "notch, depth",
					p[3].Y - p[4].Y})
		}
	case "triangle", "raked", Points:
		out := box
		for i := range p {
			out = append(out, Dimension{fmt.Sprintf("side_%d", i+1), fmt.Sprintf("side %d", i+1), p.side(i).length()})
		}
		return out
	}
	return box
}

// Dimension is a measure of a finished shape, mm.
type Dimension struct {
	Key   string  `json:"key"`
	Name  string  `json:"name"`
	Value float64 `json:"value"`
}

// arcRadius is the radius of the first arc, 0 when there is none.
func (p Path) arcRadius() float64 {
	for i := range p {
		if s := p.side(i); s.bulge != 0 {
			return s.radius
		}
	}
	return 0
}

// cutLength is how much of each side a cut corner takes.
func (p Path) cutLength(b Box) float64 {
	for i := range p {
		s := p.side(i)
		if dx, dy := math.Abs(s.b.X-s.a.X), math.Abs(s.b.Y-s.a.Y); dx > same && dy > same {
			return dx
		}
	}
	return 0
}

// springing is how high above the bottom the arcs begin.
func (p Path) springing(b Box) float64 {
	low := b.Max.Y
	for i := range p {
		if s := p.side(i); s.bulge != 0 {
			low = math.Min(low, math.Min(s.a.Y, s.b.Y))
		}
	}
	return low - b.Min.Y
}
