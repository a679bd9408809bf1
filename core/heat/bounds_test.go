package heat

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of what is typed may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	golden.Check(t, "bounds", golden.Bounds(Pack{Cavity: 250, Room: 22, Inside: 20, Outside: 10,
		Panes: []Pane{{Name: "coated", T: 4, Lambda: 1,
			Hot: 0.8, Cold: 0.15, Limit: 300}, {Name: "clear", T: 4, Lambda: 1, Hot: 0.8, Cold: 0.8, Limit: 250}},
		Gaps:  []float64{16},
		Slope: "upright"}, Pack.Check))
}
