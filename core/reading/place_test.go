package reading

import (
	"testing"

	"freshshard/core/fault"
	"freshshard/core/golden"
	"freshshard/core/length"
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
