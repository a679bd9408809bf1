package reckon

import (
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
)

// Nothing is ordered of a pane that hangs on holes while nobody knows where they are,
// whatever its shape; and no holes are ordered of one that is held otherwise, though
// somebody once read them.
func TestHolesAreOrderedWhereTheyCarry(t *testing.T) {
	f, err := family.Book.ByID("two-holes")
	if err != nil {
		t.Fatal(err)
	}
	k := light(t, 420, 310)
	k.Family, k.Readings, k.Material, k.Thickness = f.ID, usually(t, f), "toughened", 5
	if r := reckonedLight(t, k); len(r.Fit.Holes) != 2 || !strings.Contains(r.Order, "two holes") || r.Withheld != "" {
		t.Errorf("read: %q, %q", r.Order, r.Withheld)
	}
	other := k
	other.Family = "putty-points"
	r := reckonedLight(t, other)
	for _, g := range r.Figures {
		if strings.HasPrefix(g.Key, "hole_") {
			t.Errorf("held otherwise: %s", g.Key)
		}
	}
	if len(r.Fit.Holes) != 0 || strings.Contains(r.Order, "hole") {
		t.Errorf("held otherwise: %q", r.Order)
	}
	delete(k.Readings, reading.HoleUp)
	if r := reckonedLight(t, k); r.Order != "" || !strings.Contains(r.Withheld, "not read yet") {
		t.Errorf("one is not read: %q, %q", r.Order, r.Withheld)
	}
	rounded := k
	rounded.Shape = reading.Shape{Kind: "rounded"}
	rounded.Readings = map[reading.Place]length.Reading{reading.ShapePlace("width"): {Value: 420, Doubt: 0.5},
		reading.ShapePlace("height"): {Value: 310, Doubt: 0.5}, reading.ShapePlace("radius"): {Value: 40, Doubt: 0.5},
		reading.Ledge: {Value: 13, Doubt: 0.5}}
	if r := reckonedLight(t, rounded); !r.Fit.Ready || r.Order != "" || !strings.Contains(r.Withheld,
		"trace it with its holes") {
		t.Errorf("rounded: ready %v, %q, %q", r.Fit.Ready, r.Order, r.Withheld)
	}
	outer, err := outline.RoundedRect(420, 310, 40)
	if err != nil {
		t.Fatal(err)
	}
	hole, err := outline.Circle(14)
	if err != nil {
		t.Fatal(err)
	}
	drawn := outline.Outline{Outer: outer, Holes: []outline.Path{hole.Moved(100, 60)}}
	rounded.Shape = reading.Shape{Kind: reading.Drawn, Drawn: &drawn, Trace: &outline.Trace{Along: outline.RoundPane}}
	if r := reckonedLight(t, rounded); r.Order == "" || r.Withheld != "" {
		t.Errorf("traced with its holes: %q, %q", r.Order, r.Withheld)
	}
}
