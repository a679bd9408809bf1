package shop

import (
	"testing"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/internal/measure"
	"freshshard/internal/record"
)

// A bare number that breaks the pattern of what was typed before is asked about; one
// that says its unit, or that fits what is there, is taken.
func TestOwnUnit(t *testing.T) {
	pane := func(imperial ...bool) *record.Pane {
		p := &record.Pane{}
		for _, i := range imperial {
			p.Readings = append(p.Readings,
				record.Reading{Instrument: length.Tape, Reading: length.Reading{Value: 100, Imperial: i}})
		}
		return p
	}
	if err := measure.OwnUnit(pane(true, true), length.Reading{Text: "5"}, length.Caliper, length.MM); err != nil {
		t.Errorf("another instrument: %v", err)
	}
	for _, c := range []struct {
		name string
		pane *record.Pane
		text string
		shop length.Unit
		asks bool
	}{
		{"the first", pane(), "5", length.MM, false},
		{"after one in inches", pane(true), "5", length.MM, false},
		{"after inches", pane(true, true), "5", length.MM, true},
		{"after inches, a decimal", pane(true, true), "5,5", length.MM, true},
		{"after inches, said", pane(true, true), "5 mm", length.MM, false},
		{"after inches, a fraction", pane(true, true), "5 1/2", length.MM, false},
		{"after both", pane(true, false), "5", length.MM, false},
		{"after mm", pane(false), "5", length.MM, false},
		{"a shop in inches, after mm", pane(false, false), "5", length.IN, true},
		{"a shop in inches, after inches", pane(true, true), "5", length.IN, false},
		{"with its doubt", pane(true, true), "5 ±1", length.MM, false},
	} {
		err := measure.OwnUnit(c.pane, length.Reading{Text: c.text}, length.Tape, c.shop)
		if (err != nil) != c.asks || err != nil && fault.Of(err).Field != "text" {
			t.Errorf("%s: %v", c.name, err)
		}
	}
}
