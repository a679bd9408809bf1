package pane

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of what is typed may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	golden.Check(t, "bounds", "= load\n"+golden.Bounds(Load{W: 600, H: 400, Wind: 30, Push: 500, Warp: 1}, Load.Check)+
		"= duty\n"+golden.Bounds(Duty{Push: 400, Water: 0.5, Pressure: 1.2}, Duty.Check))
}
