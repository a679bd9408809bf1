package reading

import (
	"testing"

	"freshshard/core/length"
)

// Just inside, at and just outside: a tenth and 20 mm from its parallel, eight times the sides
// across; one parallel that agrees is enough, and what is no side is nobody's doubt.
func TestDoubt(t *testing.T) {
	for _, c := range []struct {
		name     string
		readings map[Place]float64
		place    Place
		value    float64
		against  Place
	}{
		{"twenty off a short one", map[Place]float64{WidthTop: 150}, WidthBottom, 170, ""},
		{"a little more", map[Place]float64{WidthTop: 150}, WidthBottom, 170.1, WidthTop},
		{"a tenth of a long one", map[Place]float64{HeightLeft: 500}, HeightRight, 450, ""},
		{"a little more than a tenth", map[Place]float64{HeightLeft: 500}, HeightRight, 449.9, HeightLeft},
		{"one of two agrees", map[Place]float64{WidthTop: 270, WidthMiddle: 2700}, WidthBottom, 269, ""},
		{"eight times the others", map[Place]float64{HeightLeft: 242, HeightRight: 242}, WidthTop, 1936, ""},
		{"2700 beside three 242s", map[Place]float64{HeightLeft: 242, HeightMiddle: 242, HeightRight: 242}, WidthTop, 2700,
			HeightRight},
		{"an eighth of the others", map[Place]float64{WidthTop: 1936}, HeightLeft, 242, ""},
		{"less than an eighth", map[Place]float64{WidthTop: 1936}, HeightLeft, 241.9, WidthTop},
		{"its parallel goes before the others", map[Place]float64{WidthTop: 2700, HeightLeft: 242}, WidthBottom, 2698, ""},
		{"the first of all", nil, WidthTop, 2700, ""},
		{"no side", map[Place]float64{WidthTop: 270}, Ledge, 2700, ""},
	} {
		p := Asked{Readings: map[Place]length.Reading{}}
		for q, v := range c.readings {
			p.Readings[q] = length.Reading{Value: v}
		}
		against, ok := p.Doubt(c.place, c.value)
		if ok != (c.against != "") || against != c.against {
			t.Errorf("%s: against %q, %v, want %q", c.name, against, ok, c.against)
		}
	}
}
