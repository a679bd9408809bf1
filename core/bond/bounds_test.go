package bond

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of what is typed may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	golden.Check(t, "bounds", "= peel\n"+golden.Bounds(Peel{Length: 120, Width: 30, Spots: []Spot{"metal", "torn"}},
		func(p Peel) error { _, err := p.Read(); return err })+"= hang\n"+golden.Bounds(Hang{Weight: 2, Along: 488, Out: 402,
		Gust: 30, Latched: true, Length: 100,
		Width: 30},
		func(h Hang) error { _, err := h.Figures(); return err }))
}
