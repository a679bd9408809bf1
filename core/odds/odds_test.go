package odds

import (
	"strings"
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
		if got := Hundred(v); got != want {
			t.Errorf("%v is %q, want %q", v, got, want)
		}
	}
}

// What is told of draws: one that is met exactly fits, one of a thousand that does not has a
// stroke of its own, and of two ways that go wrong alike the first is named.
func TestTold(t *testing.T) {
	many := func(n int, of, but Thresholds, odd int) []Thresholds {
		out := make([]Thresholds, n)
		for i := range out {
			if out[i] = of; i < odd {
				out[i] = but
			}
		}
		return out
	}
	exact, wide := Thresholds{In: 300, Free: 300, Hold: 300}, Thresholds{In: 1e6, Free: 1e6}
	for _, c := range []struct {
		name    string
		d       Drawn
		says    string
		tight   int
		binds   int
		loose   int
		fitting int
	}{
		{"met exactly", Drawn{many(1000, exact, exact, 0), many(1000, wide, wide, 0)}, "", 0, 0, 0, 50},
		{"one of a thousand", Drawn{many(1000, exact, Thresholds{In: 299, Free: 300, Hold: 300}, 1), many(1000, wide, wide,
			0)},
			"fewer than 1 short of clearance when set over the width", 1, 0, 0, 49},
		{"a tenth binds", Drawn{many(1000, exact, Thresholds{In: 300, Free: 299, Hold: 300}, 100), many(1000, wide, wide, 0)},
			"10 bind in heat or frost over the width", 0, 5, 0, 45},
		{"a fifth is loose", Drawn{many(1000, wide, wide, 0), many(1000, wide, Thresholds{In: 1e6, Free: 1e6, Hold: 201},
			200)},
			"20 hold too little over the height", 0, 0, 10, 40},
		{"alike both ways", Drawn{many(4, wide, Thresholds{In: 1, Free: 1e6}, 1), append(many(1, wide, wide, 0),
			many(3, wide, Thresholds{In: 1, Free: 1e6}, 1)...)}, "50 short of clearance when set over the width", 25, 0, 0, 25},
		{"round", Drawn{many(10, wide, Thresholds{In: 1, Free: 1e6}, 5)}, "50 short of clearance when set", 25, 0, 0, 25},
		{"none fits", Drawn{many(10, Thresholds{In: 1, Free: 1}, wide, 0), nil}, "100 short of clearance when set", 50, 0, 0,
			0},
	} {
		q := Question{Order: outline.Size{W: 300, H: 200}}
		got := &Chance{}
		q.tell(got, c.d)
		n := map[string]int{}
		for _, s := range got.Strokes {
			n[s]++
		}
		if n[Tight] != c.tight || n[Binds] != c.binds || n[Loose] != c.loose || n[Fits] != c.fitting ||
			!strings.HasSuffix(got.Sentence, c.says) {
			t.Errorf("%s: %v, %q", c.name, n, got.Sentence)
		}
	}
}
