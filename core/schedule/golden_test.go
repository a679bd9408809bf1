package schedule

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/tools/golden"
)

// told is a plan in lines: what is done when and by whom, when each job is ready and why,
// how late all are, and what the verifier finds.
func told(b *strings.Builder, name string, p Problem, plan Plan) {
	fmt.Fprintf(b, "= %s: %.2f h late\n", name, plan.Late)
	for _, d := range plan.Steps {
		fmt.Fprintf(b, "  %s %d-%d %v\n", d.Step, d.At, d.To, d.People)
	}
	for _, r := range plan.Ready {
		fmt.Fprintf(b, "  %s ready %d, late %d, %s\n", r.Job, r.At, r.Late, r.Why)
	}
	for _, l := range plan.Left {
		fmt.Fprintf(b, "  left %+v\n", l)
	}
	for _, w := range Verify(p, plan) {
		fmt.Fprintf(b, "  not so: %+v\n", w)
	}
}

// Plans by hand of made-up shops, with pins that hold, that come too soon, that fall into the
// noon or beside the hours, of somebody who may not, of two who are one: as they were looked
// at.
func TestPlansByHandAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for seed := range uint64(8) {
		p := small(seed, 3+int(seed%4))
		plan := ByHand(p)
		told := told
		if seed > 0 { // of the first all is told; the others are held against the verifier
			told = heldToPins(t)
		}
		told(b, fmt.Sprintf("shop %d", seed), p, plan)
		for n, d := range plan.Steps {
			for _, shift := range []int{-30, 1, 55} {
				q := p
				q.Jobs = pinned(p, d.Step, Pin{At: max(0, d.At+shift), People: d.People})
				told(b, fmt.Sprintf("shop %d, step %d by %d", seed, n, shift), q, ByHand(q))
			}
			q := p
			q.Jobs = pinned(p, d.Step, Pin{At: d.At, People: []string{"tor"}})
			told(b, fmt.Sprintf("shop %d, step %d by Tor", seed, n), q, ByHand(q))
			if !slices.Equal(d.People, []string{"tor"}) && len(Verify(q, plan)) == 0 {
				t.Errorf("shop %d: step %d is pinned to Tor, and the plan that gives it to %v is sound", seed, n, d.People)
			}
		}
	}
	golden.Check(t, "by-hand", b.String())
}

// heldToPins holds a plan by hand against the verifier: where something is not so, it is told of a
// step that is pinned, or of a job with one.
func heldToPins(t *testing.T) func(b *strings.Builder, name string, p Problem, plan Plan) {
	return func(_ *strings.Builder, name string, p Problem, plan Plan) {
		t.Helper()
		pinned := map[string]bool{}
		for _, j := range p.Jobs {
			for _, s := range j.Steps {
				if s.Pin != nil {
					pinned[j.ID] = true
				}
			}
		}
		for _, w := range Verify(p, plan) {
			if !pinned[w.Job] {
				t.Errorf("%s: not so, and nothing of it is pinned: %+v", name, w)
			}
		}
	}
}

// pinned are the jobs of a problem with one step pinned.
func pinned(p Problem, step string, pin Pin) []Job {
	var out []Job
	for _, j := range p.Jobs {
		k := j
		k.Steps = append([]Step(nil), j.Steps...)
		for i := range k.Steps {
			if k.Steps[i].ID == step {
				k.Steps[i].Pin = &pin
			}
		}
		out = append(out, k)
	}
	return out
}

// Two pins that cannot both hold: of one person, of a place that is there once, of a step and
// the one before it; and that can, where the place is there twice or they lie apart.
func TestWhichPinsQuarrel(t *testing.T) {
	at := func(n int, who ...string) *Pin { return &Pin{At: n, People: who} }
	for _, c := range []struct {
		name  string
		a, b  Step
		count int
		why   string
	}{
		{"one person at both", Step{Pin: at(0, "mira")}, Step{Pin: at(20, "mira")}, 2, "mira cannot be at both"},
		{"one after the other", Step{Pin: at(0, "mira")}, Step{Pin: at(30, "mira")}, 2, ""},
		{"a minute too soon", Step{Pin: at(0, "mira")}, Step{Pin: at(29, "mira")}, 2, "mira cannot be at both"},
		{"a place once", Step{Pin: at(0, "mira"), Uses: []string{"bench"}}, Step{Pin: at(20, "tor"),
			Uses: []string{"bench"}}, 1, "bench is there once"},
		{"a place twice", Step{Pin: at(0, "mira"), Uses: []string{"bench"}}, Step{Pin: at(20, "tor"),
			Uses: []string{"bench"}}, 2, ""},
		{"a wait between", Step{Pin: at(0, "mira")}, Step{Pin: at(40, "tor"), After: []After{{"a", 20}}}, 2, "wants"},
		{"the wait just over", Step{Pin: at(0, "mira")}, Step{Pin: at(50, "tor"), After: []After{{"a", 20}}}, 2, ""},
	} {
		c.a.ID, c.b.ID, c.a.Minutes, c.b.Minutes = "a", "b", 30, 30
		p := Problem{People: []Person{{ID: "mira", Hours: []Window{{0, 400}}}, {ID: "tor", Hours: []Window{{0, 400}}}},
			Places: []Place{{ID: "bench", Count: c.count}}, Jobs: []Job{{ID: "j", Steps: []Step{c.a, c.b}}}}
		one, other, err := Quarrel(p)
		why := ""
		if f := fault.Of(err); f != nil {
			why = f.Why
		}
		if !strings.Contains(why, c.why) || (c.why == "") != (err == nil) || (c.why == "") != (one+other == "") {
			t.Errorf("%s: %q %q, %v", c.name, one, other, err)
		}
	}
}
