package strength

import (
	"math"
	"math/rand/v2"
	"testing"

	"freshshard/core/fault"
)

// Three sides held, one free, ν 0.3, under an even load: deflection and moment
// at the middle of the free edge, a its length. Timoshenko and
// Woinowsky-Krieger, Theory of Plates and Shells, from memory.
func TestThreeSides(t *testing.T) {
	s := Sheet{E: 70, Nu: 0.3, T: 6}
	const a, q = 1000.0, 1.0
	for _, c := range []struct{ ratio, alpha, beta float64 }{
		{1.0 / 2, 0.00710, 0.060}, {2.0 / 3, 0.00968, 0.083}, {1, 0.01286, 0.112}, {2, 0.01507, 0.132}, {5, 0.01522, 0.133},
	} {
		b, err := s.ThreeSides(a, a*c.ratio, q)
		if err != nil {
			t.Fatal(err)
		}
		w := b.Deflection * s.Rigidity() / (q * 1e-3 * math.Pow(a, 4))
		l := levy{s: s, a: a, b: a * c.ratio, hiFree: true, p: q * 1e-3, c: a, y1: a * c.ratio}
		if err := l.solve(); err != nil {
			t.Fatal(err)
		}
		_, m := l.at(a/2, l.b)
		if !near(w, c.alpha, 0.00003) || !near(m/(q*1e-3*a*a), c.beta, 0.0006) {
			t.Errorf("other/free %v: %v and %v, want %v and %v", c.ratio, w, m/(q*1e-3*a*a), c.alpha, c.beta)
		}
		if b.Stress < 6*m/36-1e-9 {
			t.Errorf("other/free %v: the worst %v is less than at the free edge", c.ratio, b.Stress)
		}
	}
}

// With both of its sides held, the series is the rectangle on four sides, which
// is reckoned another way.
func TestLevyHeldIsFourSides(t *testing.T) {
	s := Sheet{E: 70, Nu: 0.22, T: 5}
	for _, h := range []float64{500, 800, 1500} {
		l := levy{s: s, a: 500, b: h, p: 1e-3, c: 500, y1: h}
		got, err := l.worst()
		want, _ := s.FourSides(500, h, 1)
		if err != nil || !near(got.Deflection, want.Deflection, 1e-3*want.Deflection) || got.Stress < want.Stress*0.999 {
			t.Errorf("%v: %+v, want %+v, %v", h, got, want, err)
		}
	}
	// A patch is Navier's, too.
	l := levy{s: s, a: 500, b: 700, p: 500.0 / 1e4, c: 100, y0: 300, y1: 400}
	got, err := l.worst()
	want, _ := s.Push(500, 700, 500, 100)
	if err != nil || !near(got.Stress, want.Stress, 0.01*want.Stress) ||
		!near(got.Deflection, want.Deflection, 0.002*want.Deflection) {
		t.Errorf("a push: %+v, want %+v, %v", got, want, err)
	}
}

// A narrow pane on two sides bends as a beam, E·I without the plate's ν; a wide
// one as a strip in its middle. Closed forms.
func TestTwoSides(t *testing.T) {
	s := Sheet{E: 70, Nu: 0.22, T: 6}
	narrow, err := s.TwoSides(1000, 60, 1)
	beam := 5.0 / 384 * 1e-3 * 1e12 / (70000 * 216 / 12)
	if err != nil || !near(narrow.Deflection, beam, 0.005*beam) || !near(narrow.Stress, 0.75*1e-3*1e6/36, 0.05) {
		t.Errorf("%+v, %v, want %v and 20.8", narrow, err, beam)
	}
	l := levy{s: s, a: 1000, b: 6000, lowFree: true, hiFree: true, p: 1e-3, c: 1000, y1: 6000}
	if err := l.solve(); err != nil {
		t.Fatal(err)
	}
	w, m := l.at(500, 3000)
	if !near(w, 5.0/384*1e9, 1e5) || !near(m, 125, 0.02) {
		t.Errorf("middle of a wide one: %v and %v", w, m)
	}
}

