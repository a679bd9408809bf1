package drawing

import (
	"math"
	"testing"

	"freshshard/core/fault"
)

// A spot lies on the object and is large enough to be tapped.
func TestSpotCheck(t *testing.T) {
	for _, c := range []struct {
		s     Spot
		field string
	}{
		{Spot{X: 0, Y: 0, W: 1, H: 1}, ""}, {Spot{X: 0.7, Y: 0.1, W: 0.3, H: 0.04}, ""},
		{Spot{X: -0.1, W: 0.5, H: 0.5}, "x"}, {Spot{X: 0.98, W: 0.02, H: 0.5}, "x"}, {Spot{Y: 1.2, W: 0.5, H: 0.5}, "y"},
		{Spot{X: 0.7, W: 0.4, H: 0.5}, "w"}, {Spot{W: 0.5, H: 0.01}, "h"}, {Spot{W: math.NaN(), H: 0.5}, "w"},
	} {
		got := ""
		if f := fault.Of(c.s.Check()); f != nil {
			got = f.Field
		}
		if got != c.field {
			t.Errorf("%+v: %q, want %q", c.s, got, c.field)
		}
	}
	// A spot of the whole face fills the room that spots are shares of.
	d := Object([]ObjectPane{{ID: 1, Spot: Spot{W: 1, H: 1}}})
	if room, pane := item(t, d, "room"), item(t, d, "pane-1"); boxOf(room.Points) != boxOf(pane.Points) {
		t.Errorf("%v and %v", room.Points, pane.Points)
	}
	for _, l := range []Layout{{Across: 3, Down: 3}, {Across: 10, Behind: true}, {Across: 20, Down: 3}} {
		for _, s := range l.Spots() {
			if err := s.Check(); err != nil {
				t.Errorf("%+v lays a pane out of reach: %+v, %v", l, s, err)
			}
		}
	}
}
