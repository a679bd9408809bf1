package odds

import (
	"testing"

	"freshshard/core/outline"
)

// At exactly the largest that goes in it fits, and at exactly the smallest that
// holds: what is drawn is counted at its own bounds.
func TestSharesAtTheirBounds(t *testing.T) {
	q := Thresholds{In: 300, Hold: 298, Free: 299.5}
	for _, c := range []struct {
		size float64
		all  float64
	}{{298, 1}, {297.9, 0}, {299.5, 1}, {299.6, 0}, {300, 0}} {
		for way, t2 := range map[string]Drawn{"across": {{q}, nil},
			"both": {{{In: 1e9, Hold: 0, Free: 1e9}}, {q}}} {
			size := outline.Size{W: c.size, H: c.size}
			if _, _, _, all := Shares(t2, size); all != c.all {
				t.Errorf("%s, %v: %v", way, c.size, all)
			}
		}
	}
}

// No risk is rounded away.
func TestHundred(t *testing.T) {
	for v, want := range map[float64]string{1: "100", 0.9999: "more than 99", 0.995: "more than 99", 0.99: "99", 0.5: "50",
		0.004: "fewer than 1", 0: "0"} {
		if got := hundred(v); got != want {
			t.Errorf("%v is %q, want %q", v, got, want)
		}
	}
}
