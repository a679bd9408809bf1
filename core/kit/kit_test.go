package kit

import (
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/striplog"
	"freshshard/core/work"
)

func whats(items []Item) string {
	var out []string
	for _, i := range items {
		out = append(out, i.What)
	}
	return strings.Join(out, " | ")
}

// What is taken along for what is left, and no more. Common practice, no source.
func TestTools(t *testing.T) {
	log := striplog.Log{{ID: "1", What: "rail screw", Count: 4, Fate: striplog.Back,
		Held: striplog.Held{How: "screw", Drive: "T20"}},
		{ID: "2", What: "bead screw", Count: 2, Fate: striplog.Back, Held: striplog.Held{How: "screw", Drive: "PH2"}},
		{ID: "3", What: "clip", Count: 9, Fate: striplog.Back, Held: striplog.Held{How: "clip"}},
		{ID: "4", What: "cover screw", Count: 3, Fate: striplog.Back, In: 3, Held: striplog.Held{How: "screw", Drive: "T20"}}}
	for _, c := range []struct {
		name string
		w    Work
		has  []string
		not  []string
	}{
		{"drives of what is not back, counted", Work{Strip: log}, []string{"drivers: PH2 for 2, T20 for 4"},
			[]string{"clip"}},
		{"nothing is left", Work{}, nil, []string{"drivers", "vacuum"}},
		{"a bead to lay", Work{Steps: []string{"bead", "pane-in"}}, []string{"cartridge gun", "suction cups",
			"thermo-hygrometer"},
			[]string{"putty", "vacuum"}},
		{"putty", Work{Steps: []string{"back-putty", "points-in"}}, []string{"putty, putty knife", "points and driver"},
			[]string{"cartridge"}},
		{"only the proof is left", Work{Checks: []string{"water"}}, []string{"water: hose"}, []string{"gloves"}},
		{"to strip", Work{Stations: []family.Station{"strip"}}, []string{"hard container", "cut-resistant"},
			[]string{"rule"}},
	} {
		got := whats(Tools(c.w))
		for _, h := range c.has {
			if !strings.Contains(got, h) {
				t.Errorf("%s: no %q in %s", c.name, h, got)
			}
		}
		for _, n := range c.not {
			if strings.Contains(got, n) {
				t.Errorf("%s: %q in %s", c.name, n, got)
			}
		}
	}
}

// Every rule names work that there is.
func TestRules(t *testing.T) {
	known := map[string]bool{}
	for _, f := range family.Book.All() {
		for _, s := range f.Steps {
			known["station "+string(s.Station)] = true
		}
		steps, checks := work.Every(f)
		for _, k := range steps {
			known[k] = true
		}
		for _, c := range checks {
			known["check "+c.Key] = true
		}
	}
	for _, r := range rules {
		for _, k := range r.Steps {
			if !known[k] {
				t.Errorf("%s: no step %s", r.What, k)
			}
		}
		for _, k := range r.Checks {
			if !known["check "+k] {
				t.Errorf("%s: no check %s", r.What, k)
			}
		}
		for _, s := range r.Stations {
			if !known["station "+string(s)] {
				t.Errorf("%s: no station %s", r.What, s)
			}
		}
		if r.Why == "" || len(r.Steps)+len(r.Checks)+len(r.Stations) == 0 {
			t.Errorf("%s is for nothing", r.What)
		}
	}
}
