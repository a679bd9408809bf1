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
	for seed := range uint64(10) {
		solved(fmt.Sprintf("small %d", seed), small(seed, 2+int(seed%4)))
	}
	for seed := range uint64(8) {
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

// A great many plans, a line each: that each comes out as it did.
func TestManyPlansAreAsTheyWere(t *testing.T) {
	b := &strings.Builder{}
	ctx := context.Background()
	text := func(v any) string { return golden.Digest(golden.Lines(t, v)) }
	for seed := range uint64(36) {
		p := shop(seed+40, 2+int(seed)%8)
		if seed%4 == 3 {
			p = small(seed+9, 2+int(seed)%4)
		}
		o := Options{Tries: 25, Seed: seed}
		plan, err := Solve(ctx, p, o)
		fmt.Fprintf(b, "%d: %v, cost %.3f of %.3f, %d left, proved %v, %s\n", seed, err, plan.Cost, plan.Bound,
			len(plan.Left),
			plan.Proved, text(plan))
		if b := Verify(p, plan); err == nil && len(b) > 0 {
			t.Errorf("%d: %v", seed, b)
		}
		if err != nil || len(plan.Steps) == 0 {
			continue
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
				fmt.Fprintf(b, "  %s: %v, cost %.3f, %d moved, proved %v, %s\n", []string{"later", "fewer hours"}[n], err,
					after.Cost,
					len(moves), after.Proved, text(after)+text(moves))
				if b := Verify(q, after); err == nil && len(b) > 0 {
					t.Errorf("%d, %d: %v", seed, n, b)
				}
			}
		}
		odds, err := Play(ctx, p, plan, []Slip{{plan.Steps[0].Step, 0.3, 300}}, 40, seed)
		fmt.Fprintf(b, "  odds %v %s", err, text(odds))
		stands := Standing{Plan: ByHand(p)}
		for j := range p.Jobs { // each second one is promised as the days can keep it
			if at := stands.Plan.Ready[j].At + 60; j%2 == 0 && at > 60 {
				p.Jobs[j].Promise = &at
			}
		}
		if stands.Odds, err = Play(ctx, p, stands.Plan, nil, 40, seed); err != nil {
			t.Fatal(err)
		}
		limits := stands.limits(p)
		nb := newBuilder(p)
		better := anew{nb}.improve(ctx, stands.Plan, limits, Options{Tries: 40, Seed: seed})
		got, is, err := Anew(ctx, p, stands, nil, 40, o)
		fmt.Fprintf(b, "; limits %v, within them %s, anew %v %v %s", limits, text(better), is, err, text(got.Plan))
		for _, j := range p.Jobs[:min(2, len(p.Jobs))] {
			ways, err := Ways(ctx, p, plan, nil, j.ID, 300+int(seed)*60)
			fmt.Fprintf(b, "; %d ways, %v, %s", len(ways), err, text(ways))
		}
		b.WriteString("\n")
	}
	golden.Check(t, "many", b.String())
}
