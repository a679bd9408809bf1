package working

import (
	"testing"

	"freshshard/core/value"
)

func TestJudge(t *testing.T) {
	for _, c := range []struct {
		name    string
		value   float64
		limit   *Limit
		margin  float64
		verdict Verdict
	}{
		{"above a least", 3, Least(2, "mm", value.Custom()), 1, Good},
		{"below a least", 1.5, Least(2, "mm", value.Custom()), -0.5, Stop},
		{"on a least, to the last bit", 0.1 + 0.2, Least(0.3, "mm", value.Custom()), 0, Good},
		{"under a most", 380, Most(560, "°C", value.Custom()), 180, Good},
		{"over a most", 600, Most(560, "°C", value.Custom()), -40, Stop},
		{"no limit", 600, nil, 0, Note},
	} {
		f := Figure{Value: c.value, Limit: c.limit}.Judge(Stop)
		if f.Verdict != c.verdict || f.Margin != c.margin {
			t.Errorf("%s: got %v %v, want %v %v", c.name, f.Verdict, f.Margin, c.verdict, c.margin)
		}
	}
}

func TestOf(t *testing.T) {
	w := Of("{W} − 2 × {c}", 264.4, "mm",
		In("W", "least width", 268.4, "mm", value.Read("tape")),
		In("c", "edge clearance", 2, "mm", value.Custom()))
	if w.Formula != "W − 2 × c" {
		t.Errorf("formula %q", w.Formula)
	}
	if want := "268.4 − 2 × 2 = 264.4 mm"; w.Values != want {
		t.Errorf("values %q, want %q", w.Values, want)
	}
}

func TestNum(t *testing.T) {
	// Small numbers keep their digits, large ones do not gain any.
	for v, want := range map[float64]string{0: "x = 0 mm", 1.23456: "x = 1.23 mm", 0.123456: "x = 0.1235 mm",
		0.01: "x = 0.01 mm", 0.0012345678: "x = 0.0012346 mm"} {
		if got := Fill("x", nil, v, "mm"); got != want {
			t.Errorf("%v: %q, want %q", v, got, want)
		}
	}
	for _, c := range []struct {
		v    float64
		dec  int
		want string
	}{{268.40, 2, "268.4"}, {-0.3, 1, "−0.3"}, {-0.001, 1, "0"}, {100, 0, "100"}, {0.000012, 7, "0.000012"}} {
		if got := Num(c.v, c.dec); got != c.want {
			t.Errorf("Num(%v, %d) = %q, want %q", c.v, c.dec, got, c.want)
		}
	}
}
