package round

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of what is typed may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	golden.Check(t, "bounds", "= roads\n"+golden.Bounds(Roads{Legs: []Leg{{A: "yard", B: "quay", Minutes: 6}},
		Sailings: []Sailing{{Ferry: "ferry", From: "quay", To: "landing", Leaves: 30, Lands: 45}}}, Roads.Check))
}
