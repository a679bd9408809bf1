package reading

import (
	"testing"

	"freshshard/core/family"
	"freshshard/core/holding"
)

// Every sizing rule has words for how it reads, and no place twice.
func TestEveryRuleHasAWalk(t *testing.T) {
	for _, s := range family.Sizings {
		seen := map[Place]bool{}
		for _, i := range Walk(s, Shape{Curved: true}) {
			if seen[i.Place] || i.Name == "" || i.How == "" {
				t.Errorf("%s: %+v", s, i)
			}
			seen[i.Place] = true
		}
		r := holding.Of(s)
		for _, keys := range [][]string{r.Instead, r.Beside, r.Covers, r.Window.Read} {
			for _, k := range keys {
				if _, err := Place(k).Info(); err != nil || !seen[Place(k)] {
					t.Errorf("%s: nobody reads %q, %v", s, k, err)
				}
			}
		}
	}
}

func TestPlaces(t *testing.T) {
	seen := map[Place]bool{}
	for _, i := range Walk("clip", Shape{}) {
		if seen[i.Place] || i.Name == "" || i.How == "" || i.Least >= i.Most || !i.Instrument.Known() {
			t.Errorf("%+v", i)
		}
		seen[i.Place] = true
	}
	if !seen[Reach] {
		t.Error("a clip-held pane has no bracket overhang")
	}
	for _, i := range Walk("rebate", Shape{}) {
		if i.Place == Reach {
			t.Error("a rebate has a bracket overhang")
		}
	}
}
