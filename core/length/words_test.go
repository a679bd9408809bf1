package length

import "testing"

// 25.4 mm to the inch is exact (international yard, 1959); the marks are those of
// a rule: sixty-fourths below 12 mm, thirty-seconds above.
func TestWords(t *testing.T) {
	for _, c := range []struct{ name, mm, in string }{
		{"alone", "125 mm from each side", "4 29/32+ in from each side"},
		{"a range", "ends crossing 150 to 300 mm.", "ends crossing 5 29/32 to 11 13/16 in."},
		{"a size", "one of 437 × 307 mm would do", "one of 17 7/32− × 12 3/32− in would do"},
		{"a size that is cut", "437 × 307 mm, as drawn", "17 7/32− × 12 3/32− in, as drawn"},
		{"a doubt", "reads 242.0 ± 0.8 mm here", "reads 9 17/32 ± 1/32 in here"},
		{"a doubt alone", "it, ±0.8 mm", "it, ±1/32 in"},
		{"under the finest mark", "0.1 mm of air", "under 1/64 in of air"},
		{"none", "0 mm of air", "0 in of air"},
		{"a thickness is a name", "6 mm toughened, 4 mm coated toughened", "6 mm toughened, 4 mm coated toughened"},
		{"beside a length", "1.2 mm out of flat; 6 mm would take it", "3/64 in out of flat; 6 mm would take it"},
		{"nothing", "no length here", "no length here"},
	} {
		if got := Words(c.mm, IN); got != c.in {
			t.Errorf("%s: %q, want %q", c.name, got, c.in)
		}
		if got := Words(c.mm, MM); got != c.mm {
			t.Errorf("%s: in mm it became %q", c.name, got)
		}
	}
}
