package striplog

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of an entry may be, by how it was held.
func TestBoundsAreAsLookedAt(t *testing.T) {
	b := ""
	for _, e := range []Entry{
		{ID: "a", Kind: "fasteners", What: "screw", Count: 4, Fate: "back", In: 2, Held: Held{How: "screw", Drive: "T20",
			Size:   "M5",
			Length: 16, ToGlass: 9}},
		{ID: "a", Kind: "fasteners", What: "tab", Count: 4, Fate: "back", Held: Held{How: "tab", Bends: 1}},
		{ID: "a", Kind: "seal", What: "rope", Count: 1, Fate: "renew", Held: Held{How: "friction"}},
	} {
		b += "= " + e.What + "\n" + golden.Bounds(e, func(e Entry) error { return Log{e}.Check() })
	}
	golden.Check(t, "bounds", b)
}
