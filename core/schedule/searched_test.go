package schedule

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"testing"

	"freshshard/tools/golden"
)

// Plans that are searched, by a count of tries and not by the clock, so that they are the
// same each time: of small shops looked through whole and of larger ones; after somebody is
// ill, a pane is late, a step is pinned; played out; and what would have a job ready sooner.
func TestSearchedPlansAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	whole := Options{Tries: 40, Seed: 3}
	solved := func(name string, p Problem) Plan {
		plan, err := Solve(context.Background(), p, whole)
		if err != nil {
			fmt.Fprintf(b, "= %s: %v\n", name, err)
			return plan
		}
		told(b, name, p, plan)
		fmt.Fprintf(b, "  cost %.3f of %.3f, proved %v, idle %.2f, tidy %+v\n", plan.Cost, plan.Bound, plan.Proved,
			plan.Idle, plan.Tidy)
		for _, d := range plan.Steps {
			fmt.Fprintf(b, "  %s: %s\n", d.Step, d.Why)
		}
		return plan
	}
	for seed := range uint64(4) {
		solved(fmt.Sprintf("small %d", seed), small(seed, 2+int(seed%4)))
	}
	for seed := range uint64(1) {
		p := shop(seed, 3+int(seed))
		plan := solved(fmt.Sprintf("shop %d", seed), p)
		again := func(name string, q Problem, o Options) {
			after, moves, err := Replan(context.Background(), q, plan, o)
			if err != nil {
				fmt.Fprintf(b, "= %s: %v\n", name, err)
				return
			}
			told(b, name, q, after)
			for _, m := range moves {
				fmt.Fprintf(b, "  moved %+v\n", m)
			}
			fmt.Fprintf(b, "  cost %.3f of %.3f, proved %v\n", after.Cost, after.Bound, after.Proved)
		}
		late := p
		late.Jobs = slices.Clone(p.Jobs)
		late.Jobs[1].Steps = slices.Clone(p.Jobs[1].Steps)
		late.Jobs[1].Steps[2].Not += 700
		again("a pane is late", late, Options{})
		again("a pane is late, all planned anew", late, whole)
		ill := p
		ill.People = slices.Clone(p.People)
		ill.People[1].Hours = ill.People[1].Hours[2:]
		again("Tor is ill", ill, whole)
		held := p
		held.Jobs = pinned(p, p.Jobs[0].Steps[1].ID, Pin{At: 1500, People: []string{"ebbe"}})
		again("a step is pinned", held, Options{})
		slips := []Slip{{p.Jobs[1].Steps[2].ID, 0.4, 1440}}
		odds, err := Play(context.Background(), p, plan, slips, 60, 5)
		if err != nil {
			t.Fatal(err)
		}
		for _, o := range odds {
			fmt.Fprintf(b, "  odds of %s: %.3f %d %d %d, %.3f\n", o.Job, o.Kept, o.Half, o.Nine, o.Sure, o.KeptBy(o.Half-30))
		}
		for _, want := range []int{plan.Ready[1].At - 200, plan.Ready[1].At + 300} {
			ways, err := Ways(context.Background(), p, plan, slips, p.Jobs[1].ID, max(60, want))
			if err != nil {
				t.Fatal(err)
			}
			for _, w := range ways {
				fmt.Fprintf(b, "  way to %d: %+v\n", want, w)
			}
		}
	}
	golden.Check(t, "searched", b.String())
}

// Plans of which one thing is otherwise, by a minute, by hours: how many faults the verifier
// finds for each.
func TestNudgedPlansAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for seed := range uint64(3) {
		p := shop(seed+2, 3)
		p.Jobs[0].Steps[0].Pin = &Pin{At: 60, People: []string{"mira"}}
		plan, err := Solve(context.Background(), p, Options{Tries: 30, Seed: 3})
		if err != nil {
			t.Fatal(err)
		}
		fmt.Fprintf(b, "= shop %d, %d as it is\n", seed, len(Verify(p, plan)))
		last := ""
		golden.Nudge(t, plan, []float64{-1, 1, -60, 60, 700, -700}, func(path string, way int, changed Plan) {
			if strings.HasPrefix(path, ".tidy") || strings.HasSuffix(path, ".why") {
				return
			}
			if path != last {
				fmt.Fprintf(b, "\n%s ", path)
				last = path
			}
			fmt.Fprintf(b, "%d ", len(Verify(p, changed)))
		})
		q := plan
		q.Steps = append(slices.Clone(plan.Steps), plan.Steps[0])
		fmt.Fprintf(b, "\nonce more %d, ", len(Verify(p, q)))
		q.Steps = plan.Steps[1:]
		fmt.Fprintf(b, "one less %d, ", len(Verify(p, q)))
		q.Left = []Left{{Step: plan.Steps[0].Step, Why: "no time"}}
		fmt.Fprintf(b, "left with why %d, ", len(Verify(p, q)))
		q.Left[0].Why = ""
		fmt.Fprintf(b, "without %d, ", len(Verify(p, q)))
		q.Left = []Left{{Step: plan.Steps[0].Step, Why: "no time"}, {Step: plan.Steps[0].Step, Why: "no time"}}
		fmt.Fprintf(b, "twice %d\n", len(Verify(p, q)))
	}
	golden.Check(t, "nudged", b.String())
}

