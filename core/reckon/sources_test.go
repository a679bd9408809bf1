package reckon

import (
	"testing"

	"freshshard/core/value"
)

// One heat has one origin in every working of a pane: as the book has it, or said of this
// object, never the one here and the other there.
func TestOneHeatOneOrigin(t *testing.T) {
	for _, c := range []struct {
		name   string
		change func(*Known)
		want   value.Kind
	}{
		{"as the book has it", func(*Known) {}, value.Trade},
		{"said of this stove", func(k *Known) { k.Exposure.Steady = 487; k.Exposure.Short = 612 }, value.Reading},
	} {
		for _, material := range []string{"glass-ceramic", "toughened", "borosilicate"} {
			k := stove(t)
			k.Material = material
			c.change(&k)
			r, err := Pane(k)
			if err != nil {
				t.Fatal(err)
			}
			figures := r.Figures
			for _, s := range r.Choice.Closed {
				figures = append(figures, s.Figure)
			}
			for _, a := range r.Choice.Stands {
				more, err := r.Choice.Why(a.Key, material)
				if err != nil {
					t.Fatal(err)
				}
				figures = append(figures, more...)
			}
			seen := 0
			for _, f := range figures {
				for _, in := range f.Working.Inputs {
					if in.Unit == "°C" && (in.Value == k.Exposure.Steady || in.Value == k.Exposure.Short) {
						if seen++; in.Origin.Kind != c.want {
							t.Errorf("%s, %s: %s says of %v °C, %s: %s", c.name, material, f.Key, in.Value, in.Name, in.Origin)
						}
					}
				}
			}
			if seen < 4 {
				t.Errorf("%s, %s: the heat is seen %d times", c.name, material, seen)
			}
		}
	}
}
