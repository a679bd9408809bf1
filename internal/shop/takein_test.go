package shop

import (
	"testing"

	"freshshard/core/setting"
)

// A job begins with the fixings that there usually are: two bolts carry a drop
// glass, a ring that springs in has none.
func TestUsualFixings(t *testing.T) {
	s, _, tor := open(t)
	for family, want := range map[string]setting.Sides{
		"clip-heat": {Top: 2, Bottom: 2}, "channel-front": {Bottom: 3}, "window-pack": {Right: 2, Left: 2}, "drop-glass": {Bottom: 2}, "clamp-ring": {Top: 2, Right: 2, Bottom: 2, Left: 2},
		"ring-port": {}, "gauge-tube": {}, "bead-brads": {}, "locking-gasket": {}, "edge-bonded": {},
	} {
		in := stove()
		in.Family, in.Exposure = family, "room"
		id, err := s.TakeIn(ctx, tor, "", in)
		if err != nil {
			t.Fatal(err)
		}
		if got := view1(t, s, id).Pane.Sides; got != want {
			t.Errorf("%s: %+v, want %+v", family, got, want)
		}
	}
}
