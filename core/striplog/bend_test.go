package striplog

import (
	"slices"
	"testing"
)

// A tab that was bent for the last time is ordered anew; one that has a bend left is not.
func TestTabsOnTheirLastBend(t *testing.T) {
	for bends, want := range map[int]bool{0: false, lastBend - 1: false, lastBend: true, lastBend + 1: true} {
		log := Log{{ID: "e1", Kind: Part, What: "folded frame", Count: 1, Fate: Back,
			Held: Held{How: "tab", Bends: bends}}}
		got := slices.ContainsFunc(log.Needs(), func(n Need) bool {
			return n.What == "folded frame" && n.Why == "its tab is on its last bend" && n.Count == 1
		})
		if got != want {
			t.Errorf("bent %d times: ordered %v", bends, got)
		}
	}
}
