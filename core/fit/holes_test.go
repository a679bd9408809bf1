package fit

import (
	"math"
	"testing"

	"freshshard/core/reading"
)

func panel(t testing.TB, width string, hot float64) Problem {
	p := problem(t, "flat-panel", map[reading.Place]string{reading.WidthTop: width, reading.WidthBottom: width,
		reading.HeightLeft:  "60 ±0.01",
		reading.HeightRight: "60 ±0.01", reading.Ledge: "20"})
	p.Plastic, p.Pane.Alpha, p.Frame.Alpha = true, 68, 0
	p.Exposure.Steady, p.Exposure.FrameHot, p.Exposure.Coldest = p.Exposure.Room+hot, p.Exposure.Room+hot, p.Exposure.Room
	p.Exposure.Short = p.Exposure.Steady + 5
	return p
}

// 1000 mm of polycarbonate, 68e-6 per kelvin, grow 2.7 mm over 40 K. Common
// practice, no source.
func TestHolesOverSize(t *testing.T) {
	r := solve(t, panel(t, "1010 ±0.1", 40))
	f := figure(t, r, "hole_over")
	if want := 68e-6 * 40 * math.Hypot(r.Order.W, r.Order.H); math.Abs(f.Value-want) > 1e-9 || math.Abs(want-2.7) > 0.05 {
		t.Errorf("%v, want %v of a pane of %v", f.Value, want, r.Order)
	}
	// A small one keeps the least, frost counts as heat does, and hotter is never less.
	if f := figure(t, solve(t, panel(t, "200 ±0.1", 40)), "hole_over"); f.Value != holeOver {
		t.Errorf("a small panel: %v", f.Value)
	}
	p := panel(t, "1010 ±0.1", 0)
	p.Exposure.Coldest = p.Exposure.Room - 40
	if f := figure(t, solve(t, p), "hole_over"); math.Abs(f.Value-2.7) > 0.1 {
		t.Errorf("in frost: %v", f.Value)
	}
	last := 0.0
	for hot := 0.0; hot < 90; hot += 10 {
		v := figure(t, solve(t, panel(t, "1500 ±0.1", hot)), "hole_over").Value
		if v < last {
			t.Fatalf("%v K hotter needs %v, less than %v", hot, v, last)
		}
		last = v
	}
	p.Plastic = false
	for _, f := range solve(t, p).Figures {
		if f.Key == "hole_over" {
			t.Error("glass is drilled before it is toughened, by its own rules")
		}
	}
}
