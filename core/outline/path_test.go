package outline

import (
	"math"
	"math/rand/v2"
	"testing"

	"freshshard/core/fault"
)

func must(t testing.TB) func(Path, error) Path {
	return func(p Path, err error) Path {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
		return p
	}
}

// Areas, perimeters and boxes against closed forms.
func TestShapesAgainstClosedForms(t *testing.T) {
	ok := must(t)
	// Ramanujan's second approximation for the ellipse's perimeter, 300 × 200.
	a, b := 150.0, 100.0
	hh := (a - b) * (a - b) / ((a + b) * (a + b))
	round := math.Pi * (a + b) * (1 + 3*hh/(10+math.Sqrt(4-3*hh)))
	r := 2525.0 // chord 1000, rise 50
	theta := 2 * math.Asin(500/r)
	for _, c := range []struct {
		name         string
		p            Path
		area, length float64
		w, h         float64
		tol          float64
	}{
		{"rectangle", ok(RoundedRect(300, 200, 0)), 60000, 1000, 300, 200, 1e-9},
		{"rounded", ok(RoundedRect(300, 200, 20)), 60000 - (4-math.Pi)*400, 1000 - 8*20 + 2*math.Pi*20, 300, 200, 1e-6},
		{"cut", ok(CutRect(300, 200, 20)), 60000 - 2*400, 1000 - 8*20 + 4*20*math.Sqrt2, 300, 200, 1e-6},
		{"circle", ok(Circle(250)), math.Pi * 125 * 125, math.Pi * 250, 250, 250, 1e-6},
		{"pill", ok(Pill(300, 100)), 200*100 + math.Pi*2500, 400 + math.Pi*100, 300, 100, 1e-6},
		{"upright pill", ok(Pill(100, 300)), 200*100 + math.Pi*2500, 400 + math.Pi*100, 100, 300, 1e-6},
		{"round pill", ok(Pill(100, 100)), math.Pi * 2500, math.Pi * 100, 100, 100, 1e-6},
		{"3-4-5", ok(Triangle(400, 500, 300)), 60000, 1200, 400, 300, 1e-6},
		{"half round top", ok(RoundTop(200, 300, 100)), 60000 + math.Pi*5000, 200 + 600 + math.Pi*100, 200, 400, 1e-6},
		{"half round", ok(RoundTop(200, 0, 100)), math.Pi * 5000, 200 + math.Pi*100, 200, 100, 1e-6},
		{"segment top", ok(RoundTop(1000, 400, 50)), 400000 + r*r*(theta-math.Sin(theta))/2, 1000 + 800 + r*theta, 1000, 450,
			1e-6},
		{"equilateral arch", ok(PointedTop(200, 300, 100*math.Sqrt(3))), 60000 + 200*200*(math.Pi/3-math.Sqrt(3)/4),
			200 + 600 + 2*200*math.Pi/3, 200, 300 + 100*math.Sqrt(3), 1e-6},
		{"ellipse", ok(Ellipse(300, 200)), math.Pi * a * b, round, 300, 200, 0.02},
	} {
		if !near(c.p.Area(), c.area, c.tol*100) || !near(c.p.Perimeter(), c.length, c.tol) {
			t.Errorf("%s: area %v, want %v; perimeter %v, want %v", c.name, c.p.Area(), c.area, c.p.Perimeter(), c.length)
		}
		if box := c.p.Box(); !near(box.Width(), c.w, c.tol) || !near(box.Height(), c.h, c.tol) {
			t.Errorf("%s: box %v × %v, want %v × %v", c.name, box.Width(), box.Height(), c.w, c.h)
		}
	}
}

