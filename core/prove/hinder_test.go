package prove

import (
	"strings"
	"testing"
)

// Each thing alone keeps a job from being signed, in the words that a person
// reads; with none of them it may be.
func TestEachHindrance(t *testing.T) {
	clear := State{Sized: true, Chosen: true, Checks: []Check{{Key: "a", Text: "Gap even", Outcome: Pass},
		{Key: "b", Text: "Stamp", Outcome: Skip}}}
	if h := Hindrances(clear); len(h) != 0 {
		t.Fatalf("%+v", h)
	}
	for _, c := range []struct {
		kind, key, says string
		change          func(*State)
	}{
		{"size", "measure", "no size yet", func(s *State) { s.Sized = false }},
		{"choice", "choose", "no material chosen", func(s *State) { s.Chosen = false }},
		{"stop", "bite_cold", "2.9 mm in each socket",
			func(s *State) { s.Stops = []Stop{{Key: "bite_cold", Says: "2.9 mm in each socket"}} }},
		{"strip", "e1", "strip log: bracket screw, one out",
			func(s *State) { s.Strip = []Named{{"e1", "bracket screw, one out"}} }},
		{"reading", "width_top", "does not fit the rest: width, top",
			func(s *State) { s.Odd = []Named{{"width_top", "width, top"}} }},
		{"step", "cold", "step open: Cold", func(s *State) { s.OpenSteps = []Named{{"cold", "Cold"}} }},
		{"check", "a", "check open: Gap even", func(s *State) { s.Checks[0].Outcome = Open }},
		{"failed", "a", "check failed: Gap even", func(s *State) { s.Checks[0].Outcome = Fail }},
	} {
		s := clear
		s.Checks = append([]Check(nil), clear.Checks...)
		c.change(&s)
		h := Hindrances(s)
		if len(h) != 1 || h[0].Kind != c.kind || h[0].Key != c.key || !strings.Contains(h[0].Text, c.says) {
			t.Errorf("%s: %+v", c.kind, h)
		}
	}
}
