package outline

import (
	"math"
	"math/rand/v2"
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
