package shop

import (
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/setting"
)

// A job begins with the fixings that there usually are: two bolts carry a drop
// glass, a ring that springs in has none.
func TestUsualFixings(t *testing.T) {
	s, _, tor := open(t)
	for family, want := range map[string]setting.Sides{
		"clip-heat": {Top: 2, Bottom: 2}, "channel-front": {Bottom: 3}, "window-pack": {Right: 2, Left: 2},
		"drop-glass": {Bottom: 2}, "clamp-ring": {Top: 2, Right: 2, Bottom: 2, Left: 2},
		"ring-port": {}, "gauge-tube": {}, "bead-brads": {}, "locking-gasket": {}, "edge-bonded": {},
	} {
		in := stove()
		in.Family, in.Exposure = family, "room"
		id, err := s.Desk.TakeIn(ctx, tor, "", in)
		if err != nil {
			t.Fatal(err)
		}
		if got := view1(t, s, id).Pane.Sides; got != want {
			t.Errorf("%s: %+v, want %+v", family, got, want)
		}
	}
}

// The outermost pane of an oven's door is not at the cavity's heat; its pack,
// once it is noted, is held against all of it.
func TestWhereItStands(t *testing.T) {
	s, _, tor := open(t)
	for stands, want := range map[exposure.Stands][2]float64{"": {240, 0}, exposure.Inner: {240, 0},
		exposure.Middle: {174, 240}, exposure.Outer: {108, 240}} {
		in := stove()
		in.Family, in.Exposure, in.Object, in.Stands = "channel-front", "oven", "Deck oven, door", stands
		id, err := s.Desk.TakeIn(ctx, tor, "", in)
		if err != nil {
			t.Fatal(err)
		}
		if v := view1(t, s, id); v.Job.Object.Exposure.Steady != want[0] || v.Pane.Stack.Cavity != want[1] {
			t.Errorf("%q: %v °C, its pack against %v", stands, v.Job.Object.Exposure.Steady, v.Pane.Stack.Cavity)
		}
	}
	in := stove()
	known := 200.0
	in.Family, in.Exposure, in.Stands, in.Steady = "channel-front", "oven", exposure.Outer, &known
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	if v := view1(t, s, id); v.Job.Object.Exposure.Steady != 200 {
		t.Errorf("known better: %v", v.Job.Object.Exposure.Steady)
	}
}
