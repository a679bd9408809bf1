package drawing

import (
	"testing"

	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/reading"
)

// The section is as deep as the sum takes the frame to be: at its shallowest,
// wherever that was read.
func TestSectionTakesTheShallowestDepth(t *testing.T) {
	for _, shallow := range []reading.Place{reading.DepthTop, reading.DepthRight, reading.DepthBottom, reading.DepthLeft} {
		r := map[reading.Place]length.Reading{}
		for i, p := range []reading.Place{reading.DepthTop, reading.DepthRight, reading.DepthBottom, reading.DepthLeft} {
			r[p] = length.Reading{Value: 15 + float64(i)}
		}
		r[shallow] = length.Reading{Value: 9}
		if got := (Scene{Problem: fit.Problem{Asked: reading.Asked{Readings: r}}}).cut().depth; got != 9 {
			t.Errorf("shallowest at %s: drawn %v deep", shallow, got)
		}
	}
	if got := (Scene{}).cut().depth; got != assumedDepth {
		t.Errorf("unread: %v", got)
	}
}
