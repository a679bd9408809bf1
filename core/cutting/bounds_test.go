package cutting

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of what is typed may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	golden.Check(t, "bounds", "= sheets\n"+golden.Bounds(Task{Stock: []Stock{{ID: "sheet", W: 2250, H: 1605, Count: 2,
		Cost: 40,
		Trim: Trim{Left: 15, Right: 5, Bottom: 15, Top: 5}}}, Pieces: []Piece{{ID: "a", W: 499, H: 394, Count: 3, Rank: 2}},
		Rules: Rules{Saw: true, Kerf: 3, Least: 32, Keep: 200, Worth: 0.4}}, Task.Check)+
		"= bars\n"+golden.Bounds(BarTask{Bars: []Bar{{ID: "tube", Length: 1200, Count: 2, Cost: 9}},
		Wants: []Stretch{{ID: "gauge", Length: 266.5, Count: 5}}, Kerf: 2, Dress: 4, Ends: 10, Keep: 100}, BarTask.Check)+
		"= spares\n"+golden.Bounds(Tries{Usual: 0.7, Good: 3, Bad: 1}, func(s Tries) error {
		_, err := Ladder(2, 0.95,
			s)
		return err
	}))
}
