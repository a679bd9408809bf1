package setting

import "testing"

// Six screws in three passes: each is met once a pass, in its order.
func TestPass(t *testing.T) {
	for _, c := range []struct {
		counted, screws, pass, screw int
		done                         bool
	}{
		{0, 6, 1, 1, false}, {5, 6, 1, 6, false}, {6, 6, 2, 1, false}, {8, 6, 2, 3, false}, {12, 6, 3, 1, false},
		{17, 6, 3, 6, false}, {18, 6, 3, 6, true}, {19, 6, 3, 6, true}, {-1, 6, 1, 1, false}, {0, 0, 3, 0, true},
		{0, 1, 1, 1, false}, {2, 1, 3, 1, false}, {3, 1, 3, 1, true},
	} {
		if pass, screw, done := Pass(c.counted, c.screws); pass != c.pass || screw != c.screw || done != c.done {
			t.Errorf("%d of %d: pass %d, screw %d, %v", c.counted, c.screws, pass, screw, done)
		}
	}
}
