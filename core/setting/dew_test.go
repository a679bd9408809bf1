package setting

import (
	"math"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/working"
)

// Dew points of psychrometric tables, to a tenth; 20 °C and 50 % give 9.3 °C.
// From memory.
func TestDewPoint(t *testing.T) {
	for _, c := range []struct{ air, damp, want float64 }{
		{20, 50, 9.3}, {20, 100, 20}, {25, 60, 16.7}, {30, 40, 14.9}, {10, 80, 6.7}, {5, 90, 3.5}, {0, 50, -9.2},
	} {
		if d, err := DewPoint(c.air, c.damp); err != nil || math.Abs(d-c.want) > 0.15 {
			t.Errorf("%v °C, %v %%: %v, %v, want %v", c.air, c.damp, d, err, c.want)
		}
	}
	// The air that there is, and no other.
	for air, good := range map[float64]bool{-45: true, -45.1: false, 60: true, 60.1: false} {
		if _, err := DewPoint(air, 50); (err == nil) != good {
			t.Errorf("%v °C: %v", air, err)
		}
	}
	// Damper or warmer air never dews later.
	last := -100.0
	for rh := 1.0; rh <= 100; rh++ {
		d, err := DewPoint(18, rh)
		if err != nil || d <= last || d > 18+1e-9 {
			t.Fatalf("%v %%: %v after %v, %v", rh, d, last, err)
		}
		last = d
	}
}

// A surface 3 K above the dew point may be bonded, one at 2.9 K not. ISO 8502-4,
// from memory. A frozen one and a hot one never; one below 5 °C is looked up.
// Common practice, no source.
func TestDewFigures(t *testing.T) {
	d, _ := DewPoint(18, 70)
	air := 18.0
	for over, want := range map[float64]working.Verdict{3.01: working.Good, 2.9: working.Stop, -1: working.Stop} {
		surface := d + over
		f, err := Damp{&air, 70, &surface}.Figures()
		if err != nil || f[0].Verdict != want || math.Abs(f[0].Value-over) > 1e-9 || math.Abs(f[2].Value-d) > 1e-9 {
			t.Errorf("%v K over: %+v, %v", over, f, err)
		}
	}
	cold := -20.0
	for surface, want := range map[float64]working.Verdict{-1: working.Stop, 0: working.Stop, 0.1: working.Warn,
		4.9: working.Warn, 5: working.Good, 40: working.Good, 40.1: working.Stop} {
		f, err := Damp{&cold, 50, &surface}.Figures()
		if err != nil || f[1].Verdict != want {
			t.Errorf("at %v °C: %+v, %v", surface, f[1], err)
		}
	}
	for field, c := range map[string][3]float64{"air": {90, 50, 20}, "damp": {20, 0, 20}, "surface": {20, 50, 900}} {
		_, err := Damp{&c[0], c[1], &c[2]}.Figures()
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
	for field, p := range map[string]Damp{"air": {nil, 50, &air}, "surface": {&air, 50, nil}, "damp": {&air, 0.5, &air}} {
		_, err := p.Figures()
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
	if _, err := DewPoint(math.NaN(), 50); err == nil {
		t.Error("no temperature is taken")
	}
}
