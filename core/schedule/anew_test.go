package schedule

import (
	"testing"
)

// Planned anew, no promise is taken back that the days keep as they stand, although a
// search for nothing but fewer hours late takes some back.
func TestAnewTakesNoPromiseBack(t *testing.T) {
	const runs = 100
	better, plain := 0, 0
	for seed := range uint64(8) {
		p := shop(seed, 14)
		first, err := Solve(ctx, p, Options{Tries: 1})
		if err != nil {
			t.Fatal(err)
		}
		odds, err := Play(ctx, p, first, nil, runs, 1)
		if err != nil {
			t.Fatal(err)
		}
		// Each second job is promised as the days can keep it, the others far too soon.
		for j := range p.Jobs {
			at := odds[j].Nine + 10
			if j%2 == 1 {
				at = first.Ready[j].At / 3
			}
			p.Jobs[j].Promise = &at
		}
		stands := Standing{Plan: Plan{Steps: first.Steps}}
		if stands.Plan, _, err = Replan(ctx, p, first, Options{}); err != nil {
			t.Fatal(err)
		}
		if stands.Odds, err = Play(ctx, p, stands.Plan, nil, runs, 1); err != nil {
			t.Fatal(err)
		}
		o := Options{Tries: 150, Seed: seed}
		got, is, err := Anew(ctx, p, stands, nil, runs, o)
		if err != nil {
			t.Fatal(err)
		}
		if b := Verify(p, got.Plan); len(b) > 0 {
			t.Fatalf("seed %d: %v", seed, b)
		}
		anyhow, err := Solve(ctx, p, o)
		if err != nil {
			t.Fatal(err)
		}
		other, err := Play(ctx, p, anyhow, nil, runs, 1)
		if err != nil {
			t.Fatal(err)
		}
		for j, k := range p.Jobs {
			was, now := stands.Odds[j].Kept, got.Odds[j].Kept
			if now < Safe && now < was-lessSure {
				t.Errorf("seed %d: the promise of %s was kept %.2f, and is %.2f", seed, k.ID, was, now)
			}
			if other[j].Kept < Safe && other[j].Kept < was-lessSure {
				plain++
			}
		}
		if is {
			better++
			if !got.better(p, stands) {
				t.Errorf("seed %d: taken, and no better", seed)
			}
		}
		t.Logf("seed %d: better %v, cost %.1f to %.1f, by search alone %.1f", seed, is, stands.Plan.Cost, got.Plan.Cost,
			anyhow.Cost)
	}
	if better == 0 || plain == 0 {
		t.Errorf("%d of 8 were bettered, %d promises would have been taken back: nothing is shown", better, plain)
	}
}

// What is taken back: just inside, at and just outside what is safe and what may be lost.
func TestTakenBack(t *testing.T) {
	for _, c := range []struct {
		before, now float64
		want        bool
	}{
		{1, Safe, false}, {1, Safe - 0.001, true}, {0.9, 0.8, false}, {0.9, 0.799, true}, {0.3, 0.21, false},
		{0.3, 0.19, true}, {0, 0, false}, {0.5, 1, false},
	} {
		if got := takenBack(c.before, c.now); got != c.want {
			t.Errorf("%g to %g: %v", c.before, c.now, got)
		}
	}
}

// Better: fewer that are not safe before all, then what it costs; never a step without a
// time for it.
func TestBetter(t *testing.T) {
	at := 100
	p := Problem{Jobs: []Job{{ID: "a", Promise: &at}, {ID: "b", Promise: &at}, {ID: "c"}}}
	of := func(cost, a, b float64, left int) Standing {
		return Standing{Plan{Cost: cost, Left: make([]Left, left)}, []Odds{{Job: "a", Kept: a}, {Job: "b", Kept: b}}}
	}
	stands := of(10, 0.9, 0.5, 1)
	for _, c := range []struct {
		name string
		now  Standing
		want bool
	}{
		{"the same", stands, false}, {"cheaper", of(9.9, 0.9, 0.5, 1), true}, {"dearer", of(10.1, 0.9, 0.5, 1), false},
		{"safer and dearer", of(50, 0.9, 0.9, 1), true}, {"less safe and cheaper", of(1, 0.8, 0.5, 1), false},
		{"a step less without a time", of(9, 0.9, 0.5, 0), true}, {"one more", of(1, 0.9, 0.9, 2), false},
	} {
		if got := c.now.better(p, stands); got != c.want {
			t.Errorf("%s: %v", c.name, got)
		}
	}
}

// However much it would save, nobody's promise is broken for glass of somebody else that
// came late; where it costs no promise, the late one has its turn.
func TestNobodyPaysForOthersGlass(t *testing.T) {
	for _, c := range []struct {
		name    string
		promise int
		first   string
	}{{"promised for then", 120, "a"}, {"promised for later by an hour and more", 20_000, "b"}} {
		late, at := 140, c.promise
		p := Problem{People: []Person{{ID: "mira", Hours: []Window{{0, 140}, {10_000, 10_200}}}}, Jobs: []Job{
			{ID: "a", Steps: []Step{{ID: "a", Minutes: 60, Not: 60}}, Promise: &at},
			{ID: "b", Steps: []Step{{ID: "b", Minutes: 60, Not: 75}}, Promise: &late, Weight: 50}}}
		before := Plan{Steps: []Done{{Step: "b", Job: "b", At: 0, To: 60, People: []string{"mira"}},
			{Step: "a", Job: "a", At: 60, To: 120, People: []string{"mira"}}}}
		got, _, err := Replan(ctx, p, before, Options{})
		if err != nil {
			t.Fatal(err)
		}
		if bad := Verify(p, got); len(bad) > 0 {
			t.Fatalf("%s: %v", c.name, bad)
		}
		if got.Steps[0].Step != c.first {
			t.Errorf("%s: %+v, %s was to be first", c.name, got.Steps, c.first)
		}
	}
}
