package reckon

import (
	"testing"

	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/road"
)

// On a road without a size nothing is missing, odd or withheld, no number of a
// pane that nobody orders is told, and no place of the walk is needed.
func TestNothingIsAskedWithoutASize(t *testing.T) {
	k := stove(t)
	k.Readings = map[reading.Place]length.Reading{reading.WidthTop: {Value: 270}, reading.WidthMiddle: {Value: 200},
		reading.WidthBottom: {Value: 270}, reading.Ledge: {Value: 3}, reading.Reach: {Value: 4}}
	whole, err := Pane(k)
	if err != nil || len(whole.Fit.Missing) == 0 || len(whole.Fit.Odd) == 0 {
		t.Fatalf("made to size: %d missing, %d odd, %v", len(whole.Fit.Missing), len(whole.Fit.Odd), err)
	}
	k.Road = road.Chosen{ID: "part", Part: road.Part{Number: "71-404"}}
	r, err := Pane(k)
	if err != nil || len(r.Fit.Missing)+len(r.Fit.Odd)+len(r.Stops)+len(r.Figures) != 0 || r.Fault != nil ||
		r.Withheld != "" {
		t.Errorf("%d missing, %d odd, %d stops, %d numbers, %v, %v", len(r.Fit.Missing), len(r.Fit.Odd), len(r.Stops),
			len(r.Figures), r.Fault, err)
	}
	for _, i := range r.Walk {
		if i.Needed {
			t.Errorf("%s is needed", i.Place)
		}
	}
	if r.Order != "Part 71-404, as it comes" || !r.Road.Noted || r.Road.Settled {
		t.Errorf("%q, %+v", r.Order, r.Road)
	}
	k.Road.Part.Number = ""
	if r, err = Pane(k); err != nil || r.Order != "The part, as it comes" || r.Road.Noted {
		t.Errorf("%q, %+v, %v", r.Order, r.Road, err)
	}
}

// A board is reckoned with its own growth and strength, and ruled out by heat
// like any pane; what was settled for glass is not settled for it.
func TestOtherThanGlass(t *testing.T) {
	k := stove(t)
	k.Exposure.ID, k.Exposure.Steady, k.Exposure.Short, k.Exposure.FrameHot, k.Exposure.Sudden = "room", 30, 35, 25, 0
	k.Road = road.Chosen{ID: "other", How: "board"}
	k.Material, k.Thickness = "glass-ceramic", 4
	r, err := Pane(k)
	if err != nil || r.Material.ID != "board" || !r.Assumed || r.Order == "" {
		t.Errorf("%s, assumed %v, %q, %v", r.Material.ID, r.Assumed, r.Order, err)
	}
	for _, o := range append(r.Choice.Open, r.Choice.Open...) {
		if o.Material == "annealed" {
			t.Error("glass is offered on the road of a board")
		}
	}
	k.Material, k.Thickness = "board", 9
	if r, err = Pane(k); err != nil || r.Assumed || r.Thickness != 9 || len(r.Stops) != 0 {
		t.Errorf("settled: assumed %v, %v mm, %+v, %v", r.Assumed, r.Thickness, r.Stops, err)
	}
	k.Exposure.Steady, k.Exposure.Short = 240, 290
	if r, err = Pane(k); err != nil || len(r.Stops) == 0 {
		t.Errorf("a board at 240 °C: %+v, %v", r.Stops, err)
	}
}

// A tube whose wall nobody has read is drawn with a fifth of its outside.
func TestUnreadWallIsDrawn(t *testing.T) {
	k := stove(t)
	k.Family, k.Gasket = "gauge-tube", fit.Gasket{Kind: fit.None}
	k.Readings = map[reading.Place]length.Reading{reading.TubeOutside: {Value: 15}}
	if r, err := Pane(k); err != nil || r.Thickness != 3 || r.Order != "" {
		t.Errorf("%v mm, %q, %v", r.Thickness, r.Order, err)
	}
}
