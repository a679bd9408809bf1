package shop

import (
	"testing"

	"freshshard/core/family"
	"freshshard/core/plan"
	"freshshard/internal/jobview"
	"freshshard/internal/standing"
)

// A second pair of hands is asked for two hours of work ahead: just before, at, after; not
// behind a clock, nor behind a pane that is still to be ordered.
func TestTwoAhead(t *testing.T) {
	step := func(key string, station family.Station, minutes, people int) plan.Step {
		return plan.Step{Key: key, Title: key, Station: station, Minutes: minutes, People: people}
	}
	for _, c := range []struct {
		name  string
		steps []plan.Step
		clock string
		want  int // -1 for none
	}{
		{"it is next", []plan.Step{step("in", "set", 8, 2)}, "", 0},
		{"after an hour", []plan.Step{step("a", "strip", 60, 1), step("in", "set", 8, 2)}, "", 60},
		{"after two hours", []plan.Step{step("a", "strip", 120, 1), step("in", "set", 8, 2)}, "", 120},
		{"a minute more", []plan.Step{step("a", "strip", 121, 1), step("in", "set", 8, 2)}, "", -1},
		{"behind a clock", []plan.Step{step("cure", "hold", 0, 1), step("in", "set", 8, 2)}, "cure", -1},
		{"behind an order", []plan.Step{step("a", "measure", 5, 1), step("order", "source", 5, 1), step("in", "set", 8, 2)},
			"", -1},
		{"the order is the next thing", []plan.Step{step("order", "source", 5, 1), step("in", "set", 8, 2)}, "", 5},
		{"what is done is behind", []plan.Step{step("done", "set", 8, 2), step("a", "set", 10, 1)}, "", -1},
		{"nothing takes two", []plan.Step{step("a", "set", 10, 1)}, "", -1},
	} {
		b := jobview.Pane{Done: map[string]bool{"done": true}}
		b.Reckoning.Plan.Steps = c.steps
		if c.clock != "" {
			b.Standing.Clocks = map[string]plan.Clock{c.clock: {What: "urethane"}}
		}
		got := standing.NextForTwo(b)
		if (got == nil) != (c.want < 0) || got != nil && got.In != c.want {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
}

// What is taken along for what is left: tools of the steps that are open, the log's own
// drives, the panes that are lacking, who is needed.
func TestVanLoad(t *testing.T) {
	s, _, tor := open(t)
	id := toCutLight(t, s, tor, "Greenhouse, light 2", "506", "402")
	has := func(what string) bool {
		t.Helper()
		l, err := s.Rounds.VanLoad(ctx, id)
		if err != nil {
			t.Fatal(err)
		}
		for _, k := range l.Tools {
			if k.What == what {
				return true
			}
		}
		return false
	}
	if !has("putty, putty knife, whiting") || !has("points and driver") ||
		has("cartridge gun, spare nozzles, rag, gloves") {
		t.Error("the tools of a puttied light")
	}
	l, _ := s.Rounds.VanLoad(ctx, id)
	if len(l.Parts) == 0 || len(l.Mind) == 0 {
		t.Errorf("%+v", l)
	}
	upTo(t, s, tor, jobview.First(id), "skin", "measure", "choose")
	if has("putty, putty knife, whiting") || has("points and driver") {
		t.Error("what is done wants tools still")
	}
}
