package outline

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"
)

// turned is a path turned about the origin, by degrees, and moved.
func turned(t testing.TB, p Path, degrees, right, up float64) Path {
	t.Helper()
	c, s := math.Cos(degrees*math.Pi/180), math.Sin(degrees*math.Pi/180)
	v := make([]Vertex, len(p))
	for i, q := range p {
		v[i] = Vertex{Point{q.X*c - q.Y*s + right, q.X*s + q.Y*c + up}, q.Bulge}
	}
	out, err := NewPath(v)
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// counted are all kinds, those that count with four.
func counted(t testing.TB) []Kind {
	t.Helper()
	var out []Kind
	for _, k := range Kinds() {
		count := 0
		if k.Counted != "" {
			count = 4
		}
		k, err := KindOf(k.ID, count)
		if err != nil {
			t.Fatal(err)
		}
		out = append(out, k)
	}
	return out
}

// crooked are outlines that nobody would draw: a star of so many corners, at distances and
// with bends that are drawn, always the same. Some are none.
func crooked(n int) []Vertex {
	r := rand.New(rand.NewPCG(uint64(n), 7))
	v := make([]Vertex, 3+n%6)
	for i := range v {
		at := 2 * math.Pi * (float64(i) + 0.5*r.Float64()) / float64(len(v))
		far := 120 + 200*r.Float64()
		v[i] = Vertex{Point{60 + far*math.Cos(at), -40 + far*math.Sin(at)}, []float64{0, 0, 0.3, -0.25, 0.12}[r.IntN(5)]}
	}
	if n%3 == 0 { // the other way round
		for i := range len(v) / 2 {
			v[i], v[len(v)-1-i] = v[len(v)-1-i], v[i]
		}
	}
	return v
}

// told writes what follows from an outline.
func told(b *strings.Builder, p Path) {
	corners := func(p Path) {
		for _, v := range p {
			fmt.Fprintf(b, " %.2f,%.2f)%.4f", v.X+0, v.Y+0, v.Bulge+0)
		}
		fmt.Fprintf(b, "; %.1f %.2f\n", p.Area(), p.Perimeter())
	}
	b.WriteString(" ")
	corners(p)
	box := p.Box()
	fmt.Fprintf(b, "  box %.2f,%.2f to %.2f,%.2f\n", box.Min.X, box.Min.Y, box.Max.X, box.Max.Y)
	for _, d := range []float64{1.5, 9, 35, 90, -4, -25} {
		q, err := p.Offset(d)
		if err != nil {
			fmt.Fprintf(b, "  in by %v: %v\n", d, err)
			continue
		}
		fmt.Fprintf(b, "  in by %v:", d)
		corners(q)
	}
	for i := range p {
		from, to, arc := p.Side(i)
		if arc != nil {
			fmt.Fprintf(b, "  side %d: %.2f,%.2f to %.2f,%.2f %+v\n", i, from.X, from.Y, to.X, to.Y, rounded(*arc))
		}
	}
	inside := ""
	for y := range 9 {
		for x := range 9 {
			q := Point{box.Min.X + box.Width()*(float64(x)+0.37)/9, box.Min.Y + box.Height()*(float64(y)+0.41)/9}
			inside += map[bool]string{true: "#", false: "."}[p.Inside(q)]
		}
	}
	fmt.Fprintf(b, "  inside %s, flat in %d and %d\n", inside, len(p.Flatten(0.05)), len(p.Flatten(2)))
	for _, s := range p.Scores(18) {
		fmt.Fprintf(b, "  %s:", s.Kind)
		for _, q := range []Point{s.Line[0], s.Line[len(s.Line)/2], s.Line[len(s.Line)-1]} {
			fmt.Fprintf(b, " %.2f,%.2f", q.X, q.Y)
		}
		fmt.Fprintf(b, " %d\n", len(s.Line))
	}
	fmt.Fprintf(b, "  %+v %+v\n", p.Cuttable(4), p.Cuttable(30))
	holes := []Path{}
	for i, h := range []struct{ x, y, d float64 }{{0.3, 0.35, 20}, {0.35, 0.42, 3}, {0.7, 0.6, 16}, {0.5, 0.05, 8}, {0.97,
		0.5, 12}} {
		c, err := Circle(h.d)
		if err != nil {
			panic(err)
		}
		if i == 2 {
			if c, err = Pill(30, 9); err != nil {
				panic(err)
			}
		}
		holes = append(holes, c.Moved(box.Min.X+h.x*box.Width(), box.Min.Y+h.y*box.Height()))
	}
	for _, r := range (Outline{Outer: p, Holes: holes}).HoleRules(6) {
		fmt.Fprintf(b, "  %s %d at %.2f,%.2f: %.3f of %.1f, %s\n", r.Rule, r.Hole, r.At.X, r.At.Y, r.Value, r.Limit,
			r.Sentence)
	}
	sorted, err := Sort(append(append([]Path{}, holes[:3]...), p))
	fmt.Fprintf(b, "  sorted: %v, %d holes, %.1f\n", err, len(sorted.Holes), sorted.Area())
}

func rounded(a Arc) Arc {
	r := func(v float64) float64 { return math.Round(v*100)/100 + 0 }
	a.Centre.X, a.Centre.Y, a.Radius, a.Start, a.End = r(a.Centre.X), r(a.Centre.Y), r(a.Radius), r(a.Start), r(a.End)
	return a
}

// A shape that is turned and moved is the same shape: as large, as long round, set in as far, with
// the same inside and as easy to cut. So is one that was drawn by chance.
func TestTurnedShapesAreTheSame(t *testing.T) {
	var all []Path
	for _, k := range counted(t) {
		_, p := k.Assume(nil)
		all = append(all, p)
	}
	for n := range 24 {
		if p, err := NewPath(crooked(n)); err == nil {
			all = append(all, p)
		}
	}
	near := func(a, b float64) bool { return math.Abs(a-b) <= 1e-6*math.Max(1, math.Abs(a)) }
	for i, p := range all {
		angle := 17 + float64(i)*29
		q := turned(t, p, angle, 37, -120)
		if !near(p.Area(), q.Area()) || !near(p.Perimeter(), q.Perimeter()) {
			t.Errorf("shape %d turned by %v: %v mm² for %v, %v mm round for %v", i, angle, q.Area(), p.Area(), q.Perimeter(),
				p.Perimeter())
		}
		for _, d := range []float64{1.5, 9, 35, 90, -4, -25} {
			in, err := p.Offset(d)
			other, err2 := q.Offset(d)
			switch {
			case (err == nil) != (err2 == nil):
				t.Errorf("shape %d set in by %v: %v, turned %v", i, d, err, err2)
			case err == nil && (!near(in.Area(), other.Area()) || !near(in.Perimeter(), other.Perimeter())):
				t.Errorf("shape %d set in by %v: %v mm², turned %v", i, d, in.Area(), other.Area())
			}
		}
		box := p.Box()
		sin, cos := math.Sincos(angle * math.Pi / 180)
		for n := range 81 {
			at := Point{box.Min.X + box.Width()*(float64(n%9)+0.37)/9, box.Min.Y + box.Height()*(float64(n/9)+0.41)/9}
			there := Point{at.X*cos - at.Y*sin + 37, at.X*sin + at.Y*cos - 120}
			if p.Inside(at) != q.Inside(there) {
				t.Errorf("shape %d: %v lies inside %v, turned %v", i, at, p.Inside(at), q.Inside(there))
			}
		}
		for _, thick := range []float64{4} {
			if a, b := p.Cuttable(thick), q.Cuttable(thick); a.Hand != b.Hand || a.Sentence != b.Sentence {
				t.Errorf("shape %d: %+v, turned %+v", i, a, b)
			}
		}
	}
}
