package strength

import (
	"math"
	"math/rand/v2"
	"testing"

	"freshshard/core/fault"
)

func near(a, b, tol float64) bool { return math.Abs(a-b) <= tol }

// Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells, Table 8,
// ν = 0.3, from memory.
func TestCoefficients(t *testing.T) {
	for _, c := range []struct{ ratio, alpha, beta float64 }{
		{1, 0.00406, 0.0479}, {1.2, 0.00564, 0.0627}, {1.5, 0.00772, 0.0812}, {2, 0.01013, 0.1017}, {3, 0.01223, 0.1189},
		{5, 0.01297, 0.1246}, {50, 0.01302, 0.1250},
	} {
		a, b := Coefficients(c.ratio, 0.3)
		if !near(a, c.alpha, 0.000015) || !near(b, c.beta, 0.0001) {
			t.Errorf("b/a %v: α %.5f, want %v; β %.4f, want %v", c.ratio, a, c.alpha, b, c.beta)
		}
	}
}

// The series agrees with Navier's double sum, summed by itself.
func TestAgainstNavier(t *testing.T) {
	for _, c := range []struct{ ratio, nu float64 }{{1, 0.22}, {1.7, 0.22}, {2.6, 0.38}, {1.1, 0}} {
		var alpha, mx float64
		for m := 1; m < 260; m += 2 {
			for n := 1; n < 260; n += 2 {
				x, y := float64(m), float64(n)/c.ratio
				sign := 1.0
				if (m+n)/2%2 == 0 {
					sign = -1
				}
				q := sign * 16 / (math.Pi * math.Pi * float64(m*n))
				k := math.Pow(math.Pi, 2) * (x*x + y*y)
				alpha += q / (k * k)
				mx += q * math.Pow(math.Pi, 2) * (x*x + c.nu*y*y) / (k * k)
			}
		}
		a, b := Coefficients(c.ratio, c.nu)
		if !near(a, alpha, 2e-6) || !near(b, mx, 2e-4) {
			t.Errorf("%v: α %v and %v, β %v and %v", c, a, alpha, b, mx)
		}
	}
}

func TestCircle(t *testing.T) {
	s := Sheet{E: 70, Nu: 0.22, T: 6}
	d := 70000.0 * 216 / (12 * (1 - 0.22*0.22))
	// Circles by their closed forms, from memory.
	held, _ := s.Circle(400, 1, false)
	clamped, _ := s.Circle(400, 1, true)
	if !near(held.Stress, 3*(3.22)/8*0.001*40000/36, 1e-9) || !near(clamped.Stress, 0.75*0.001*40000/36, 1e-9) ||
		!near(clamped.Deflection, 0.001*1.6e9/(64*d), 1e-9) {
		t.Errorf("%+v %+v", held, clamped)
	}
	// A long pane held on four sides is a strip: σ = 0.75·q·a²/t².
	long, _ := s.FourSides(500, 20000/2, 1)
	if !near(long.Stress, 0.75*0.001*250000/36, 0.01) {
		t.Errorf("%v", long.Stress)
	}
}

// A patch as large as the pane is an even load; a small one bends more than the
// same force spread out, and less than a point at the middle of a square,
// 0.0116·P·a²/D. Timoshenko and Woinowsky-Krieger, from memory.
func TestPush(t *testing.T) {
	s := Sheet{E: 70, Nu: 0.22, T: 6}
	even, _ := s.FourSides(800, 800, 1)
	whole, err := s.Push(800, 800, 640, 800)
	if err != nil || !near(whole.Deflection, even.Deflection, 0.002) || !near(whole.Stress, even.Stress, 0.05) {
		t.Errorf("%+v and %+v, %v", whole, even, err)
	}
	hand, _ := s.Push(800, 800, 640, 100)
	point, _ := s.Push(800, 800, 640, 1)
	want := 0.0116 * 640 * 640000 / s.Rigidity()
	if !(hand.Deflection > whole.Deflection && hand.Deflection < point.Deflection) ||
		!near(point.Deflection, want, 0.01*want) {
		t.Errorf("%v %v %v, want %v", whole.Deflection, hand.Deflection, point.Deflection, want)
	}
}

// EN 16612, from memory: annealed 7.25 permanent, 18.5 in a gust; toughened
// 69.75 permanent.
func TestAllowable(t *testing.T) {
	for _, c := range []struct {
		strength float64
		lasting  Lasting
		want     float64
	}{{45, Permanent, 7.25}, {45, Weeks, 10.75}, {45, Day, 14.5}, {45, Gust, 18.5}, {120, Permanent, 69.75},
		{120, Gust, 81}, {70, Permanent, 28.0833}} {
		if got, err := Allowable(c.strength, c.lasting); err != nil || !near(got, c.want, 1e-3) {
			t.Errorf("%v %s: %v, want %v", c.strength, c.lasting, got, c.want)
		}
	}
}

// k_mod = 0.663·t^(−1/16), t in hours: fifty years, six weeks, eight hours, ten
// minutes. EN 16612, from memory.
func TestKmod(t *testing.T) {
	for l, hours := range map[Lasting]float64{Permanent: 50 * 365 * 24, Weeks: 6 * 7 * 24, Day: 8, Gust: 1.0 / 6} {
		if k, err := Kmod(l); err != nil || !near(k, 0.663*math.Pow(hours, -1.0/16), 0.01) {
			t.Errorf("%s: %v, the formula gives %v", l, k, 0.663*math.Pow(hours, -1.0/16))
		}
	}
}