// An inset of d: area A − P·d + k·d² with k from the corners; arcs keep their
// centres and lose radius.
func TestOffsetAgainstClosedForms(t *testing.T) {
	ok := must(t)
	inset := func(p Path, d float64) Path { t.Helper(); return ok(p.Offset(d)) }
	for _, c := range []struct {
		name string
		p    Path
		want Path
	}{
		{"rectangle", inset(ok(RoundedRect(300, 200, 0)), 10), ok(RoundedRect(280, 180, 0))},
		{"rectangle outwards", inset(ok(RoundedRect(300, 200, 0)), -10), ok(RoundedRect(320, 220, 0))},
		{"rounded keeps its centres", inset(ok(RoundedRect(300, 200, 20)), 5), ok(RoundedRect(290, 190, 15))},
		{"radius used up", inset(ok(RoundedRect(300, 200, 20)), 25), ok(RoundedRect(250, 150, 0))},
		{"rounded outwards", inset(ok(RoundedRect(300, 200, 20)), -5), ok(RoundedRect(310, 210, 25))},
		{"circle", inset(ok(Circle(250)), 20), ok(Circle(210))},
		{"half round top", inset(ok(RoundTop(200, 300, 100)), 10), ok(RoundTop(180, 290, 90))},
		{"pill", inset(ok(Pill(300, 100)), 10), ok(Pill(280, 80))},
	} {
		if !near(c.p.Area(), c.want.Area(), 1e-6) || !near(c.p.Perimeter(), c.want.Perimeter(), 1e-6) ||
			len(c.p) != len(c.want) {
			t.Errorf("%s: area %v, want %v; perimeter %v, want %v; %d corners, want %d", c.name, c.p.Area(), c.want.Area(),
				c.p.Perimeter(), c.want.Perimeter(), len(c.p), len(c.want))
		}
	}
	// A triangle's inset is similar, its in-radius less by d.
	tri := ok(Triangle(400, 500, 300)) // in-radius 100
	if k := inset(tri, 10).Area() / tri.Area(); !near(k, 0.81, 1e-9) {
		t.Errorf("triangle: %v of its area is left", k)
	}
}

func TestOffsetOfNotchedOutline(t *testing.T) {
	ok := must(t)
	// An L: 300 × 200 less a 100 × 80 corner.
	l := ok(NewPath([]Vertex{{Point{0, 0}, 0}, {Point{300, 0}, 0}, {Point{300, 120}, 0}, {Point{200, 120}, 0},
		{Point{200, 200}, 0}, {Point{0, 200}, 0}}))
	in := ok(l.Offset(10))
	if want := 280.0*100 + 180*80; !near(in.Area(), want, 1e-6) {
		t.Errorf("area %v, want %v", in.Area(), want)
	}
	// A dumb-bell falls in two: that is no single pane.
	bell := ok(NewPath([]Vertex{{Point{0, 0}, 0}, {Point{100, 0}, 0}, {Point{100, 45}, 0}, {Point{200, 45}, 0},
		{Point{200, 0}, 0}, {Point{300, 0}, 0},
		{Point{300, 100}, 0}, {Point{200, 100}, 0}, {Point{200, 55}, 0}, {Point{100, 55}, 0}, {Point{100, 100}, 0},
		{Point{0, 100}, 0}}))
	if _, err := bell.Offset(8); fault.Of(err) == nil {
		t.Errorf("two panes were taken for one: %v", err)
	}
	for name, p := range map[string]Path{"rectangle": ok(RoundedRect(300, 200, 0)), "circle": ok(Circle(250)),
		"ellipse": ok(Ellipse(300, 200))} {
		if _, err := p.Offset(130); fault.Of(err) == nil {
			t.Errorf("%s: something is left of nothing", name)
		}
	}
}

