package fit

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of a problem may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	p := problem(t, "clip-heat", stove())
	p.Gasket = Gasket{Kind: Flat, Free: 3}
	golden.Check(t, "bounds", golden.Bounds(p, Problem.Check))
}
