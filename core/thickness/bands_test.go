package thickness

import (
	"math"
	"testing"

	"freshshard/core/length"
)

// Just outside, at and just inside both ends of each band. ASTM C1036, from memory.
func TestEndsOfTheBands(t *testing.T) {
	for _, b := range []struct{ nominal, least, most float64 }{{2.5, 2.16, 2.57}, {2.7, 2.59, 2.90}, {3, 2.92, 3.40},
		{4, 3.78, 4.19}, {5, 4.57, 5.05}, {5.5, 5.08, 5.54}, {6, 5.56, 6.20}, {8, 7.42, 8.43}, {10, 9.02, 10.31},
		{12, 11.91, 13.49}, {16, 15.09, 16.66}, {19, 18.26, 19.84}} {
		for _, c := range []struct {
			v  float64
			in bool
		}{{b.least - 0.004, false}, {b.least, true}, {b.least + 0.004, true}, {b.most - 0.004, true}, {b.most, true},
			{b.most + 0.004, false}} {
			a := Of(length.Reading{Value: c.v})
			if a.Between == c.in || c.in && math.Abs(a.Nominal-b.nominal) > 1e-9 {
				t.Errorf("%v mm: nominal %v, between %v; band of %v from %v to %v", c.v, a.Nominal, a.Between, b.nominal,
					b.least, b.most)
			}
		}
	}
	if a := Of(length.Reading{Value: 6.789}); a.Sentence != "6.79 mm lies between the bands; nearest is 6 mm (1/4 in). "+
		"Laminated, plastic, or worn." {
		t.Errorf("between: %q", a.Sentence)
	}
}