// For random convex outlines every corner of the inset lies d from the nearest
// side line, and never outside.
func TestOffsetKeepsItsDistance(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 3))
	for range 300 {
		n := 3 + r.IntN(9)
		v := make([]Vertex, n)
		for i := range v {
			sin, cos := math.Sincos(2 * math.Pi * (float64(i) + 0.6*r.Float64()) / float64(n))
			v[i] = Vertex{Point{500 * cos, 400 * sin}, 0}
		}
		p, err := NewPath(v)
		if err != nil {
			t.Fatal(err)
		}
		d := 5 + 20*r.Float64()
		in, err := p.Offset(d)
		if err != nil {
			continue // a sliver may vanish altogether
		}
		if in.Area() >= p.Area() {
			t.Fatalf("an inset grew: %v of %v", in.Area(), p.Area())
		}
		for _, q := range in.Corners() {
			least := math.Inf(1)
			for i := range p {
				s := p.side(i)
				dist := ((s.b.X-s.a.X)*(q.Y-s.a.Y) - (s.b.Y-s.a.Y)*(q.X-s.a.X)) / s.a.To(s.b)
				least = math.Min(least, dist)
			}
			if !near(least, d, 1e-6) {
				t.Fatalf("a corner lies %v from the nearest side, not %v", least, d)
			}
		}
	}
}

func TestReversedIsTurned(t *testing.T) {
	ok := must(t)
	p := ok(RoundedRect(300, 200, 20))
	back := ok(NewPath(p.reversed()))
	if !near(back.Area(), p.Area(), 1e-9) || !near(back.Perimeter(), p.Perimeter(), 1e-9) {
		t.Errorf("turned round: %v, %v", back.Area(), back.Perimeter())
	}
}

func TestFlattenStaysClose(t *testing.T) {
	p := must(t)(Circle(1000))
	for _, tol := range []float64{1, 0.1, 0.01} {
		pts := p.Flatten(tol)
		for i, a := range pts {
			b := pts[(i+1)%len(pts)]
			m := Point{(a.X + b.X) / 2, (a.Y + b.Y) / 2}
			if off := 500 - m.To(Point{500, 500}); off > tol+1e-9 {
				t.Fatalf("a chord is %v off, allowed %v", off, tol)
			}
		}
	}
}

func TestCuttable(t *testing.T) {
	ok := must(t)
	notch := ok(NewPath([]Vertex{{Point{0, 0}, 0}, {Point{300, 0}, 0}, {Point{300, 200}, 0}, {Point{200, 200}, 0},
		{Point{150, 150}, 0}, {Point{100, 200}, 0}, {Point{0, 200}, 0}}))
	bay := ok(NewPath([]Vertex{{Point{0, 0}, 0}, {Point{300, 0}, 0}, {Point{300, 200}, -0.2}, {Point{0, 200}, 0}}))
	deep := ok(NewPath([]Vertex{{Point{0, 0}, 0}, {Point{200, 0}, 0}, {Point{200, 200}, 0}, {Point{140, 200}, -0.9},
		{Point{60, 200}, 0}, {Point{0, 200}, 0}}))
	for name, c := range map[string]struct {
		p    Path
		hand bool
	}{
		"rectangle": {ok(RoundedRect(300, 200, 0)), true}, "circle": {ok(Circle(250)), true},
		"strip": {ok(RoundedRect(300, 30, 0)), false},
		"notch": {notch, false}, "shallow bay": {bay, true}, "deep bay": {deep, false},
	} {
		if got := c.p.Cuttable(4); got.Hand != c.hand || got.Sentence == "" {
			t.Errorf("%s: %+v", name, got)
		}
	}
}

// c = 1000, h = 50 gives 2525: by the intersecting chords of Euclid III.35.
func TestChordRadius(t *testing.T) {
	if r, err := ChordRadius(1000, 50); err != nil || r != 2525 {
		t.Errorf("%v, %v", r, err)
	}
}

func TestTrilaterate(t *testing.T) {
	p, err := Trilaterate(Point{0, 0}, Point{400, 0}, 300, 500)
	if err != nil || !near(p.X, 0, 1e-9) || !near(p.Y, 300, 1e-9) {
		t.Errorf("%v, %v", p, err)
	}
	r := rand.New(rand.NewPCG(4, 4))
	for range 200 {
		a, b := Point{r.Float64() * 100, r.Float64() * 100}, Point{400 + r.Float64()*100, r.Float64() * 100}
		want := Point{r.Float64() * 500, 200 + r.Float64()*500}
		got, err := Trilaterate(a, b, a.To(want), b.To(want))
		if err != nil || got.To(want) > 1e-6 {
			t.Fatalf("%v, want %v, %v", got, want, err)
		}
	}
	if _, err := Trilaterate(Point{0, 0}, Point{400, 0}, 100, 200); fault.Of(err) == nil {
		t.Errorf("tapes that do not meet: %v", err)
	}
}

