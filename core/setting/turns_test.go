package setting

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/fault"
)

func TestTurns(t *testing.T) {
	for _, c := range []struct {
		in   Turns
		n    float64
		says string
	}{
		// 3 mm of tape to 70 % on M5 × 0.8: 0.9 mm, 1 1/8 turns. Worked example of the
		// trade, common practice, no source.
		{Turns{Free: 3, Screw: "M5", Seated: 0.7}, 1.125, "1 1/8, all alike within an eighth"},
		{Turns{Free: 3, Screw: "M4"}, 3 * 0.325 / 0.7,
			"1 3/8, all alike within an eighth, in two or three passes; at most 1 3/4"},
		{Turns{Free: 6, Screw: "M6", Seated: 0.75}, 1.5, "1 1/2"},
		{Turns{Free: 2, Screw: "#10-24", Seated: 0.6}, 0.8 * 24 / 25.4, "3/4"},
		{Turns{Free: 0, Screw: "M5"}, 0, "back it off a hair"},
	} {
		f, err := c.in.Figures()
		if err != nil || len(f) != 1 || math.Abs(f[0].Value-c.n) > 1e-9 || !strings.Contains(f[0].Sentence, c.says) {
			t.Errorf("%+v: %+v, %v", c.in, f, err)
		}
	}
	// Two newton-metres on M5 is 2 kN. F = T / (0.2 d), common engineering rule.
	f, err := Turns{Free: 3, Screw: "M5", Torque: 2}.Figures()
	if err != nil || len(f) != 2 || math.Abs(f[1].Value-2) > 1e-9 {
		t.Errorf("%+v, %v", f, err)
	}
}

func TestEighths(t *testing.T) {
	for v, want := range map[float64]string{0: "0", 0.06: "0", 0.07: "1/8", 0.9: "7/8", 0.95: "1", 1.125: "1 1/8",
		2.5: "2 1/2"} {
		if got := Eighths(v); got != want {
			t.Errorf("%v: %q, want %q", v, got, want)
		}
	}
}

func TestTurnsRefuses(t *testing.T) {
	for field, in := range map[string]Turns{"screw": {Free: 3, Screw: "M7"}, "free": {Free: 41, Screw: "M5"},
		"seated": {Free: 3, Screw: "M5", Seated: 1}, "torque": {Free: 3, Screw: "M5", Torque: 51}} {
		if _, err := in.Figures(); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%+v: %v", in, err)
		}
	}
	for _, ok := range []Turns{{Free: 40, Screw: "M8", Seated: 0.3, Torque: 50}, {Free: 0, Screw: "M3", Seated: 0.99}} {
		if _, err := ok.Figures(); err != nil {
			t.Errorf("%+v: %v", ok, err)
		}
	}
}
