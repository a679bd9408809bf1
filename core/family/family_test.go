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
	for _, f := range All() {
		if _, err := frame.ByID(f.Frame); err != nil {
			t.Errorf("%s: %v", f.ID, err)
		}
		if _, err := exposure.ByID(f.Exposure); err != nil {
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
		}
		if len(f.Checks) < 5 || len(f.Regrets) < 3 {
			t.Errorf("%s: %d checks, %d regrets", f.ID, len(f.Checks), len(f.Regrets))
		}
	}
	if _, err := ByID("glued-on-hope"); err == nil {
		t.Error("an unknown family was found")
	}
}

func TestExposuresAreSound(t *testing.T) {
	for _, e := range exposure.All() {
		if err := e.Check(); err != nil {
			t.Errorf("%s: %v", e.ID, err)
		}
	}
	bad := exposure.All()[0]
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
