package pane

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/fault"
	"freshshard/core/working"
)

// Behind every bar stand numbers that give its height, each with its working and its limit.
func TestEveryBarHasItsNumbers(t *testing.T) {
	fire, err := exposure.Book.ByID("fire")
	if err != nil {
		t.Fatal(err)
	}
	weather, err := exposure.Book.ByID("weather")
	if err != nil {
		t.Fatal(err)
	}
	for name, n := range map[string]Need{
		"a stove": {Exposure: fire, Thickness: 4, Area: 65_000, Load: Load{W: 263, H: 235}, Like: "glass-ceramic"},
		"a cab's window where people fall": {Exposure: weather, Thickness: 5, Area: 400_000, Strike: true,
			Load: Load{W: 800, H: 500, Wind: 30, Warp: 2, Push: 300}},
	} {
		c, err := Choose(n)
		if err != nil {
			t.Fatal(err)
		}
		seen := 0
		for _, a := range c.Stands {
			for _, s := range a.Stand {
				seen++
				figures, err := c.Why(a.Key, s.Material)
				if err != nil || len(figures) == 0 {
					t.Errorf("%s, %s of %s: %d figures, %v", name, a.Key, s.Material, len(figures), err)
					continue
				}
				f := figures[0]
				v := f.Value
				if a.Key == "load" || a.Key == "seat" { // the bar ends where the scale does
					v = min(v, manyTimes)
				}
				if flat := f.Text == "flat"; s.Known && !flat && math.Abs(v-s.Value) > 1e-9 {
					t.Errorf("%s, %s of %s: the bar is %v, its number %v", name, a.Key, s.Material, s.Value, f.Value)
				}
				if stops := f.Verdict == working.Stop; a.Key != "cost" && s.Known && stops != (s.Left < -1e-9) {
					t.Errorf("%s, %s of %s: %v left, verdict %s", name, a.Key, s.Material, s.Left, f.Verdict)
				}
				for _, f := range figures {
					if f.Working.Formula == "" || f.Sentence == "" || f.Working.Values == "" {
						t.Errorf("%s, %s of %s: %s says too little: %+v", name, a.Key, s.Material, f.Key, f.Working)
					}
				}
			}
		}
		if seen < 20 {
			t.Errorf("%s: %d bars", name, seen)
		}
		if _, err := c.Why("luck", "annealed"); fault.Of(err) == nil || fault.Of(err).Field != "aspect" {
			t.Errorf("an aspect that nobody compares: %v", err)
		}
		if _, err := c.Why("steady", "unobtainium"); fault.Of(err) == nil || fault.Of(err).Field != "material" {
			t.Errorf("a material that nobody has: %v", err)
		}
	}
}

// Just inside, at and just outside what the place asks, in the words that a person reads.
func TestWhyAtTheLimit(t *testing.T) {
	e, err := exposure.Book.ByID("fire")
	if err != nil {
		t.Fatal(err)
	}
	m, err := Book.ByID("glass-ceramic")
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		over    float64
		verdict working.Verdict
		says    string
	}{{-1, working.Good, "that leaves 1 °C"}, {0, working.Good, "that leaves 0 °C"},
		{1, working.Stop, "that leaves −1 °C"}} {
		e.Steady = m.Steady.V + c.over
		e.Short = max(e.Short, e.Steady)
		choice, err := Choose(Need{Exposure: e, Thickness: 4})
		if err != nil {
			t.Fatal(err)
		}
		f, err := choice.Why("steady", m.ID)
		if err != nil || f[0].Verdict != c.verdict || !strings.Contains(f[0].Sentence, c.says) {
			t.Errorf("%v over: %+v, %v", c.over, f, err)
		}
	}
}
