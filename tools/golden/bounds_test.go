package golden

import (
	"errors"
	"math"
	"testing"
)

type box struct {
	W     float64
	N     int
	Sides []struct{ D float64 }
	Free  float64
	None  []float64
	Not   *float64
	name  string
}

// Bounds are found wherever they lie, with or without the bound itself.
func TestBounds(t *testing.T) {
	v := box{W: 300, N: 3, Sides: []struct{ D float64 }{{0.5}, {2}}, name: "a"}
	got := Bounds(v, func(b box) error {
		if !(b.W >= 1 && b.W < 9999.5) || b.N < -2 || b.N > 500 || b.name == "" {
			return errors.New("no")
		}
		if !(b.Sides[0].D > 0 && b.Sides[0].D <= 0.125*8) || math.IsInf(b.Free, 0) {
			return errors.New("no")
		}
		return nil
	})
	want := "W: [1 to 9999.5)\nN: [-2 to 500]\nSides[0].D: (0 to 1]\nFree: [no end to no end]\n"
	if got != want {
		t.Errorf("\n%s\n%s", got, want)
	}
	if got := Bounds(v, func(box) error { return errors.New("never") }); got != "not taken as it is: never\n" {
		t.Error(got)
	}
	if v.W != 300 || v.Sides[0].D != 0.5 {
		t.Errorf("it was changed: %+v", v)
	}
}
