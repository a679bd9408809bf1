package small

import "testing"

func TestSmall(t *testing.T) {
	for _, c := range []struct {
		x    float64
		n    int
		want Verdict
	}{{55, 1, Warn}, {57, 1, Stop}, {3, 2, Stop}, {-3, 2, Warn}, {60, 2, Stop}} {
		if got := Judge(c.x, c.n); got != c.want {
			t.Errorf("%v, %d: %s", c.x, c.n, got)
		}
	}
	if Area(11.5, 5.5) != 20 || Area(0, 9) != 0 || Below(4) != -3 || len(Places(3)) != 3 {
		t.Error("a sum is wrong")
	}
	if _, err := Side(0); err == nil {
		t.Error("a side of nothing")
	}
	if v, err := Side(0.5); err != nil || v != 0.5 {
		t.Error("half a millimetre is one")
	}
	if !Fits(300, 300) || Fits(301, 300) || Never() < 1e300 {
		t.Error("it does not fit")
	}
}
