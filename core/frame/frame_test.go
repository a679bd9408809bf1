package frame

import (
	"testing"

	"freshshard/core/fault"
)

// Growth of metals in 1e-6 per kelvin: steel 12, cast iron 10.5, stainless 16
// to 17. Common practice, no source.
func TestFrames(t *testing.T) {
	for id, want := range map[string][2]float64{"steel": {11.5, 12.5}, "cast-iron": {10, 11}, "stainless": {16, 17},
		"aluminium": {22, 24}, "timber": {3, 6}, "bronze": {17, 20}} {
		m, err := Book.ByID(id)
		if err != nil || m.Alpha < want[0] || m.Alpha > want[1] || m.Source().Check() != nil {
			t.Errorf("%s: %+v, %v", id, m, err)
		}
	}
	if len(Book.Laid(nil)) != 6 {
		t.Errorf("%d frames", len(Book.Laid(nil)))
	}
	if _, err := Book.ByID("cheese"); fault.Of(err) == nil || fault.Of(err).Field != "frame" {
		t.Errorf("%v", err)
	}
}
