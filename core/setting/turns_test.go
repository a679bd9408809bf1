package setting

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/working"
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

// Alike within an eighth is right; the one that differs is named.
func TestEven(t *testing.T) {
	for _, c := range []struct {
		in   Counted
		v    float64
		good bool
		says string
	}{
		{Counted{9, 9, 9, 9}, 0, true, "all alike"}, {Counted{9, 10, 9, 9}, 0.125, true, "screw 2"},
		{Counted{9, 11, 9, 9}, 0.25, false, "screw 2 was turned further than the others: ease it"},
		{Counted{9, 9, 6, 9}, 0.375, false, "screw 3 was turned less"}, {Counted{9, 0, 0, 9}, 0, true, "all alike"},
		{Counted{8, 10}, 0.25, false, "screw 2"}, {Counted{10, 8}, 0.25, false, "screw 1 was turned further than the others"},
		{Counted{5, 9, 9}, 0.5, false, "screw 1 was turned less"},
		{Counted{9, 5, 5}, 0.5, false, "screw 1 was turned further than the others: ease it"},
		{Counted{4, 9, 9, 9, 9, 9}, 0.625, false, "screw 1 was turned less"},
		{Counted{9, 11, 7}, 0.25, false, "screw 2 was turned further than the others"},
		{Counted{9, 7, 11}, 0.25, false, "screw 2 was turned less"},
	} {
		f, ok := c.in.Even()
		if !ok || math.Abs(f.Value-c.v) > 1e-9 || (f.Verdict == working.Good) != c.good ||
			!strings.Contains(f.Sentence, c.says) {
			t.Errorf("%v: %v %s, %s", c.in, f.Value, f.Verdict, f.Sentence)
		}
	}
	for _, few := range []Counted{nil, {0, 0}, {9, 0, 0}} {
		if f, ok := few.Even(); ok {
			t.Errorf("%v: %+v", few, f)
		}
	}
	for _, c := range []struct {
		in   Counted
		good bool
	}{{Counted{0, 80}, true}, {Counted{-1}, false}, {Counted{0, 81}, false}} {
		if err := c.in.Check(); (err == nil) != c.good {
			t.Errorf("%v: %v", c.in, err)
		}
	}
}

// The limit is an eighth and not a hair more.
func TestAlikeIsAnEighth(t *testing.T) {
	f, ok := Counted{9, 10, 9}.Even()
	if !ok || f.Limit == nil || f.Limit.Value != 0.125 || f.Verdict != working.Good {
		t.Errorf("%+v", f)
	}
	for _, i := range f.Working.Inputs {
		if want := map[string]float64{"n": 10.0 / 8, "m": 9.0 / 8}[i.Symbol]; i.Value != want {
			t.Errorf("%s: %v", i.Symbol, i.Value)
		}
	}
}