// A great many plans: each is sound, none costs less than what cannot be beaten, one that is proved
// costs just that, and the same task is planned the same.
func TestManyPlansAreSound(t *testing.T) {
	ctx := context.Background()
	for seed := range uint64(36) {
		p := shop(seed+40, 2+int(seed)%8)
		if seed%4 == 3 {
			p = small(seed+9, 2+int(seed)%4)
		}
		o := Options{Tries: 25, Seed: seed}
		plan, err := Solve(ctx, p, o)
		if err != nil || len(plan.Steps) == 0 {
			continue
		}
		isSound(t, fmt.Sprintf("%d", seed), p, plan)
		if again, err := Solve(ctx, p, o); err != nil || golden.Lines(t, again) != golden.Lines(t, plan) {
			t.Errorf("%d: the same task is planned otherwise, %v", seed, err)
		}
		later := p
		later.Jobs = slices.Clone(p.Jobs)
		k := int(seed) % len(p.Jobs)
		later.Jobs[k].Steps = slices.Clone(p.Jobs[k].Steps)
		for i := range later.Jobs[k].Steps {
			later.Jobs[k].Steps[i].Minutes += 5 * (i % 3)
		}
		later.Jobs[k].Steps[0].Not += 240 * (int(seed) % 5)
		less := p
		less.People = slices.Clone(p.People)
		less.People[0].Hours = less.People[0].Hours[min(len(less.People[0].Hours)-1, int(seed)%3):]
		for n, q := range []Problem{later, less} {
			for _, opt := range []Options{{}, o} {
				after, moves, err := Replan(ctx, q, plan, opt)
				if err != nil {
					continue
				}
				name := fmt.Sprintf("%d, %s", seed, []string{"later", "fewer hours"}[n])
				isSound(t, name, q, after)
				movesAreTrue(t, name, plan, after, moves)
			}
		}
		stands := Standing{Plan: ByHand(p)}
		for j := range p.Jobs { // each second one is promised as the days can keep it
			if at := stands.Plan.Ready[j].At + 60; j%2 == 0 && at > 60 {
				p.Jobs[j].Promise = &at
			}
		}
		if stands.Odds, err = Play(ctx, p, stands.Plan, nil, 40, seed); err != nil {
			t.Fatal(err)
		}
		for _, o := range stands.Odds {
			if o.Half > o.Nine || o.Nine > o.Sure || o.Kept < 0 || o.Kept > 1 {
				t.Errorf("%d: odds of %s: half by %d, nine in ten by %d, sure by %d, kept %v", seed, o.Job, o.Half, o.Nine,
					o.Sure, o.Kept)
			}
		}
		limits := stands.limits(p)
		better := anew{newBuilder(p)}.improve(ctx, stands.Plan, limits, Options{Tries: 40, Seed: seed})
		isSound(t, fmt.Sprintf("%d, within what is promised", seed), p, better)
		for j, r := range better.Ready {
			if r.At > limits[j] && stands.Plan.Ready[j].At <= limits[j] {
				t.Errorf("%d: %s is ready at %d, and its promise bears %d", seed, r.Job, r.At, limits[j])
			}
		}
	}
}

// isSound holds a plan against the verifier and against what cannot be beaten.
func isSound(t *testing.T, name string, p Problem, plan Plan) {
	t.Helper()
	if b := Verify(p, plan); len(b) > 0 {
		t.Errorf("%s: %v", name, b)
	}
	if plan.Cost < plan.Bound-1e-9 {
		t.Errorf("%s: it costs %v, and nothing can cost less than %v", name, plan.Cost, plan.Bound)
	}
}

// movesAreTrue holds what is said to have moved against both plans.
func movesAreTrue(t *testing.T, name string, was, is Plan, moves []Moved) {
	t.Helper()
	at := func(p Plan, step string) (Done, bool) {
		i := slices.IndexFunc(p.Steps, func(d Done) bool { return d.Step == step })
		if i < 0 {
			return Done{}, false
		}
		return p.Steps[i], true
	}
	said := map[string]bool{}
	for _, m := range moves {
		said[m.Step] = true
	}
	for _, d := range is.Steps {
		old, before := at(was, d.Step)
		if moved := before && (abs(old.At-d.At) > slight || !slices.Equal(old.People, d.People)); moved != said[d.Step] &&
			before {
			t.Errorf("%s: %s from %d %v to %d %v, said to have moved: %v", name, d.Step, old.At, old.People, d.At, d.People,
				said[d.Step])
		}
	}
}
