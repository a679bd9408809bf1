package drawing

import (
	"testing"

	"freshshard/core/fit"
	"freshshard/core/length"
)

// The section is as deep as the sum takes the frame to be: at its shallowest,
// wherever that was read.
func TestSectionTakesTheShallowestDepth(t *testing.T) {
	for _, shallow := range []fit.Place{fit.DepthTop, fit.DepthRight, fit.DepthBottom, fit.DepthLeft} {
		r := map[fit.Place]length.Reading{}
		for i, p := range []fit.Place{fit.DepthTop, fit.DepthRight, fit.DepthBottom, fit.DepthLeft} {
			r[p] = length.Reading{Value: 15 + float64(i)}
		}
		r[shallow] = length.Reading{Value: 9}
		if got := (Scene{Problem: fit.Problem{Readings: r}}).cut().depth; got != 9 {
			t.Errorf("shallowest at %s: drawn %v deep", shallow, got)
		}
	}
	if got := (Scene{}).cut().depth; got != assumedDepth {
		t.Errorf("unread: %v", got)
	}
}
