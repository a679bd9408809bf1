package plan

import (
	"testing"

	"freshshard/core/caution"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/work"
)

func build(t testing.TB, id string, change func(*Facts)) Plan {
	t.Helper()
	fam, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	e, err := exposure.Book.ByID(fam.Exposure)
	if err != nil {
		t.Fatal(err)
	}
	f := Facts{Exposure: e}
	if change != nil {
		change(&f)
	}
	p, err := Build(work.ToSize(fam, work.Object{Exposure: f.Exposure, Power: f.Power, Gas: f.Gas}), f)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func step(t *testing.T, p Plan, key string) Step {
	t.Helper()
	for _, s := range p.Steps {
		if s.Key == key {
			return s
		}
	}
	t.Fatalf("no step %q", key)
	return Step{}
}

func named(list []caution.Caution, id string) bool {
	for _, c := range list {
		if c.ID == id {
			return true
		}
	}
	return false
}

func TestEveryFamilyHasHoldPoints(t *testing.T) {
	for _, fam := range family.Book.All() {
		p := build(t, fam.ID, nil)
		holds, minutes := 0, 0
		for i, s := range p.Steps {
			if s.Number != i+1 {
				t.Errorf("%s: step %d is numbered %d", fam.ID, i+1, s.Number)
			}
			if s.Hold {
				holds++
			}
			minutes += s.Minutes
		}
		if holds < 3 || minutes != p.Minutes || len(p.Regrets) == 0 {
			t.Errorf("%s: %d hold points, %d of %d minutes", fam.ID, holds, minutes, p.Minutes)
		}
	}
}

// A place that cleans itself by heat is one from the first minute on.
func TestCleaningIsAFact(t *testing.T) {
	f, err := family.Book.ByID("clip-heat")
	if err != nil {
		t.Fatal(err)
	}
	for hot, want := range map[float64]bool{0: false, 0.5: true, 480: true} {
		e := exposure.Exposure{ID: "oven", Cleaning: hot}
		if got := (Facts{Exposure: e}).Words(f)["cleaning"]; got != want {
			t.Errorf("cleaning at %v °C: %v", hot, got)
		}
	}
}

func TestTwoPeopleWhenHeavy(t *testing.T) {
	for _, c := range []struct {
		name   string
		weight float64
		long   float64
		people int
	}{{"light", 4, 500, 1}, {"heavy", 21, 500, 2}, {"long", 4, 1001, 2}, {"on the limit", 20, 1000, 1}} {
		p := build(t, "clip-heat", func(f *Facts) { f.Weight, f.Longest = c.weight, c.long })
		s := step(t, p, "pane-in")
		if s.People != c.people || (s.TwoWhy != "") != (c.people == 2) {
			t.Errorf("%s: %d people, %q", c.name, s.People, s.TwoWhy)
		}
	}
}

func TestCautionsFollowTheFacts(t *testing.T) {
	p := build(t, "clip-heat", func(f *Facts) { f.Old = true })
	if !named(p.Cautions, "asbestos-rope") || !named(step(t, p, "rebate").Cautions, "asbestos-rope") {
		t.Error("an old stove does not warn of its rope")
	}
	if named(p.Cautions, "gas") || !named(p.Customer, "first-fire") {
		t.Errorf("stove: %v", p.Cautions)
	}
	oven, _ := exposure.Book.ByID("oven")
	p = build(t, "clip-heat", func(f *Facts) { f.Exposure, f.Power = oven, true })
	if !named(step(t, p, "cold").Cautions, "power") || !named(step(t, p, "door-off").Cautions, "hinges") ||
		named(p.Cautions, "stove-cold") {
		t.Errorf("oven: %v", p.Cautions)
	}
}

func TestRequiredStepsStandAtTheirStation(t *testing.T) {
	need := []Required{{"fix-a", "set", "Snug only.", "it broke at a bracket"}, {"fix-b", "prove", "Tell the customer.",
		"wet cloth"}}
	plain := build(t, "clip-heat", nil)
	p := build(t, "clip-heat", func(f *Facts) { f.Required = need })
	if len(p.Steps) != len(plain.Steps)+2 || p.Minutes != plain.Minutes+2*requiredMinutes {
		t.Fatalf("%d steps, %d minutes", len(p.Steps), p.Minutes)
	}
	for i, s := range p.Steps {
		if s.Number != i+1 {
			t.Errorf("step %d is numbered %d", i+1, s.Number)
		}
		if s.Key == "fix-a" && (!s.Required || p.Steps[i-1].Station != "set" || p.Steps[i+1].Station != "hold") {
			t.Errorf("%s stands between %s and %s", s.Key, p.Steps[i-1].Station, p.Steps[i+1].Station)
		}
	}
	if last := p.Steps[len(p.Steps)-1]; last.Key != "fix-b" {
		t.Errorf("last is %s", last.Key)
	}
	fam, _ := family.Book.ByID("clip-heat")
	if _, err := Build(fam, Facts{Required: []Required{{Station: "moon"}}}); err == nil {
		t.Error("a step at no station was taken")
	}
}

func TestRefusesNegativeWeight(t *testing.T) {
	if _, err := Build(family.Book.All()[0], Facts{Weight: -1}); err == nil {
		t.Error("a negative weight was taken")
	}
}

func BenchmarkBuild(b *testing.B) {
	fam, err := family.Book.ByID("clip-heat")
	if err != nil {
		b.Fatal(err)
	}
	e, _ := exposure.Book.ByID("fire")
	for b.Loop() {
		if _, err := Build(fam, Facts{Exposure: e, Old: true, Weight: 30}); err != nil {
			b.Fatal(err)
		}
	}
}

// Only who has panes that shut a space in is told to look between them.
func TestHazeIsSaidOfPacks(t *testing.T) {
	for _, f := range family.Book.All() {
		told := named(build(t, f.ID, nil).Customer, "again-pack")
		if told != (f.ID == "window-pack") {
			t.Errorf("%s is told to look between its panes: %v", f.ID, told)
		}
	}
}
