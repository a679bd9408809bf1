package ask

import (
	"slices"
	"testing"

	"freshshard/core/caution"
	"freshshard/core/plan"
)

// Plain steps that follow one another are taken in one answer; whatever asks to stop
// and look ends the run.
func TestRun(t *testing.T) {
	steps := func(change func([]plan.Step)) plan.Plan {
		s := []plan.Step{{Key: "a", Station: "prepare", Title: "A", People: 1},
			{Key: "b", Station: "prepare", Title: "B", People: 1, After: []string{"a"}},
			{Key: "x", Station: "set", Title: "X", People: 1},
			{Key: "c", Station: "prepare", Title: "C", People: 1}, {Key: "d", Station: "prepare", Title: "D", People: 1},
			{Key: "e", Station: "prepare", Title: "E", People: 1}}
		change(s)
		return plan.Plan{Steps: s}
	}
	waits := func(key string) func(*Facts) {
		return func(f *Facts) { f.Waits = append(f.Waits, plan.Wait{Step: key, Why: "something else"}) }
	}
	none := func([]plan.Step) {}
	for _, c := range []struct {
		name  string
		plan  func([]plan.Step)
		facts func(*Facts)
		want  []string
	}{
		{"four at most", none, func(*Facts) {}, []string{"a", "b", "c", "d"}},
		{"one that waits for the first alone", none, waits("b"), []string{"a", "b", "c", "d"}},
		{"one that waits for something else", none, waits("c"), []string{"a", "b"}},
		{"one that waits for time", func(s []plan.Step) { s[1].Least = 1 }, waits("b"), nil},
		{"a hold", func(s []plan.Step) { s[3].Hold = true }, func(*Facts) {}, []string{"a", "b"}},
		{"a hold first", func(s []plan.Step) { s[0].Hold = true }, func(*Facts) {}, nil},
		{"asked for by the cause", func(s []plan.Step) { s[1].Required = true }, func(*Facts) {}, nil},
		{"two people", func(s []plan.Step) { s[4].People = 2 }, func(*Facts) {}, []string{"a", "b", "c"}},
		{"a caution", func(s []plan.Step) { s[1].Cautions = []caution.Caution{{ID: "cut"}} }, func(*Facts) {}, nil},
		{"a caution that the first has too", func(s []plan.Step) {
			s[0].Cautions = []caution.Caution{{ID: "cut"}}
			s[1].Cautions = s[0].Cautions
		}, func(*Facts) {}, []string{"a", "b", "c", "d"}},
		{"screws are counted off", func(s []plan.Step) { s[3].Screws = true }, func(*Facts) {}, []string{"a", "b"}},
		{"what is done is left out", none, func(f *Facts) { done(f, "a", "c") }, []string{"b", "d", "e"}},
		{"the last alone", none, func(f *Facts) { done(f, "a", "b", "c", "d") }, nil},
	} {
		f := Facts{Plan: steps(c.plan), Done: map[string]bool{}}
		c.facts(&f)
		if got := At("prepare", f).Run; !slices.Equal(got, c.want) {
			t.Errorf("%s: %v, want %v", c.name, got, c.want)
		}
	}
}
