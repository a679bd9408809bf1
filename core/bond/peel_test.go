package bond

import (
	"testing"

	"freshshard/core/fault"
)

// A spot that nobody looked at keeps its place and counts for nothing.
func TestUnseenSpots(t *testing.T) {
	out, err := Peel{Length: 400, Width: 30, Spots: []Spot{Unseen, Metal, Unseen, Torn}}.Read()
	if err != nil || out.Carried != 0.5 || out.Shares[Unseen] != 0 {
		t.Errorf("%+v, %v", out, err)
	}
	if _, err := (Peel{Length: 400, Width: 30, Spots: []Spot{Unseen, Unseen}}).Read(); err == nil {
		t.Error("nothing was looked at, and it says something")
	}
}

// Faces may be looked at before anybody measures them: both measures or none. A map of
// nothing says nothing.
func TestFacesWithoutASize(t *testing.T) {
	for _, c := range []struct {
		length, width float64
		spots         []Spot
		field         string
	}{{0, 0, []Spot{Glass}, ""}, {0, 0, nil, "length"}, {0, 1, []Spot{Glass}, "length"}, {1, 0, []Spot{Glass}, "width"},
		{1, 1, []Spot{Glass}, ""}, {1, 1, nil, "spots"}, {20000, 1000, []Spot{Glass}, ""},
		{20000.1, 1000, []Spot{Glass}, "length"}, {20000, 1000.1, []Spot{Glass}, "width"}} {
		_, err := Peel{Length: c.length, Width: c.width, Spots: c.spots}.Read()
		if f := fault.Of(err); (f == nil) != (c.field == "") || f != nil && f.Field != c.field {
			t.Errorf("%+v: %v", c, err)
		}
	}
}
