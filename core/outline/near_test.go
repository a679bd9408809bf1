package outline

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"freshshard/core/fault"
)

// walkedSide is points along a side, close together: another way to its distance.
func walkedSide(s side) []Point {
	const n = 4000
	out := make([]Point, 0, n+1)
	from, turn := 0.0, 0.0
	if s.bulge != 0 {
		from, turn = math.Atan2(s.a.Y-s.centre.Y, s.a.X-s.centre.X), 4*math.Atan(s.bulge)
	}
	for i := range n + 1 {
		t := float64(i) / n
		if s.bulge == 0 {
			out = append(out, Point{s.a.X + t*(s.b.X-s.a.X), s.a.Y + t*(s.b.Y-s.a.Y)})
			continue
		}
		sin, cos := math.Sincos(from + t*turn)
		out = append(out, Point{s.centre.X + s.radius*cos, s.centre.Y + s.radius*sin})
	}
	return out
}

// How far points lie from a side, and whether any of some lies nearer than so much to an outline,
// are what walking along it says, for shapes of every kind and outlines that nobody would draw.
func TestNearestIsAsWalked(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 19))
	var paths []Path
	for _, k := range counted(t) {
		_, p := k.Assume(nil)
		paths = append(paths, p)
	}
	for n := range 30 {
		if p, err := NewPath(crooked(n)); err == nil {
			paths = append(paths, p)
		}
	}
	for i, p := range paths {
		box := p.Box()
		grain := p.Perimeter() / 4000
		for range 12 {
			q := Point{box.Min.X + (1.6*r.Float64()-0.3)*box.Width(), box.Min.Y + (1.6*r.Float64()-0.3)*box.Height()}
			least := math.Inf(1)
			for k := range p {
				s := p.side(k)
				walked := math.Inf(1)
				for _, w := range walkedSide(s) {
					walked = math.Min(walked, w.To(q))
				}
				if d := s.distance(q); d > walked+1e-9 || d < walked-grain {
					t.Fatalf("outline %d, side %d: %v lies %v away, walked %v", i, k, q, d, walked)
				}
				least = math.Min(least, s.distance(q))
			}
			far := Point{box.Max.X + 9*box.Width(), q.Y}
			for _, d := range []float64{0.5, 0.99, 1.01, 1.6} {
				if got := p.nearer([]Point{far, q}, d*least); got != (d > 1) {
					t.Errorf("outline %d: %v lies %v away, nearer than %v is %v", i, q, least, d*least, got)
				}
			}
		}
	}
}

// The doubt of a shape grows with that of its measures from nothing on: a tenth of a hundredth
// is a tenth.
func TestSmallDoubts(t *testing.T) {
	for _, k := range counted(t) {
		m, _ := k.Assume(nil)
		small, smaller := Values{}, Values{}
		for key := range m {
			small[key], smaller[key] = 0.01, 0.001
		}
		a, b := k.Doubt(m, small), k.Doubt(m, smaller)
		if a <= 0 || math.Abs(a/b-10) > 0.5 || k.Doubt(m, Values{}) != 0 {
			t.Errorf("%s: %v of a hundredth, %v of a tenth of it, %v of nothing", k.ID, a, b, k.Doubt(m, Values{}))
		}
	}
	// A measure that moves no corner of what cannot be made otherwise still counts by half.
	k, err := KindOf("rectangle", 0)
	if err != nil {
		t.Fatal(err)
	}
	if d := k.Doubt(Values{"width": 300, "height": 200}, Values{"width": 400, "height": 0}); d <= 0 {
		t.Errorf("%v", d)
	}
}

