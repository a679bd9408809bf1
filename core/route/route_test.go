package route

import (
	"testing"

	"freshshard/core/family"
)

func steps(done int) map[family.Station][2]int {
	m := map[family.Station][2]int{}
	for _, s := range family.Stations {
		m[s] = [2]int{min(done, 2), 2}
		done = max(0, done-2)
	}
	return m
}

func TestLegs(t *testing.T) {
	for _, c := range []struct {
		name string
		in   Progress
		now  family.Station
		say  string
	}{
		{"fresh", Progress{Steps: steps(0), Missing: 6, Checks: [2]int{0, 7}}, "assess", ""},
		{"half way in a station", Progress{Steps: steps(1), Missing: 6, Checks: [2]int{0, 7}}, "assess", "1 of 2"},
		{"readings missing though the steps are ticked", Progress{Steps: steps(6), Missing: 3, Checks: [2]int{0, 7}},
			"measure", "3 to read"},
		{"an odd reading holds it", Progress{Steps: steps(6), Odd: 1, Checks: [2]int{0, 7}}, "measure", "odd reading"},
		{"nothing is missing, the step is open", Progress{Steps: steps(4), Checks: [2]int{0, 7}}, "measure", ""},
		{"no material", Progress{Steps: steps(8), Checks: [2]int{0, 7}}, "choose", "open"},
		{"something is still out", Progress{Steps: steps(20), Chosen: true, Out: 2, Checks: [2]int{7, 7}}, "refit",
			"2 still out"},
		{"checks open", Progress{Steps: steps(20), Chosen: true, Checks: [2]int{3, 7}}, "prove", "3 of 7"},
		{"one check", Progress{Steps: steps(20), Chosen: true, Checks: [2]int{1, 7}}, "prove", "1 of 7"},
		{"no check", Progress{Steps: steps(20), Chosen: true, Checks: [2]int{0, 7}}, "prove", ""},
		{"only the signature", Progress{Steps: steps(20), Chosen: true, Checks: [2]int{7, 7}}, "prove", "to sign"},
		{"signed", Progress{Steps: steps(20), Chosen: true, Checks: [2]int{7, 7}, Signed: true}, "", ""},
	} {
		var now family.Station
		say := ""
		legs := Legs(c.in)
		if len(legs) != 10 {
			t.Fatalf("%s: %d legs", c.name, len(legs))
		}
		for _, l := range legs {
			if l.State == Now {
				now, say = l.Station, l.Say
			}
			if (l.Open == 0) != (l.State == Done) {
				t.Errorf("%s: %s is %s with %d open", c.name, l.Station, l.State, l.Open)
			}
		}
		if now != c.now || say != c.say {
			t.Errorf("%s: now %q %q, want %q %q", c.name, now, say, c.now, c.say)
		}
	}
}

// What is bought first is asked for before the object is opened, and waited for at Source.
func TestBoughtFirst(t *testing.T) {
	at := func(source, strip int, comes bool) (family.Station, string) {
		p := Progress{Steps: map[family.Station][2]int{"source": {source, 1}, "strip": {strip, 1}}, Chosen: true,
			BoughtFirst: true, Comes: comes}
		for _, l := range Legs(p) {
			if l.State == Now {
				return l.Station, l.Say
			}
		}
		return "", ""
	}
	for _, c := range []struct {
		source, strip int
		comes         bool
		now           family.Station
		say           string
	}{{0, 0, false, "source", ""}, {1, 0, true, "source", "on its way"}, {1, 0, false, "strip", ""},
		{0, 1, false, "source", ""}, {1, 1, false, "prove", "to sign"}} {
		if now, say := at(c.source, c.strip, c.comes); now != c.now || say != c.say {
			t.Errorf("%+v: %s %q", c, now, say)
		}
	}
}
