package prove

import (
	"testing"

	"freshshard/core/fault"
	"freshshard/core/value"
	"freshshard/core/working"
)

// What a check takes: a number where it wants one, from nothing up to what can be measured;
// gaps at four places at least, as many as it asks for at most; a word where it fails; left
// out only where the book lets it be.
func TestWhatACheckTakes(t *testing.T) {
	v := func(x float64) *float64 { return &x }
	plain := Check{Key: "plain"}
	left := Check{Key: "left", May: "where there is no seal"}
	most := Check{Key: "gap", Unit: "mm", Limit: working.Most(2, "mm", value.Custom()), Spread: 8}
	least := Check{Key: "bite", Unit: "mm", Limit: working.Least(3, "mm", value.Custom())}
	for _, c := range []struct {
		name    string
		check   Check
		a       Answer
		outcome Outcome
		field   string
	}{
		{"passes", plain, Answer{Outcome: Pass}, Pass, ""}, {"fails with a word", plain, Answer{Outcome: Fail,
			Finding: "rattles"}, Fail, ""},
		{"fails without", plain, Answer{Outcome: Fail}, "", "finding"}, {"no outcome", plain, Answer{Outcome: "maybe"}, "",
			"outcome"},
		{"nothing said", plain, Answer{}, "", "outcome"}, {"a number that it does not take", plain, Answer{Outcome: Pass,
			Value: v(1)}, "", "value"},
		{"left out, and may not be", plain, Answer{Outcome: Skip}, "", "outcome"}, {"left out", left, Answer{Outcome: Skip},
			Skip, ""},
		{"no number", most, Answer{Outcome: Pass}, "", "value"}, {"at its most", most, Answer{Outcome: Pass, Value: v(2)},
			Pass, ""},
		{"beyond it, whatever was said", most, Answer{Outcome: Pass, Value: v(2.01)}, Fail, ""},
		{"within it, whatever was said", most, Answer{Outcome: Fail, Value: v(1)}, Pass, ""},
		{"at its least", least, Answer{Outcome: Pass, Value: v(3)}, Pass, ""}, {"below it", least, Answer{Outcome: Pass,
			Value: v(2.99)}, Fail, ""},
		{"nothing at all", most, Answer{Outcome: Pass, Value: v(0)}, Pass, ""}, {"under nothing", most, Answer{Outcome: Pass,
			Value: v(-0.1)}, "", "value"},
		{"as much as can be", least, Answer{Outcome: Pass, Value: v(mostMeasured)}, Pass, ""},
		{"more than can be", least, Answer{Outcome: Pass, Value: v(mostMeasured * 1.01)}, "", "value"},
		{"four gaps", most, Answer{Outcome: Pass, Gaps: []float64{1, 2, 3, 2}}, Pass, ""},
		{"uneven ones", most, Answer{Outcome: Pass, Gaps: []float64{1, 2, 3.1, 2}}, Fail, ""},
		{"three", most, Answer{Outcome: Pass, Gaps: []float64{1, 2, 3}}, "", "gaps"},
		{"eight", most, Answer{Outcome: Pass, Gaps: []float64{1, 1, 1, 1, 1, 1, 1, 1}}, Pass, ""},
		{"nine", most, Answer{Outcome: Pass, Gaps: []float64{1, 1, 1, 1, 1, 1, 1, 1, 1}}, "", "gaps"},
		{"a gap under nothing", most, Answer{Outcome: Pass, Gaps: []float64{1, 1, -0.1, 1}}, "", "gaps[2]"},
		{"a gap of nothing", most, Answer{Outcome: Pass, Gaps: []float64{0, 1, 1, 1}}, Pass, ""},
		{"a gap as wide as can be", most, Answer{Outcome: Fail, Gaps: []float64{mostMeasured, 1, 1, 1}}, Fail, ""},
		{"a wider one", most, Answer{Outcome: Pass, Gaps: []float64{1, 1, 1, mostMeasured * 1.01}}, "", "gaps[3]"},
		{"gaps where one number is asked", least, Answer{Outcome: Pass, Gaps: []float64{1, 2, 3, 2}}, "", "gaps"},
	} {
		got, err := c.check.Take(c.a)
		field := ""
		if f := fault.Of(err); f != nil {
			field = f.Field
		}
		if field != c.field || err == nil && got.Outcome != c.outcome {
			t.Errorf("%s: %q %v, want %q and field %q", c.name, got.Outcome, err, c.outcome, c.field)
		}
		if err == nil && got.Outcome == Fail && got.Finding == "" {
			t.Errorf("%s: nobody says what failed", c.name)
		}
	}
	got, err := most.Take(Answer{Outcome: Pass, Value: v(2.5)})
	if err != nil || got.Finding != "2.5 mm, at most 2 mm is wanted" {
		t.Errorf("%q, %v", got.Finding, err)
	}
	if got, err = least.Take(Answer{Outcome: Pass, Value: v(2.5)}); err != nil ||
		got.Finding != "2.5 mm, at least 3 mm is wanted" {
		t.Errorf("%q, %v", got.Finding, err)
	}
}
