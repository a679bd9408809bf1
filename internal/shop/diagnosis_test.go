package shop

import (
	"errors"
	"testing"

	"freshshard/core/diagnose"
	"freshshard/core/fault"
	"freshshard/core/plan"
	"freshshard/internal/bench"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

func required(v jobview.View) []plan.Step {
	var out []plan.Step
	for _, s := range v.Reckoning.Plan.Steps {
		if s.Required {
			out = append(out, s)
		}
	}
	return out
}

// What broke the last pane stands in the plan and keeps the job from being
// signed until it is done; it cannot be left out.
func TestCauseChangesThePlan(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	e := diagnose.Evidence{"origin": "fixing", "fixings": "tight"}
	if err := s.Bench.Diagnose(ctx, tor, jobview.First(id), bench.Seen{Evidence: e}); err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	if v.Reckoning.Why.Ranked[0].ID != "over-tight" || len(required(v)) != 0 {
		t.Fatalf("%s, %d required steps before anything is settled", v.Reckoning.Why.Sentence, len(required(v)))
	}
	var c *record.Conflict
	if err := s.Bench.Diagnose(ctx, mira, jobview.First(id), bench.Seen{Evidence: e, Cause: "blow"}); !errors.As(err, &c) {
		t.Errorf("an old copy settled: %v", err)
	}
	if err := s.Bench.Diagnose(ctx, tor, jobview.First(id),
		bench.Seen{Evidence: e, Cause: "over-tight", Version: 1}); err != nil {
		t.Fatal(err)
	}
	// What stood behind it brings its own change, and can be taken off again.
	chain := bench.Seen{Evidence: e, Cause: "over-tight", Behind: []string{"seal-perished", "wrong-material"}, Version: 2}
	if err := s.Bench.Diagnose(ctx, tor, jobview.First(id), chain); err != nil {
		t.Fatal(err)
	}
	v = view1(t, s, id)
	if got := v.Reckoning.Cause; len(required(v)) != 3 || len(v.Reckoning.Chain) != 3 ||
		got != "A fixing too tight, because of a seal that shrank or perished, because of the wrong glass for the place" {
		t.Errorf("%q, %d required steps", got, len(required(v)))
	}
	if err := s.Bench.Diagnose(ctx, tor, jobview.First(id), chain); err != nil {
		t.Errorf("a retry: %v", err)
	}
	if err := s.Bench.Diagnose(ctx, tor, jobview.First(id),
		bench.Seen{Evidence: e, Cause: "over-tight", Version: 3}); err != nil {
		t.Fatal(err)
	}
	v = view1(t, s, id)
	need := required(v)
	if len(need) != 1 || need[0].Station != "set" {
		t.Fatalf("%+v", need)
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), need[0].Key,
		bench.Done{Outcome: "left-out", Reason: "no time"}); fault.Of(err) == nil {
		t.Errorf("it was left out: %v", err)
	}
	open := func() bool {
		for _, h := range view1(t, s, id).Hindrances {
			if h.Key == need[0].Key {
				return true
			}
		}
		return false
	}
	if !open() {
		t.Error("it does not hold the sign-off up")
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), need[0].Key, bench.Done{Outcome: "done"}); err != nil || open() {
		t.Errorf("%v, still open: %v", err, open())
	}
}

func TestDiagnoseRefuses(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	for field, in := range map[string]bench.Seen{"evidence.origin": {Evidence: diagnose.Evidence{"origin": "moon"}},
		"evidence.colour": {OldPane: diagnose.Evidence{"colour": "pink"}}, "cause": {Cause: "curse"},
		"behind": {Cause: "blow", Behind: []string{"slam"}}} {
		if f := fault.Of(s.Bench.Diagnose(ctx, tor, jobview.First(id), in)); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, f)
		}
	}
}

// A likely old material stands in where nobody said what it was.
func TestOldPaneTellsTheMaterial(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	if err := s.Bench.Diagnose(ctx, tor, jobview.First(id),
		bench.Seen{OldPane: diagnose.Evidence{"broke": "dice", "edge": "seamed"}}); err != nil {
		t.Fatal(err)
	}
	found := false
	for _, c := range view1(t, s, id).Reckoning.Plan.Cautions {
		found = found || c.ID == "toughened"
	}
	if !found {
		t.Error("dice and seamed edges do not warn of toughened glass")
	}
}