// So many holes has no pane, and not one more is read.
func TestMostHoles(t *testing.T) {
	outer, err := RoundedRect(3000, 3000, 0)
	if err != nil {
		t.Fatal(err)
	}
	hole, err := Circle(20)
	if err != nil {
		t.Fatal(err)
	}
	loops := []Path{outer}
	for n := 1; n <= mostHoles; n++ {
		if n >= mostHoles-1 {
			o, err := Sort(loops)
			if f := fault.Of(err); f != nil || len(o.Holes) != n-1 {
				t.Errorf("%d closed outlines: %d holes, %v", n, len(o.Holes), f)
			}
		}
		loops = append(loops, hole.Moved(float64(n%50)*50+100, float64(n/50)*50+100))
	}
	_, err = Sort(loops)
	if f := fault.Of(err); f == nil || f.Why != fmt.Sprintf("there are %d closed outlines in it", mostHoles+1) {
		t.Errorf("%v", err)
	}
}

// A measure that may be nothing: the start of a notch, an ordinate of those that there are.
func TestMayBeNothing(t *testing.T) {
	for key, want := range map[string]bool{"notch_from": true, "o0": true, "o1": true, "o": false, "ox": false,
		"o01": false,
		"o-1": false, "o+1": false, "width": false, "overall": false, "o1.5": false,
		fmt.Sprint("o", countMost): true, fmt.Sprint("o", countMost+1): false} {
		if got := (Measure{Key: key}).MayBeNothing(); got != want {
			t.Errorf("%s: %v", key, got)
		}
	}
}

// Two tapes nearly in line meet a little beside it: h² = 50.0025² − 50² = 0.25, by hand.
func TestTapesNearlyInLine(t *testing.T) {
	q, err := Trilaterate(Point{}, Point{X: 100}, math.Sqrt(2500.25), math.Sqrt(2500.25))
	if err != nil || math.Abs(q.X-50) > 1e-9 || math.Abs(q.Y-0.5) > 1e-9 {
		t.Errorf("%v, %v", q, err)
	}
	if q, err = Trilaterate(Point{}, Point{X: 100}, 40, 60); err != nil || math.Abs(q.X-40) > 1e-9 ||
		math.Abs(q.Y) > 1e-6 {
		t.Errorf("%v, %v", q, err)
	}
}

// A notch that reaches beyond its side says how far.
func TestNotchBeyondItsSide(t *testing.T) {
	_, err := NotchedRect(300, 200, 250, 60, 30)
	if f := fault.Of(err); f == nil || f.Cure != "from the left it ends at 310.0 of 300.0 mm" {
		t.Errorf("%v", err)
	}
	if _, err = NotchedRect(300, 200, 240, 60, 30); err != nil {
		t.Errorf("a notch at the corner: %v", err)
	}
}

// Three sides that lie on a line make no triangle, nor do they when one is longer; a hair shorter,
// and they do.
func TestJustATriangle(t *testing.T) {
	for _, c := range []struct {
		bottom, right, left float64
		ok                  bool
	}{{100, 60, 40, false}, {60, 100, 40, false}, {60, 40, 100, false}, {99.9, 60, 40, true}, {60, 99.9, 40, true},
		{60, 40, 99.9, true}, {100.1, 60, 40, false}, {60, 100.1, 40, false}, {60, 40, 100.1, false}} {
		_, err := Triangle(c.bottom, c.right, c.left)
		f := fault.Of(err)
		if (f == nil) != c.ok || f != nil && f.Why != "three such sides do not meet" {
			t.Errorf("%+v: %v", c, err)
		}
	}
}

// What a measure is called goes by its key; a key that is none is its own name.
func TestNamesOfMeasures(t *testing.T) {
	for key, want := range map[string]string{"o3": "ordinate 3", "p4_a": "point 4 from A", "p4_b": "point 4 from B",
		"p4_p5": "point 4 to point 5", "p4_c": "", "p4_5": "", "p_a": "", "x4_a": "", "4_a": "", "p4": "", "px_a": "",
		"p4_px": "",
		"p04_a": "", "nothing": "", "width": "width", "cut": "cut along each side", "rising": "diagonal, rising"} {
		if m := MeasureOf(key); m.Name != want || m.Key != key {
			t.Errorf("%s is called %q, want %q", key, m.Name, want)
		}
	}
	// An arc through a corner that is both its ends is none.
	if b := BulgeThrough(Point{1, 2}, Point{5, 5}, Point{1, 2}); b != 0 {
		t.Errorf("%v", b)
	}
}
