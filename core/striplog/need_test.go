package striplog

import "testing"

// What is lost is bought once where nobody said how many.
func TestNeedsOfTheLost(t *testing.T) {
	for missing, want := range map[int]int{0: 1, 1: 1, 3: 3} {
		l := Log{{ID: "a", What: "clip", Kind: Fasteners, Count: 4, Fate: Lost, Missing: missing}}
		if n := l.Needs(); len(n) != 1 || n[0].Count != want || n[0].Why != "lost" {
			t.Errorf("%d missing: %+v", missing, n)
		}
	}
}
