package setting

import (
	"math"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// In the middle of its land; where that is narrow, 3 mm and half its width from the edge.
// Common practice, no source.
func TestBeadPath(t *testing.T) {
	pane, err := outline.RoundedRect(600, 400, 0)
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		name        string
		land, width float64
		inset       float64 // 0 where it does not fit
	}{
		{"a wide land", 30, 12, 15},
		{"mid-land and 3 mm meet", 18, 12, 9},
		{"a narrower land", 17, 11, 8.5},
		{"just fits", 15, 12, 9},
		{"a hair too narrow", 14.9, 12, 0},
	} {
		t.Run(c.name, func(t *testing.T) {
			p, err := BeadPath(pane, c.land, c.width)
			if c.inset == 0 {
				if f := fault.Of(err); f == nil || f.Field != "land" {
					t.Errorf("%v", err)
				}
				return
			}
			if err != nil {
				t.Fatal(err)
			}
			b := p.Box()
			if math.Abs(b.Width()-(600-2*c.inset)) > 1e-6 || math.Abs(p.Perimeter()-2*(1000-4*c.inset)) > 1e-6 {
				t.Errorf("%g × %g, %g round", b.Width(), b.Height(), p.Perimeter())
			}
			s := BeadStart(p)
			if math.Abs(s.X-(b.Min.X+b.Max.X)/2) > 1e-6 || math.Abs(s.Y-b.Min.Y) > 1e-6 {
				t.Errorf("it begins at %v", s)
			}
		})
	}
	round, _ := outline.Circle(300)
	p, err := BeadPath(round, 20, 8)
	if err != nil || math.Abs(p.Perimeter()-math.Pi*280) > 1e-6 {
		t.Errorf("round: %g, %v", p.Perimeter(), err)
	}
	if s := BeadStart(p); math.Abs(s.Y-p.Box().Min.Y) > 1e-6 {
		t.Errorf("round, it begins at %v", s)
	}
}
