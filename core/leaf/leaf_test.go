package leaf

import (
	"slices"
	"testing"

	"freshshard/core/caution"
	"freshshard/core/family"
	"freshshard/core/plan"
)

// Off before anything else of the strip, hung before anything else of the refit,
// in every way of holding; its own order holds, and nothing else moves.
func TestLay(t *testing.T) {
	for _, f := range family.Book.All() {
		laid := Apply(f)
		var rest, mine []string
		for _, s := range laid.Steps {
			if slices.ContainsFunc(all.Steps, func(o family.Step) bool { return o.Key == s.Key }) {
				mine = append(mine, s.Key)
			} else {
				rest = append(rest, s.Key)
			}
		}
		var was []string
		for _, s := range f.Steps {
			was = append(was, s.Key)
		}
		keys, checks := Every()
		if !slices.Equal(mine, keys) || !slices.Equal(rest, was) || len(laid.Checks) != len(f.Checks)+len(checks) {
			t.Errorf("%s: %v among %v", f.ID, mine, rest)
		}
		for _, st := range []struct{ station, first string }{{"strip", "leaf-off"}, {"refit", "leaf-on"}} {
			i := slices.IndexFunc(laid.Steps, func(s family.Step) bool { return s.Station == family.Station(st.station) })
			if laid.Steps[i].Key != st.first {
				t.Errorf("%s: %s begins with %s", f.ID, st.station, laid.Steps[i].Key)
			}
		}
		p, err := plan.Build(laid, plan.Facts{Leaf: true})
		if err != nil || len(p.Steps) != len(f.Steps)+len(keys) {
			t.Errorf("%s: %v", f.ID, err)
		}
		if !slices.ContainsFunc(p.Cautions, func(c caution.Caution) bool { return c.ID == "hinges" }) {
			t.Errorf("%s: nothing warns of a sprung hinge", f.ID)
		}
		last := 0
		for _, s := range p.Steps {
			at := slices.Index(family.Stations, s.Station)
			if at < last {
				t.Errorf("%s: %s is out of order", f.ID, s.Key)
			}
			last = at
		}
	}
}

// Each waits for a step that there is, and is done once for the object.
func TestWorkIsSound(t *testing.T) {
	keys, checks := Every()
	for _, s := range all.Steps {
		for _, a := range s.After {
			if !slices.Contains(keys, a) {
				t.Errorf("%s waits for %s", s.Key, a)
			}
		}
		if !s.Once || s.Title == "" || s.Do == "" || s.Why == "" || s.Minutes <= 0 {
			t.Errorf("%s says too little", s.Key)
		}
	}
	for _, c := range checks {
		if !c.Once || c.Text == "" || (c.Pass == "") == (c.Measure == nil) || len(c.Try) == 0 ||
			!slices.Contains(keys, c.After[0]) {
			t.Errorf("%+v", c)
		}
	}
}
