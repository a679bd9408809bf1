package family

import (
	"slices"
	"testing"

	"freshshard/core/caution"
	"freshshard/core/exposure"
	"freshshard/core/frame"
)

// The data files hold together: every word that one names, another has.
func TestFamiliesHoldTogether(t *testing.T) {
	cautions := map[string]bool{}
	for _, c := range caution.All() {
		cautions[c.ID] = true
	}
	for _, f := range Book.All() {
		if _, err := frame.Book.ByID(f.Frame); err != nil {
			t.Errorf("%s: %v", f.ID, err)
		}
		if _, err := exposure.Book.ByID(f.Exposure); err != nil {
			t.Errorf("%s: %v", f.ID, err)
		}
		for _, v := range []error{f.Limits.Clearance.Origin.Check(), f.Limits.Bite.Origin.Check()} {
			if v != nil {
				t.Errorf("%s: %v", f.ID, v)
			}
		}
		keys := map[string]bool{}
		last := 0
		for _, s := range f.Steps {
			at := slices.Index(Stations, s.Station)
			if at < last {
				t.Errorf("%s/%s: station %s is unknown or out of order", f.ID, s.Key, s.Station)
			}
			last = at
			if keys[s.Key] {
				t.Errorf("%s/%s: twice", f.ID, s.Key)
			}
			keys[s.Key] = true
			if s.Title == "" || s.Do == "" || s.Why == "" || s.Minutes <= 0 {
				t.Errorf("%s/%s: says too little", f.ID, s.Key)
			}
			for _, c := range s.Cautions {
				if !cautions[c] {
					t.Errorf("%s/%s: no caution %q", f.ID, s.Key, c)
				}
			}
		}
		for _, st := range Stations {
			if !slices.ContainsFunc(f.Steps, func(s Step) bool { return s.Station == st }) {
				t.Errorf("%s: station %s has no step and no word why", f.ID, st)
			}
		}
		checks := map[string]bool{}
		for _, c := range f.Checks {
			if checks[c.Key] || c.Text == "" || (c.Pass == "") == (c.Measure == nil) {
				t.Errorf("%s: check %q is twice or says too little", f.ID, c.Key)
			}
			checks[c.Key] = true
			for _, step := range []string{c.Does, c.ShownBy} {
				if step != "" && !keys[step] {
					t.Errorf("%s: check %q names no step %q", f.ID, c.Key, step)
				}
			}
			if slices.Contains(c.After, c.Does) && c.Does != "" {
				t.Errorf("%s: check %q waits for what it does", f.ID, c.Key)
			}
		}
		if !slices.Contains(Sizings, f.Sizing) || len(f.Seals) == 0 || len(f.Objects) == 0 || f.Held == "" ||
			f.Question == "" || f.Seen == "" {
			t.Errorf("%s: says too little of itself", f.ID)
		}
		if !slices.ContainsFunc(f.Steps, func(s Step) bool { return s.Hold }) {
			t.Errorf("%s: nothing to hold at", f.ID)
		}
		if len(f.Checks) < 5 || len(f.Regrets) < 3 {
			t.Errorf("%s: %d checks, %d regrets", f.ID, len(f.Checks), len(f.Regrets))
		}
	}
	if _, err := Book.ByID("glued-on-hope"); err == nil {
		t.Error("an unknown family was found")
	}
}

func TestExposuresAreSound(t *testing.T) {
	for _, e := range exposure.Book.All() {
		if err := e.Check(); err != nil {
			t.Errorf("%s: %v", e.ID, err)
		}
	}
	bad := exposure.Book.All()[0]
	bad.Short = bad.Steady - 1
	if bad.Check() == nil {
		t.Error("a peak below the steady heat was taken")
	}
}

func TestCautionsFor(t *testing.T) {
	work, customer := caution.For(caution.Facts{"fire": true, "old": true})
	has := func(list []caution.Caution, id string) bool {
		return slices.ContainsFunc(list, func(c caution.Caution) bool { return c.ID == id })
	}
	if !has(work, "asbestos-rope") || !has(work, "broken-glass") || has(work, "power") || !has(customer, "first-fire") {
		t.Errorf("an old stove gets %v and %v", work, customer)
	}
	work, _ = caution.For(caution.Facts{"fire": true})
	if has(work, "asbestos-rope") {
		t.Error("a new stove is warned of old rope")
	}
}

// Two people are named where one alone drops or cuts. Common practice, no
// source.
func TestTwoPeople(t *testing.T) {
	for id, step := range map[string]string{"locking-gasket": "offer-up", "bonded-fixed": "pane-in",
		"edge-bonded": "bond"} {
		f, err := Book.ByID(id)
		if err != nil {
			t.Fatal(err)
		}
		if !slices.ContainsFunc(f.Steps, func(s Step) bool { return s.Key == step && s.People == 2 }) {
			t.Errorf("%s: %s is one person's work", id, step)
		}
	}
}

// The questions lead to each of the eighteen families, in three taps at most,
// and to nothing else.
func TestQuestionsLeadToEveryFamily(t *testing.T) {
	byKey := map[string]Question{}
	for _, q := range Questions() {
		if byKey[q.Key].Ask != "" || q.Ask == "" || len(q.Answers) < 2 {
			t.Errorf("question %q is twice or asks nothing", q.Key)
		}
		byKey[q.Key] = q
	}
	reached := map[string]bool{}
	var walk func(key string, taps int)
	walk = func(key string, taps int) {
		q, ok := byKey[key]
		if !ok || taps > 3 {
			t.Fatalf("question %q is not there, or too far down", key)
		}
		for _, a := range q.Answers {
			if _, err := Book.ByID(a.Picture); err != nil || a.Say == "" {
				t.Errorf("%s/%s: %v", key, a.Say, err)
			}
			if (a.Family == "") == (a.Next == "") {
				t.Errorf("%s/%s leads to a family or to a question, not to both", key, a.Say)
			}
			if a.Next != "" {
				walk(a.Next, taps+1)
				continue
			}
			if _, err := Book.ByID(a.Family); err != nil {
				t.Errorf("%s/%s: %v", key, a.Say, err)
			}
			reached[a.Family] = true
		}
	}
	walk(Questions()[0].Key, 1)
	if len(Book.All()) != 18 || len(reached) != 18 {
		t.Errorf("%d families, %d reached", len(Book.All()), len(reached))
	}
}
