package price

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of what is typed may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	golden.Check(t, "bounds", "= rates\n"+golden.Bounds(Usual, Rates.Check)+
		"= adjust\n"+golden.Bounds(Adjust{}, Adjust.Check)+
		"= job\n"+golden.Bounds(Job{Works: []Work{{Station: "set", Minutes: 50, People: 2}},
		Materials: []Material{{Key: "pane",
			Text: "the pane", Milli: 1000, Unit: "pc", Low: 5000, Each: 6000, High: 8000, Known: true}}, Broken: []float64{0}},
		func(j Job) error { _, err := Reckon(j, Usual); return err }))
}