// Fewer sides held never bend less, a force at the free edge never less than
// one in the middle; thicker is never weaker.
func TestFreeEdgeIsWorse(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 12))
	for range 60 {
		w, h, q := 150+1200*r.Float64(), 150+1200*r.Float64(), 2*r.Float64()
		s := Sheet{70, 0.22, 3 + 5*r.Float64()}
		four, _ := s.FourSides(w, h, q)
		three, _ := s.ThreeSides(w, h, q)
		two, err := s.TwoSides(w, h, q)
		if err != nil || three.Deflection < four.Deflection*0.999 || two.Deflection < three.Deflection*0.999 ||
			two.Stress < three.Stress*0.995 {
			t.Fatalf("%v × %v: %+v %+v %+v, %v", w, h, four, three, two, err)
		}
		mid, _ := s.Push(w, h, 500, 100)
		edge, _ := s.PushEdge(w, h, 500, 100, false)
		loose, err := s.PushEdge(w, h, 500, 100, true)
		if err != nil || edge.Deflection < mid.Deflection || loose.Deflection < edge.Deflection*0.999 {
			t.Fatalf("%v × %v: %+v %+v %+v, %v", w, h, mid, edge, loose, err)
		}
		thick := s
		thick.T += 0.5
		if b, _ := thick.PushEdge(w, h, 500, 100, false); b.Stress > edge.Stress || b.Deflection > edge.Deflection {
			t.Fatalf("thicker is weaker: %+v and %+v", b, edge)
		}
	}
}

func TestFreeEdgeRefuses(t *testing.T) {
	s := Sheet{70, 0.22, 4}
	for field, err := range map[string]error{
		"w": second(s.ThreeSides(0, 100, 1)), "h": second(s.TwoSides(100, -1, 1)),
		"q":     second(s.ThreeSides(100, 100, math.NaN())),
		"force": second(s.PushEdge(100, 100, -1, 50, true)), "patch": second(s.PushEdge(100, 100, 1, 0, false)),
	} {
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
}

func second(_ Bent, err error) error { return err }

func BenchmarkFreeEdge(b *testing.B) {
	s := Sheet{70, 0.22, 6}
	for b.Loop() {
		if _, err := s.ThreeSides(900, 1400, 1); err != nil {
			b.Fatal(err)
		}
	}
}

// Betti's theorem, a law of elasticity: two equal loads on two strips do the
// same work on each other's deflections, whichever comes first.
func TestLevyIsReciprocal(t *testing.T) {
	s := Sheet{E: 70, Nu: 0.22, T: 5}
	r := rand.New(rand.NewPCG(7, 3))
	for range 40 {
		a, b, c := 300+900*r.Float64(), 200+900*r.Float64(), 40+60*r.Float64()
		at := []float64{(b - c) * r.Float64(), (b - c) * r.Float64()}
		low, high := r.IntN(2) == 0, r.IntN(2) == 0
		// moved is how far the plate moves on the mean over the other's patch.
		moved := func(load, other float64) float64 {
			l := levy{s: s, a: a, b: b, lowFree: low, hiFree: high, p: 1 / (c * c), c: c, y0: load, y1: load + c}
			if err := l.solve(); err != nil {
				t.Fatal(err)
			}
			var sum float64
			const n = 12
			for i := range n {
				for j := range n {
					w, _ := l.at(a/2+c*((float64(i)+0.5)/n-0.5), other+c*(float64(j)+0.5)/n)
					sum += w
				}
			}
			return sum / (n * n)
		}
		x, y := moved(at[0], at[1]), moved(at[1], at[0])
		if !near(x, y, 2e-4*math.Max(math.Abs(x), math.Abs(y))) {
			t.Fatalf("%v × %v, free %v %v, patches at %v: %v and %v", a, b, low, high, at, x, y)
		}
	}
}

// The edges do what they should: a held one does not move, a free one carries
// no moment across it.
func TestLevyEdges(t *testing.T) {
	s := Sheet{E: 70, Nu: 0.22, T: 5}
	l := levy{s: s, a: 700, b: 450, hiFree: true, p: 1e-3, c: 700, y1: 450}
	if err := l.solve(); err != nil {
		t.Fatal(err)
	}
	most, _ := l.at(350, 450)
	for x := 50.0; x < 700; x += 50 {
		if w, _ := l.at(x, 0); math.Abs(w) > 1e-9*most {
			t.Errorf("at %v the held edge moves by %v", x, w)
		}
		// My by the second difference of the deflection, and ν·Mx beside it.
		const h = 0.5
		d := func(x, y float64) float64 { w, _ := l.at(x, y); return w }
		yy := (d(x, 450) - 2*d(x, 450-h) + d(x, 450-2*h)) / (h * h)
		xx := (d(x+h, 450-h) - 2*d(x, 450-h) + d(x-h, 450-h)) / (h * h)
		if m := yy + s.Nu*xx; math.Abs(m) > 0.02*math.Abs(xx) {
			t.Errorf("at %v the free edge carries %v, along it %v", x, m, xx)
		}
	}
}
