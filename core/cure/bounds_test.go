package cure

import (
	"testing"
	"time"

	"freshshard/tools/golden"
)

// From where to where each number of a bond, of the air and of the bench may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	at := time.Date(2027, 3, 26, 12, 0, 0, 0, time.UTC)
	air := []Air{{At: at, C: 19, RH: 52}, {At: at.Add(30 * time.Hour), C: 12, RH: 70}}
	bond := Bond{Adhesive: "urethane", Since: at, Width: 8, Edges: 2, Depth24: 3}
	golden.Check(t, "bounds",
		"= bond\n"+golden.Bounds(bond, Bond.Check)+
			"= air\n"+golden.Bounds(Air{At: at, C: 19, RH: 52}, func(a Air) error {
			_, err := Cure(bond, []Air{a, air[1]}, at)
			return err
		})+
			"= bench\n"+golden.Bounds(Opening{Adhesive: "urethane", C: 12, RH: 70, Surface: 9, Expires: at.Add(900 * time.Hour),
			Now: at}, func(o Opening) error { _, err := Gates(o); return err })+
			"= day\n"+golden.Bounds(Laying{Job: 1, Name: "cab", Adhesive: "urethane", Ml: 140, Minutes: 4, Width: 12, Edges: 2},
			func(l Laying) error { _, err := Day([]Laying{l}, air, at); return err }))
}
