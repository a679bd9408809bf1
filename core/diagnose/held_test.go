package diagnose

import (
	"testing"

	"freshshard/core/family"
)

// A way of holding has its own causes, and the trade's first thought comes first.
func TestCausesByWayOfHolding(t *testing.T) {
	for _, c := range []struct {
		name  string
		held  family.Sizing
		e     Evidence
		first string
		never []string
	}{
		{"nothing seen of an oven", family.Channel, Evidence{}, "", []string{"worn-channel", "regulator-bind",
			"bond-failed"}},
		{"nothing seen of a sash", family.Rebate, Evidence{}, "", []string{"worn-channel", "regulator-bind", "bond-failed"}},
		{"hit, dice, at an edge", family.Run, Evidence{"doing": "knock", "look": "dice", "origin": "edge"}, "blow",
			[]string{"bond-failed"}},
		{"scratched along the travel, the felt hard", family.Run, Evidence{"surface": "scratched", "seal": "hard"},
			"worn-channel", nil},
		{"it broke as it was shut, the rebate clean", family.Channel, Evidence{"doing": "closing", "rust": "clean"},
			"shut-on", []string{"worn-channel"}},
		{"it broke as it was shut, with grit", family.Rebate, Evidence{"doing": "closing", "rust": "grit"}, "debris", nil},
		{"in for days, scratched, went in the heat", family.Clip, Evidence{"surface": "scratched", "age": "days",
			"doing": "heating"}, "handling", nil},
		{"a plate that let go", family.Hinge, Evidence{"seal": "let-go", "look": "whole"}, "bond-failed", nil},
		{"at a bracket, tight", family.Clip, Evidence{"origin": "fixing", "fixings": "tight"}, "over-tight",
			[]string{"bond-failed"}},
		{"a sash with rust under its edge", family.Rebate, Evidence{"rust": "rusty", "age": "decades"}, "rust-jacking", nil},
		{"whatever held it", "", Evidence{"moves": "rattles"}, "worn-channel", nil},
	} {
		r, err := WhyHeld(c.e, c.held)
		if err != nil {
			t.Errorf("%s: %v", c.name, err)
			continue
		}
		if c.first != "" && r.Ranked[0].ID != c.first {
			t.Errorf("%s: %s is first, want %s", c.name, r.Ranked[0].ID, c.first)
		}
		for _, k := range r.Ranked {
			for _, n := range c.never {
				if k.ID == n {
					t.Errorf("%s: %s cannot be here", c.name, n)
				}
			}
		}
	}
	// Every way that a cause names is one that there is, and each way has some.
	for _, c := range causes {
		for _, s := range c.Sizings {
			found := false
			for _, k := range family.Sizings {
				found = found || k == s
			}
			if !found {
				t.Errorf("%s: no way of holding is called %s", c.ID, s)
			}
		}
	}
}
