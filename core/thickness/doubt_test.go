package thickness

import (
	"testing"

	"freshshard/core/length"
)

// A reading is doubtful when its doubt reaches past its band on either side: 4 mm
// glass is 3.8 to 4.2, EN 572-2, from memory.
func TestDoubtfulOnEitherSide(t *testing.T) {
	for _, c := range []struct {
		value, doubt float64
		doubtful     bool
	}{{4, 0.05, false}, {3.85, 0.03, false}, {3.85, 0.08, true}, {4.15, 0.08, true}, {4.15, 0.03, false}} {
		a := Of(length.Reading{Value: c.value, Doubt: c.doubt})
		if a.Nominal != 4 || a.Doubtful != c.doubtful {
			t.Errorf("%v ±%v: %+v", c.value, c.doubt, a)
		}
	}
}
