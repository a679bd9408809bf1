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
