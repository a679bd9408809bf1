package prove

import (
	"testing"

	"freshshard/core/family"
	"freshshard/core/fault"
)

func checks(t *testing.T) map[string]Check {
	t.Helper()
	f, err := family.Book.ByID("clip-heat")
	if err != nil {
		t.Fatal(err)
	}
	m := map[string]Check{}
	for _, c := range Checks(f) {
		m[c.Key] = c
	}
	return m
}

func num(v float64) *float64 { return &v }

func TestTake(t *testing.T) {
	m := checks(t)
	for _, c := range []struct {
		name  string
		check string
		in    Answer
		want  Outcome
		field string
	}{
		{"plain pass", "paper", Answer{Outcome: Pass}, Pass, ""},
		{"fail with a finding", "paper", Answer{Outcome: Fail, Finding: "loose at the hinge"}, Fail, ""},
		{"fail without a word", "paper", Answer{Outcome: Fail}, Open, "finding"},
		{"left out with a reason", "stamp", Answer{Outcome: Skip, Finding: "no stamp"}, Skip, ""},
		{"left out in the book's case", "stamp", Answer{Outcome: Skip}, Skip, ""},
		{"left out where it always applies", "count", Answer{Outcome: Skip, Finding: "nobody counted them"}, Open, "outcome"},
		{"number inside", "gap", Answer{Outcome: Pass, Value: num(1.2)}, Pass, ""},
		{"number outside fails whatever is said", "gap", Answer{Outcome: Pass, Value: num(2.5)}, Fail, ""},
		{"number on the limit", "gap", Answer{Outcome: Fail, Value: num(2)}, Pass, ""},
		{"nothing at all", "gap", Answer{Outcome: Pass, Value: num(0)}, Pass, ""},
		{"the most that is taken", "gap", Answer{Outcome: Pass, Value: num(1e5)}, Fail, ""},
		{"a slipped digit", "gap", Answer{Outcome: Pass, Value: num(1e5 + 1)}, Open, "value"},
		{"no number", "gap", Answer{Outcome: Pass}, Open, "value"},
		{"negative number", "gap", Answer{Outcome: Pass, Value: num(-1)}, Open, "value"},
		{"number where none belongs", "paper", Answer{Outcome: Pass, Value: num(1)}, Open, "value"},
		{"no such outcome", "paper", Answer{Outcome: "perhaps"}, Open, "outcome"},
	} {
		got, err := m[c.check].Take(c.in)
		if c.field != "" {
			if f := fault.Of(err); f == nil || f.Field != c.field {
				t.Errorf("%s: want a fault at %s, got %v", c.name, c.field, err)
			}
			continue
		}
		if err != nil || got.Outcome != c.want {
			t.Errorf("%s: %q, %v", c.name, got.Outcome, err)
		}
		if got.Outcome == Skip && got.Finding != "no stamp on this pane" && got.Finding != "no stamp on this pane: no stamp" {
			t.Errorf("%s: %q", c.name, got.Finding)
		}
		if got.Outcome == Fail && got.Finding == "" {
			t.Errorf("%s: failed without a word", c.name)
		}
	}
}

func TestHindrances(t *testing.T) {
	m := checks(t)
	paper, _ := m["paper"].Take(Answer{Outcome: Pass})
	gap, _ := m["gap"].Take(Answer{Value: num(9), Outcome: Pass})
	got := Hindrances(State{Sized: true, Checks: []Check{paper, gap, m["fire"]},
		OpenSteps: []Named{{"door-on", "Door on"}}, Odd: []Named{{"width_top", "width, top"}},
		Strip: []Named{{"e1", "screw, 1 of 6 still out"}}})
	kinds := map[string]int{}
	for _, h := range got {
		kinds[h.Kind]++
	}
	if len(got) != 6 || kinds["strip"] != 1 || kinds["reading"] != 1 || kinds["choice"] != 1 || kinds["step"] != 1 ||
		kinds["failed"] != 1 || kinds["check"] != 1 {
		t.Errorf("%+v", got)
	}
	if left := Hindrances(State{Sized: true, Chosen: true, Checks: []Check{paper}}); len(left) != 0 {
		t.Errorf("a finished job is held up by %+v", left)
	}
}

// A number that fails says by which number, to a hundredth.
func TestAFailureSaysItsNumber(t *testing.T) {
	got, err := checks(t)["gap"].Take(Answer{Value: num(2.126), Outcome: Pass})
	if err != nil || got.Finding != "2.13 mm, at most 2 mm is wanted" {
		t.Errorf("%q, %v", got.Finding, err)
	}
}