func TestShapesRefuse(t *testing.T) {
	for name, err := range map[string]error{
		"radius":   second(RoundedRect(100, 50, 30)),
		"width":    second(RoundedRect(-1, 50, 3)),
		"cut":      second(CutRect(100, 50, 30)),
		"bottom":   second(Triangle(100, 30, 30)),
		"diameter": second(Circle(math.NaN())),
		"rise":     second(RoundTop(100, 50, 60)),
		"spring":   second(RoundTop(100, -1, 20)),
		"height":   second(Ellipse(100, 0)),
		"outline":  second(NewPath([]Vertex{{Point{0, 0}, 0}, {Point{1, 1}, 0}})),
	} {
		if f := fault.Of(err); f == nil || f.Field != name || f.Cure == "" {
			t.Errorf("want a fault at %s, got %v", name, err)
		}
	}
	if f := fault.Of(second(PointedTop(100, 50, 40))); f == nil || f.Field != "rise" {
		t.Errorf("%v", f)
	}
	if fault.Of(second(NewPath([]Vertex{{Point{0, 0}, 0}, {Point{1, 0}, 0}, {Point{2, 0}, 0}}))) == nil ||
		fault.Of(second(NewPath([]Vertex{{Point{0, 0}, 0}, {Point{math.Inf(1), 0}, 0}, {Point{2, 5}, 0}}))) == nil {
		t.Error("an outline without area or with an endless side was taken")
	}
}

func second(_ Path, err error) error { return err }

func BenchmarkOffset1000(b *testing.B) {
	v := make([]Vertex, 1000)
	for i := range v {
		sin, cos := math.Sincos(2 * math.Pi * float64(i) / 1000)
		k := 400 + 20*math.Sin(float64(i)/25)
		v[i] = Vertex{Point{k * cos, k * sin}, 0}
	}
	p, err := NewPath(v)
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		if _, err := p.Offset(5); err != nil {
			b.Fatal(err)
		}
	}
}

// An inside curve of 150 mm breaks out by hand, one of less does not; an
// outside one of any radius does; a strip of eight thicknesses does, one of
// less does not. Common practice, no source.
func TestCuttableVerdicts(t *testing.T) {
	bowed := func(radius float64) Path {
		// The top side of 100 mm bows into the pane.
		half := math.Asin(50 / math.Abs(radius))
		p, err := NewPath([]Vertex{{Point: Point{0, 0}}, {Point: Point{100, 0}},
			{Point: Point{100, 200}, Bulge: math.Copysign(math.Tan(half/2), radius)}, {Point: Point{0, 200}}})
		if err != nil {
			t.Fatal(err)
		}
		return p
	}
	strip := func(w float64) Path {
		p, err := RoundedRect(w, 300, 0)
		if err != nil {
			t.Fatal(err)
		}
		return p
	}
	for _, c := range []struct {
		name string
		p    Path
		hand bool
		says string
	}{
		{"outside curve of 60", bowed(60), true, "by hand, the curves with relief scores"},
		{"inside curve of 151", bowed(-151), true, "by hand, the curves with relief scores"},
		{"inside curve of 149", bowed(-149), false,
			"an inside curve of 149 mm radius does not break out by hand; below 150 it is ground or ordered"},
		{"a strip of 32.1", strip(32.1), true, "by hand, straight scores"},
		{"a strip of 32", strip(32), true, "by hand, straight scores"},
		{"a strip of 31.9", strip(31.9), false, "it is 31.9 mm narrow; 8 × the thickness, 32 mm, breaks off by hand"},
	} {
		if got := c.p.Cuttable(4); got.Hand != c.hand || got.Sentence != c.says {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
}
