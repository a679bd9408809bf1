package fit

import (
	"math"
	"testing"

	"freshshard/core/length"
	"freshshard/core/reading"
)

// Sockets of two depths: the tube goes up into the deeper one, and stands no further in the
// shallower one than that is deep. By hand: between faces of 250, lower stop 14, upper 20: it
// may be 270 at most, and stands 10 in each when it is centred; with an upper stop of 6 the
// lower is the deeper, 264 at most, and 6 is all that the upper one takes.
func TestTubeInTwoSockets(t *testing.T) {
	for _, c := range []struct{ lower, upper, nominal, each float64 }{
		{14, 0, 264, 7}, {14, 14, 264, 7}, {14, 20, 270, 10}, {14, 6, 264, 6}, {6, 14, 264, 6},
	} {
		p := problem(t, "gauge-tube", map[reading.Place]string{reading.Faces: "250 ±0", reading.StopDepth: "14 ±0",
			reading.TubeOutside: "12.7 ±0.05"})
		p.Readings[reading.StopDepth] = length.Reading{Value: c.lower}
		if c.upper > 0 {
			p.Readings[reading.StopUpper] = length.Reading{Value: c.upper}
		}
		r := solve(t, p)
		for _, f := range r.Figures {
			switch f.Key {
			case "nominal_length":
				if math.Abs(f.Value-c.nominal) > 1e-9 {
					t.Errorf("%+v: %v long by the rule", c, f.Value)
				}
			case "engage_ends":
				if f.Value > c.each+1e-9 || f.Value < c.each-2 {
					t.Errorf("%+v: %v in each", c, f.Value)
				}
			}
		}
	}
}
