package outline

import (
	"errors"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/fault"
)

func near(a, b, tol float64) bool { return math.Abs(a-b) <= tol }

// Closed forms.
func TestRectangle(t *testing.T) {
	r, err := NewRectangle(268.4, 242)
	if err != nil {
		t.Fatal(err)
	}
	if !near(r.Perimeter(), 1020.8, 1e-9) {
		t.Errorf("perimeter %v", r.Perimeter())
	}
	in, err := r.Inset(2)
	if err != nil || in.W != 264.4 || in.H != 238 {
		t.Errorf("inset %v, %v", in, err)
	}
	if _, err := r.Inset(121); err == nil {
		t.Error("an inset past the middle left a pane")
	}
	if _, err := NewRectangle(0, 5); err == nil {
		t.Error("a rectangle without width was taken")
	}
	if _, err := NewRectangle(5, math.NaN()); err == nil {
		t.Error("a rectangle with no number for a height was taken")
	}
}

// A parallelogram built from its angle must give the angle back.
func TestSkewFromKnownAngle(t *testing.T) {
	for _, theta := range []float64{-0.2, -0.01, 0, 0.004, 0.05, 0.3} {
		w, h := 300.0, 400.0
		rising := math.Sqrt(w*w + h*h + 2*w*h*math.Sin(theta))
		falling := math.Sqrt(w*w + h*h - 2*w*h*math.Sin(theta))
		s, err := SkewOf(w, h, rising, falling)
		if err != nil {
			t.Fatal(err)
		}
		if !near(math.Asin(s.Sin), theta, 1e-12) || !near(s.Over, h*math.Tan(theta), 1e-9) || !near(s.Misfit, 0, 1e-9) {
			t.Errorf("θ %v: got %+v", theta, s)
		}
	}
}

func TestSkewRefuses(t *testing.T) {
	for _, c := range []struct {
		name            string
		rising, falling float64
		field           string
	}{
		{"longer than both sides", 900, 500, "diagonal_rising"},
		{"shorter than the difference", 500, 90, "diagonal_falling"},
		{"a pair that no opening has", 500, 440, "diagonal_falling"},
	} {
		_, err := SkewOf(300, 400, c.rising, c.falling)
		var oe *fault.Error
		if !errors.As(err, &oe) || oe.Field != c.field || oe.Cure == "" {
			t.Errorf("%s: %v", c.name, err)
		}
	}
}

func TestQuadrilateral(t *testing.T) {
	// A 3-4-5 rectangle, scaled.
	q, err := QuadrilateralOf(300, 400, 300, 400, 500)
	if err != nil {
		t.Fatal(err)
	}
	if c := q.Corners(); !near(polygonArea(c), 120000, 1e-6) || !near(c[1].To(c[3]), 500, 1e-9) {
		t.Errorf("area %v, falling %v", polygonArea(c), c[1].To(c[3]))
	}
}

// Random convex corners: sides and a diagonal rebuild the same shape.
func TestQuadrilateralRebuilds(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 11))
	for range 500 {
		j := func() float64 { return 60 * (r.Float64() - 0.5) }
		a, b := Point{0, 0}, Point{400 + j(), 0}
		c, d := Point{400 + j(), 300 + j()}, Point{j(), 300 + j()}
		q, err := QuadrilateralOf(a.To(b), b.To(c), c.To(d), d.To(a), a.To(c))
		if err != nil {
			t.Fatal(err)
		}
		want := []Point{a, b, c, d}
		for i, p := range q.Corners() {
			if !near(p.X, want[i].X, 1e-6) || !near(p.Y, want[i].Y, 1e-6) {
				t.Fatalf("corner %d is %v, want %v", i, p, want[i])
			}
		}
	}
}

func TestQuadrilateralRefuses(t *testing.T) {
	for _, c := range []struct {
		name                             string
		bottom, right, top, left, rising float64
	}{
		{"diagonal too long", 300, 400, 300, 400, 701},
		{"diagonal too short", 300, 400, 300, 400, 99},
		{"no side", 0, 400, 300, 400, 500},
		{"not a number", 300, 400, 300, 400, math.NaN()},
	} {
		if _, err := QuadrilateralOf(c.bottom, c.right, c.top, c.left, c.rising); err == nil {
			t.Errorf("%s was taken", c.name)
		}
	}
}

// By the triangle inequality: 300 and 200 close over a diagonal between 100 and
// 500, 150 and 320 over one between 170 and 470; both must.
func TestWhichDiagonalsClose(t *testing.T) {
	for _, c := range []struct {
		d          float64
		one, other string
	}{
		{99, "left", "top"}, {150, "left", "top"}, {170, "left", "top"}, {170.5, "", ""}, {300, "", ""}, {469.5, "", ""},
		{470, "left", "top"}, {490, "left", "top"}, {510, "left", "top"},
	} {
		_, err := QuadrilateralOf(300, 200, 320, 150, c.d)
		f := fault.Of(err)
		if c.one == "" {
			if f != nil && strings.Contains(f.Why, "do not meet") {
				t.Errorf("%v: %v", c.d, err)
			}
			continue
		}
		if f == nil || f.Field != "diagonal_rising" || !strings.Contains(f.Why, c.one+" and "+c.other+" do not meet") ||
			f.Cure != "the diagonal must lie between 170.0 and 470.0 mm" {
			t.Errorf("%v: %v", c.d, err)
		}
	}
	_, err := QuadrilateralOf(300, 200, 320, 330, 90)
	if f := fault.Of(err); f == nil || !strings.Contains(f.Why, "bottom and right do not meet") ||
		f.Cure != "the diagonal must lie between 100.0 and 500.0 mm" {
		t.Errorf("%v", err)
	}
}

// The refusal of two diagonals points at the one that is farther from square.
func TestWhichDiagonalIsWrong(t *testing.T) {
	for _, c := range []struct {
		rising, falling float64
		field           string // empty: they can be
	}{
		{560, 500, "diagonal_rising"}, {500, 560, "diagonal_falling"}, {500, 440, "diagonal_falling"},
		{440, 500, "diagonal_rising"}, {520, 470, ""},
		{500 * 1.0399, 500 * 1.0399, ""}, {500 * 1.0401, 500 * 1.0401, "diagonal_rising"},
	} {
		_, err := SkewOf(300, 400, c.rising, c.falling)
		if f := fault.Of(err); (f == nil) != (c.field == "") || f != nil &&
			(f.Field != c.field || !strings.Contains(f.Cure, "a square one has 500.0 both ways")) {
			t.Errorf("%v and %v: %v", c.rising, c.falling, err)
		}
	}
}
