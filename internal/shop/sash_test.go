package shop

import (
	"strings"
	"testing"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/internal/measure"
)

// A sash that says stop is laid on no job; put right, it is.
func TestASashThatSaysStopIsNotLaid(t *testing.T) {
	s, _, tor := open(t)
	in := stove()
	in.Family, in.Exposure, in.Object, in.Layout = "putty-points", "weather", "Greenhouse, north sash",
		&drawing.Layout{Across: 2, Down: 1}
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	way := func(light string) measure.SashIn {
		return measure.SashIn{Instrument: length.Rule,
			Across: measure.SashWay{Lights: []string{"250; 250; " + light, "260"}, Bars: []string{"20"}, First: "50", Last: "50",
				Whole: "630"},
			Down: measure.SashWay{Lights: []string{"400"}, First: "50", Last: "50", Whole: "500"}}
	}
	if _, err := s.Measure.AddSash(ctx, tor, id, way("205")); fault.Of(err) == nil ||
		!strings.Contains(fault.Of(err).Why, "the sash says stop: column 1 reads 205.0") {
		t.Fatalf("%v", err)
	}
	if n, err := s.Measure.AddSash(ctx, tor, id, way("250")); err != nil || n != 2 {
		t.Fatalf("%d laid, %v", n, err)
	}
}
