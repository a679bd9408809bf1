package reckon

import (
	"strings"
	"testing"

	"freshshard/core/length"
	"freshshard/core/reading"
)

// What can be cut here and what is ordered. Common practice, no source.
func TestCutting(t *testing.T) {
	for _, c := range []struct {
		material string
		shape    string
		hand     bool
		says     string
	}{
		{"toughened", "", false, "never cut, drilled or ground"}, {"glass-ceramic", "", true, "straight scores"},
		{"polycarbonate", "", true, "sawn"},
		{"annealed", "round-top", true, "relief scores"}, {"annealed", "notch", false, "inside corner"},
	} {
		k := stove(t)
		k.Material, k.Thickness = c.material, 4
		k.Shape = reading.Shape{Kind: c.shape}
		for key, v := range map[string]float64{"width": 300, "height": 240, "spring": 200, "rise": 80, "notch_from": 100,
			"notch_width": 60, "notch_depth": 40} {
			k.Readings[reading.ShapePlace(key)] = length.Reading{Value: v, Doubt: 0.5}
		}
		r, err := Pane(k)
		if err != nil {
			t.Fatal(err)
		}
		if r.Cutting.Hand != c.hand || !strings.Contains(r.Cutting.Sentence, c.says) {
			t.Errorf("%s %s: %+v", c.material, c.shape, r.Cutting)
		}
	}
}
