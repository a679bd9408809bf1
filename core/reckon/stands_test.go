package reckon

import (
	"slices"
	"testing"

	"freshshard/core/pane"
)

// What is drawn of each material agrees with what the gates say of it: what is open
// is short of nothing, and what a gate of heat, load, seat or safety rules out is
// short of that.
func TestStandsAgreeWithTheGates(t *testing.T) {
	aspect := map[string]string{"steady": "steady", "peak": "minutes", "sudden": "sudden", "load": "load", "warp": "seat",
		"safety": "safety"}
	shown, short := map[string]int{}, 0
	for _, o := range ordinaryJobs(t) {
		k := o.k
		k.Material, k.Thickness, k.Draws = "", 0, 0
		r, err := Pane(k)
		if err != nil {
			t.Fatal(err)
		}
		of := func(key, material string) (pane.Stand, bool) {
			for _, a := range r.Choice.Stands {
				if a.Key == key {
					i := slices.IndexFunc(a.Stand, func(s pane.Stand) bool { return s.Material == material })
					return a.Stand[i], true
				}
			}
			return pane.Stand{}, false
		}
		for _, a := range r.Choice.Stands {
			shown[a.Key]++
			if len(a.Stand) != len(r.Choice.Open)+len(r.Choice.Closed) || a.Name == "" || a.Says == "" {
				t.Errorf("line %d: %s shows %d", o.line, a.Key, len(a.Stand))
			}
		}
		for _, m := range r.Choice.Open {
			for _, key := range aspect {
				if s, ok := of(key, m.Material); ok && s.Known && s.Left < -1e-9 {
					t.Errorf("line %d, %s: %s is open and %v short of %s", o.line, o.name, m.Material, -s.Left, key)
				}
			}
		}
		for _, c := range r.Choice.Closed {
			key, drawn := aspect[c.Gate]
			if !drawn {
				continue
			}
			s, ok := of(key, c.Material)
			if short++; !ok || s.Open || s.Known && s.Left >= 0 {
				t.Errorf("line %d, %s: %s is ruled out by %s, and shows %+v", o.line, o.name, c.Material, c.Gate, s)
			}
		}
	}
	if short < 300 || len(shown) != 7 {
		t.Errorf("%d ruled out, %v shown", short, shown)
	}
}
