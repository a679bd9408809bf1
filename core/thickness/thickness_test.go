package thickness

import (
	"strings"
	"testing"

	"freshshard/core/length"
)

// Bands of ASTM C1036, from memory.
func TestOf(t *testing.T) {
	for _, c := range []struct {
		read, doubt float64
		nominal     float64
		between     bool
		doubtful    bool
	}{
		{2.16, 0, 2.5, false, false}, {2.57, 0, 2.5, false, false}, {2.575, 0, 2.5, true, true},
		{2.75, 0.05, 2.7, false, false},
		{2.92, 0, 3, false, false}, {3.4, 0, 3, false, false}, {3.6, 0.05, 4, true, true}, {4.0, 0.05, 4, false, false},
		{4.17, 0.05, 4, false, true},
		{5.02, 0, 5, false, false}, {5.3, 0.05, 5.5, false, false}, {5.9, 0.05, 6, false, false}, {6.8, 0.05, 6, true, true},
		{8, 0.05, 8, false, false},
		{10, 0.05, 10, false, false}, {12.7, 0.05, 12, false, false}, {16, 0.05, 16, false, false},
		{19.84, 0, 19, false, false}, {25, 0.05, 19, true, true}, {1, 0, 2.5, true, true},
	} {
		a := Of(length.Reading{Value: c.read, Doubt: c.doubt})
		if a.Nominal != c.nominal || a.Between != c.between || a.Doubtful != c.doubtful {
			t.Errorf("%v ± %v: %+v", c.read, c.doubt, a)
		}
		if a.Between != strings.Contains(a.Sentence, "between") {
			t.Errorf("%v: %s", c.read, a.Sentence)
		}
	}
}

// The bands follow each other and do not overlap.
func TestBandsAreInOrder(t *testing.T) {
	for i, b := range Bands {
		if b.Least >= b.Most || b.Nominal < b.Least-0.4 || b.Nominal > b.Most+0.1 {
			t.Errorf("%+v", b)
		}
		if i > 0 && b.Least <= Bands[i-1].Most {
			t.Errorf("%+v overlaps the band before", b)
		}
	}
}
