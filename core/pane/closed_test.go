package pane

import (
	"strings"
	"testing"
)

// A sum that cannot be made closes its gate: nobody knows that the pane holds.
func TestSumsThatFailCloseTheirGate(t *testing.T) {
	m, err := Book.ByID("toughened")
	if err != nil {
		t.Fatal(err)
	}
	wide := Load{W: 20000, H: 500, Push: 600}
	if _, _, ok, err := (bending{m}).passes(wide, 6); ok || err == nil {
		t.Errorf("a side of 20 m passes: %v, %v", ok, err)
	}
	c := bending{m}.loadGate(Need{Load: wide, Depth: 20})
	if c == nil || !strings.Contains(c.Sentence, "cannot be reckoned") {
		t.Errorf("%+v", c)
	}
	warped := Load{W: 20000, H: 500, Warp: 3}
	if v := m.SeatStress(warped, 6); v < 1e6 {
		t.Errorf("a seat that cannot be reckoned asks %v MPa", v)
	}
	tube, err := Book.ByID("borosilicate")
	if err != nil {
		t.Fatal(err)
	}
	for _, k := range []struct {
		outside, wall float64
		closed        bool
	}{{0, 4, false}, {16, 2.5, false}, {8, 4, true}, {7.9, 4, true}, {8.1, 4, false}} {
		n := Need{Duty: Duty{Pressure: 6}, Tube: true, Outside: k.outside, Thickness: k.wall}
		c := gating{tube}.pressureGate(n)
		if tube.Rated && (c != nil) != k.closed {
			t.Errorf("outside %v, wall %v: %+v", k.outside, k.wall, c)
		}
	}
}
