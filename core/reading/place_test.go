package reading

import (
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/tools/golden"
)

// Every place that can be read, its instrument and its bounds.
func TestPlacesAreAsLookedAt(t *testing.T) { golden.Check(t, "places", golden.Each(places)) }

// A doubt of a quarter of the reading is refused, but where a reading may be
// nothing: a mark that is 2 mm off the middle may be doubtful by 1.
func TestDoubtAgainstItsReading(t *testing.T) {
	for _, c := range []struct {
		place       Place
		value, doub float64
		refused     bool
	}{{WidthTop, 100, 25, false}, {WidthTop, 100, 25.1, true}, {MarkShift, 2, 1, false}, {Ledge, 10, 2.6, true}} {
		err := c.place.Check(length.Reading{Value: c.value, Doubt: c.doub})
		if (fault.Of(err) != nil) != c.refused {
			t.Errorf("%s %v ±%v: %v", c.place, c.value, c.doub, err)
		}
	}
}

// A measure of a shape is at least a millimetre, but one that may be nothing.
func TestLeastOfAMeasure(t *testing.T) {
	for key, least := range map[string]float64{"diameter": 1, "notch_from": 0} {
		i, err := ShapePlace(key).Info()
		if err != nil || i.Least != least {
			t.Errorf("%s: from %v, %v", key, i.Least, err)
		}
	}
}

// Each place takes what makes sense there, its bounds with it, and says from where to where.
func TestPlaceBounds(t *testing.T) {
	for _, c := range []struct {
		place Place
		v     float64
		says  string
	}{
		{Ledge, 1, ""}, {Ledge, 0.9, "0.9 mm is too little for the ledge of the rebate; from 1.0 mm up is taken"},
		{Ledge, 120, ""}, {Ledge, 120.1, "120.1 mm is too much for the ledge of the rebate; up to 120.0 mm is taken"},
		{WidthTop, 15, ""}, {WidthTop, 14.9, "too little"}, {WidthTop, 6000, ""}, {WidthTop, 6000.1, "too much"},
		{Rising, 9000, ""}, {Rising, 9000.1, "too much"}, {ShapePlace("width"), 9000, ""}, {ShapePlace("width"), 9000.1,
			"too much"},
		{ShapePlace("notch_from"), 0, ""}, {"luck", 5, "no dimension is called"},
	} {
		err := c.place.Check(length.Reading{Value: c.v})
		says := ""
		if f := fault.Of(err); f != nil {
			says = f.Why + "; " + f.Cure
		}
		if c.says == "" && says != "" || !strings.Contains(says, c.says) {
			t.Errorf("%s %v: %q, want %q", c.place, c.v, says, c.says)
		}
	}
}
