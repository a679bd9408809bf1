package fit

import (
	"fmt"
	"math"

	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// What a locking gasket and its cord need beside the flange. Common practice,
// no source.
const (
	cordCrossing = 200.0 // 150 to 300 mm
	cordTail     = 150.0 // each of two
	cutLeast     = 1.01  // a gasket cut to length, pushed, never stretched
	cutMost      = 1.02
	joinedLess   = -0.01 // pane's perimeter against a joined gasket's groove
	joinedMore   = 0.005
)

// rubber are the lengths of gasket and cord, and whether a joined gasket fits.
func (s seating) rubber(w, h axis, r Result) []working.Figure {
	flange, pane := 2*(w.Nominal+h.Nominal), 2*(r.Order.W+r.Order.H)
	if s.shaped != nil {
		flange, pane = s.shaped.outline.Outer.Perimeter(), r.Pane.Perimeter()
	}
	in := working.In("P", "round the flange", flange, "mm", value.Sum())
	cord := flange + cordCrossing + 2*cordTail
	cut := flange * cutMost
	out := []working.Figure{
		{Key: "cord_length", Value: cord, Unit: "mm", Verdict: working.Note,
			Sentence: "of cord: once round, its ends crossing by 200, two tails",
			Working: working.Of("{P} + {x} + 2 × {t}", cord, "mm", in, working.In("x", "crossing, 150 to 300", cordCrossing,
				"mm", value.Custom()), working.In("t", "tail", cordTail, "mm", value.Custom()))},
		{Key: "rubber_length", Value: cut, Unit: "mm", Verdict: working.Note,
			Sentence: fmt.Sprintf("of gasket where it is cut to length: from %.0f, pushed, never stretched", flange*cutLeast),
			Working:  working.Of("{P} × {k}", cut, "mm", in, working.In("k", "1.01 to 1.02", cutMost, "", value.Custom()))},
	}
	g, ok := s.p.Readings[reading.JoinedGasket]
	if !ok {
		return out
	}
	off := (pane - g.Value) / g.Value
	f := working.Figure{Key: "joined_gasket", Value: math.Abs(off) * 100, Unit: "%", Place: string(reading.JoinedGasket),
		Limit:    working.Most(joinedMore*100, "%", value.Custom()),
		Sentence: "the pane is larger round than the joined gasket's glass groove",
		Working: working.Of("|{p} − {g}| / {g} × 100", math.Abs(off)*100, "%", working.In("p", "round the pane", pane,
			"mm", value.Sum()), read("g", "glass groove of the joined gasket, round", g.Value, g.Doubt)).
			With("From 1 % less to half a per cent more is right: a loose gasket leaks at the corners, a tight one pulls off " +
				"the flange.")}
	if off < 0 {
		f.Sentence, f.Limit = "the pane is smaller round than the joined gasket's glass groove",
			working.Most(-joinedLess*100, "%", value.Custom())
	}
	return append(out, f.Judge(working.Stop))
}