// A push over the whole of a round pane is an even load; in the middle it bends
// more, and less than a point load, (3+ν)/(1+ν)·P·r²/(16πD). Timoshenko and
// Woinowsky-Krieger, from memory.
func TestPushRound(t *testing.T) {
	s := Sheet{E: 70, Nu: 0.22, T: 6}
	const d = 400.0
	whole, err := s.PushRound(d, 1e-3*math.Pi*d*d/4, d*math.Sqrt(math.Pi)/2)
	even, _ := s.Circle(d, 1, false)
	if err != nil || !near(whole.Stress, even.Stress, 1e-6*even.Stress) && whole.Stress < even.Stress {
		t.Errorf("%+v and %+v, %v", whole, even, err)
	}
	hand, _ := s.PushRound(d, 500, 100)
	wide, _ := s.PushRound(d, 500, 300)
	point := 3.22 / 1.22 * 500 * d * d / 4 / (16 * math.Pi * s.Rigidity())
	if !(wide.Deflection < hand.Deflection && hand.Deflection < point && wide.Stress < hand.Stress) {
		t.Errorf("%+v %+v %v", wide, hand, point)
	}
	// A square about the circle bends a little less, its corners being held down:
	// 0.0116·P·d²/D against 0.0126 under a point.
	square, _ := s.Push(d, d, 500, 100)
	if square.Deflection > hand.Deflection || square.Deflection < 0.85*hand.Deflection {
		t.Errorf("square %+v, round %+v", square, hand)
	}
}

// 30 m/s gives 551 Pa; a metre of water 9.81 kPa.
func TestLoads(t *testing.T) {
	if !near(Wind(30, 1), 0.551, 0.0005) || !near(Water(2), 19.62, 1e-9) || !near(DeflectionLimit(1200), 20, 1e-9) {
		t.Error("wind, water or the limit")
	}
	// Lamé: a bore of half the outside gives 5/3 of the pressure; a thin wall tends
	// to p·d/(2t).
	if h, err := Tube(20, 0.01, 1000); err != nil || !near(h, 19.99/0.02, 0.01) {
		t.Errorf("thin: %v, %v", h, err)
	}
	if h, err := Tube(20, 5, 1000); err != nil || !near(h, 5.0/3, 1e-9) {
		t.Errorf("%v, %v", h, err)
	}
}

// A 6 mm polycarbonate pane takes about 1/30 of what glass takes on the same
// warped seat: its stress goes with E·t.
func TestWarped(t *testing.T) {
	glass, plastic := Sheet{70, 0.22, 6}, Sheet{2.35, 0.38, 6}
	a, err := glass.WarpedRound(300, 0.6)
	b, err2 := plastic.WarpedRound(300, 0.6)
	// 70000·6·0.6/(1.22·150²) = 9.18.
	if err != nil || err2 != nil || !near(a, 9.180, 0.001) || a/b < 28 || a/b > 36 {
		t.Errorf("%v and %v", a, b)
	}
	c, _ := glass.Warped(400, 300, 2)
	if !near(c, 70000*6*2.0/120000/2.44, 1e-9) {
		t.Errorf("%v", c)
	}
}

// Thicker is never weaker, a larger load never stresses less, a longer pane is
// never stiffer.
func TestMonotone(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 1))
	for range 500 {
		w, h, q := 100+1500*r.Float64(), 100+1500*r.Float64(), 3*r.Float64()
		thin, thick := Sheet{70, 0.22, 3 + 3*r.Float64()}, Sheet{70, 0.22, 0}
		thick.T = thin.T + 0.1 + 3*r.Float64()
		a, _ := thin.FourSides(w, h, q)
		b, _ := thick.FourSides(w, h, q)
		c, _ := thin.FourSides(w, h, q+0.1)
		d, _ := thin.FourSides(w*1.1, h*1.1, q)
		if b.Stress > a.Stress || b.Deflection > a.Deflection || c.Stress < a.Stress || d.Stress < a.Stress-1e-12 {
			t.Fatalf("%v × %v at %v: %+v %+v %+v %+v", w, h, q, a, b, c, d)
		}
	}
	// Along the ratio the coefficients rise to the strip's.
	last := 0.0
	for ratio := 1.0; ratio < 20; ratio += 0.05 {
		a, b := Coefficients(ratio, 0.22)
		if a < last-1e-9 || math.IsNaN(b) {
			t.Fatalf("at %v", ratio)
		}
		last = a
	}
}

func TestRefuses(t *testing.T) {
	good := Sheet{70, 0.22, 4}
	for field, err := range map[string]error{
		"e":        func() error { _, err := Sheet{0, 0.2, 4}.FourSides(100, 100, 1); return err }(),
		"nu":       func() error { _, err := Sheet{70, 0.5, 4}.TwoSides(100, 100, 1); return err }(),
		"t":        func() error { _, err := Sheet{70, 0.2, -4}.Circle(100, 1, true); return err }(),
		"q":        func() error { _, err := good.FourSides(100, 100, -1); return err }(),
		"force":    func() error { _, err := good.Push(100, 100, -1, 50); return err }(),
		"patch":    func() error { _, err := good.Push(100, 100, 1, 0); return err }(),
		"wall":     func() error { _, err := Tube(10, 6, 1); return err }(),
		"pressure": func() error { _, err := Tube(10, 1, -1); return err }(),
		"lasting":  func() error { _, err := Allowable(45, "ever"); return err }(),
		"strength": func() error { _, err := Allowable(-1, Gust); return err }(),
	} {
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
}

func BenchmarkPlate(b *testing.B) {
	s := Sheet{70, 0.22, 6}
	for b.Loop() {
		if _, err := s.FourSides(900, 1400, 1); err != nil {
			b.Fatal(err)
		}
	}
}
