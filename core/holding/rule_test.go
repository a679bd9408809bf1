package holding

import (
	"testing"

	"freshshard/core/family"
	"freshshard/tools/golden"
)

// Every way that a family asks for is a rule that says enough of itself, and no rule stands
// for two.
func TestEveryWayHasItsRule(t *testing.T) {
	if len(all) != len(family.Sizings) {
		t.Errorf("%d rules for %d ways", len(all), len(family.Sizings))
	}
	for _, s := range family.Sizings {
		r := Of(s)
		if r.Sizing != s {
			t.Errorf("%s has the rule of %q", s, r.Sizing)
			continue
		}
		if (r.Between == "") != r.Tube() {
			t.Errorf("%s: nobody knows how it is read", s)
		}
		if r.Cover.Name == "" && r.Cover.How+r.Cover.Bite != "" {
			t.Errorf("%s: a cover without a name", s)
		}
		if d := r.Depth; (d.Front == Left) != (d.Says != "") || d.Front == "" && (d.Need > 0 || d.Warns || d.Room) {
			t.Errorf("%s: its depth says too little or too much: %+v", s, d)
		}
		if (r.NoShape[0] == "") != (r.NoShape[1] == "") {
			t.Errorf("%s: no shape, and no cure", s)
		}
		if r.Tube() != (r.Old[0] != "") {
			t.Errorf("%s: what is the old one's length called?", s)
		}
		if r.Circle() && len(r.Instead) != 4 {
			t.Errorf("%s: a circle is read at four angles", s)
		}
		if r.Comes && (r.Stock || r.Copied || len(r.Window.Read) == 0) {
			t.Errorf("%s: what comes as it is has its own places, and no other size", s)
		}
	}
	if r := Of("magnets"); r.Rigid || r.Stock || r.Across != Sides || r.Between != "" {
		t.Errorf("a way that nobody knows: %+v", r)
	}
}

// What follows from each way of holding.
func TestRulesAreAsLookedAt(t *testing.T) {
	var rules []Rule
	for _, s := range family.Sizings {
		rules = append(rules, *Of(s))
	}
	golden.Check(t, "rules", golden.Each(rules))
}
