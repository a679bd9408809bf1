package outline

import (
	"math"
	"testing"
)

func drilled(t *testing.T, holes ...[3]float64) Outline {
	t.Helper()
	p, err := RoundedRect(400, 300, 0)
	if err != nil {
		t.Fatal(err)
	}
	o := Outline{Outer: p, Holes: []Path{}}
	for _, h := range holes {
		c, err := Circle(h[2])
		if err != nil {
			t.Fatal(err)
		}
		for i := range c {
			c[i].X, c[i].Y = c[i].X+h[0]-h[2]/2, c[i].Y+h[1]-h[2]/2
		}
		o.Holes = append(o.Holes, c)
	}
	return o
}

// EN 12150-1, from memory, on 6 mm: diameter 6, to the edge 12, between 12, to
// a corner 36.
func TestHoleRules(t *testing.T) {
	for _, c := range []struct {
		name  string
		holes [][3]float64
		rules map[string]float64
	}{
		{"good", [][3]float64{{60, 60, 10}, {100, 60, 10}}, nil},
		{"small", [][3]float64{{200, 150, 5}}, map[string]float64{"diameter": 5}},
		{"near the edge", [][3]float64{{200, 15, 10}}, map[string]float64{"edge": 10}},
		{"near a corner", [][3]float64{{25, 25, 10}}, map[string]float64{"corner": 25*math.Sqrt2 - 5}},
		{"near each other", [][3]float64{{200, 150, 10}, {220, 150, 10}}, map[string]float64{"between": 10}},
	} {
		got := map[string]float64{}
		for _, b := range drilled(t, c.holes...).HoleRules(6) {
			got[b.Rule] = b.Value
			if b.Sentence == "" || b.Limit <= b.Value {
				t.Errorf("%s: %+v", c.name, b)
			}
		}
		if len(got) != len(c.rules) {
			t.Errorf("%s: %v, want %v", c.name, got, c.rules)
		}
		for k, v := range c.rules {
			if math.Abs(got[k]-v) > 0.05 {
				t.Errorf("%s: %s is %v, want %v", c.name, k, got[k], v)
			}
		}
	}
	notch, _ := NotchedRect(400, 300, 100, 80, 50)
	if b := (Outline{Outer: notch}).HoleRules(6); len(b) != 2 || b[0].Rule != "inside" {
		t.Errorf("a sharp notch: %+v", b)
	}
}

// Thicker glass breaks at least as many rules.
func TestThickerBreaksNoFewerRules(t *testing.T) {
	o := drilled(t, [3]float64{30, 40, 8}, [3]float64{200, 20, 12}, [3]float64{230, 30, 9})
	last := 0
	for th := 2.0; th < 20; th++ {
		n := len(o.HoleRules(th))
		if n < last {
			t.Fatalf("%v mm breaks %d after %d", th, n, last)
		}
		last = n
	}
}

// Each rule just inside, at, and just outside, with the place and the words:
// holes of 10 in 6 mm want 12 to the edge, 12 between, 36 to a corner.
func TestHoleVerdicts(t *testing.T) {
	for _, c := range []struct {
		name   string
		holes  [][3]float64
		rule   string
		hole   int
		at     Point
		within float64
		says   string
	}{
		{"a hole as wide as the pane is thick", [][3]float64{{200, 150, 6}}, "", 0, Point{}, 0, ""},
		{"a hole narrower than that", [][3]float64{{200, 150, 10}, {300, 150, 5.9}}, "diameter", 2, Point{300, 150}, 0.01,
			"the hole is 5.9 mm across, at least 6.0 is asked"},
		{"12.05 from the edge", [][3]float64{{200, 17.05, 10}}, "", 0, Point{}, 0, ""},
		{"11.9 from the edge", [][3]float64{{200, 16.9, 10}}, "edge", 1, Point{200, 0}, 1,
			"the hole is 11.9 mm from the edge, at least 12.0 is asked"},
		{"12.05 between", [][3]float64{{200, 150, 10}, {222.05, 150, 10}}, "", 0, Point{}, 0, ""},
		{"11.9 between, the second and the third", [][3]float64{{100, 150, 10}, {200, 150, 10}, {221.9, 150, 10}}, "between",
			2, Point{216.9, 150}, 1, "two holes are 11.9 mm apart, at least 12.0 is asked"},
		{"36.1 from a corner", [][3]float64{{400 - 41.1/math.Sqrt2, 41.1 / math.Sqrt2, 10}}, "", 0, Point{}, 0, ""},
		{"35.8 from a corner", [][3]float64{{400 - 40.8/math.Sqrt2, 40.8 / math.Sqrt2, 10}}, "corner", 1, Point{400, 0}, 0.01,
			"the hole is 35.8 mm from a corner, at least 36.0 is asked"},
	} {
		got := drilled(t, c.holes...).HoleRules(6)
		if c.rule == "" {
			if len(got) != 0 {
				t.Errorf("%s: %+v", c.name, got)
			}
			continue
		}
		if len(got) != 1 || got[0].Rule != c.rule || got[0].Hole != c.hole || got[0].At.To(c.at) > c.within ||
			got[0].Sentence != c.says {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
}
