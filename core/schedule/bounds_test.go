package schedule

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of what is typed may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	golden.Check(t, "bounds", golden.Bounds(Problem{People: []Person{{ID: "m", Hours: []Window{{10, 9000}}}},
		Places: []Place{{ID: "bench", Count: 2, Hours: []Window{{20, 8000}}}},
		Jobs: []Job{{ID: "a", Weight: 2, Tail: 20, Steps: []Step{{ID: "1", Minutes: 30, People: 1,
			Uses: []string{"bench"}, After: []After{{"0", 60}}, Not: 30, Fit: []Window{{30, 300}}}, {ID: "0", Minutes: 5}}}}},
		Problem.Check))
}
