package fit

import (
	"fmt"
	"math"

	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// An opening that tapers or leans by more than this is worth a word, mm.
// Common practice, no source.
const shapeWorth = 1.0

// From here on it is looked at again: a pane cut to the skew or the taper is then
// worth its price. Up to it the size takes it in. Common practice, no source.
const shapeMuch = 4.0

func crooked(mm float64) working.Verdict {
	if mm > shapeMuch {
		return working.Warn
	}
	return working.Note
}

// shape says what the readings show of the opening itself.
func (s shaping) shape(w, h axis) []working.Figure {
	var out []working.Figure
	for _, a := range []axis{w, h} {
		if a.Read < 2 || a.Spread <= shapeWorth {
			continue
		}
		i := s.p.Info(a.Least)
		out = append(out, working.Figure{
			Key: "taper_" + a.name, Value: a.Spread, Unit: "mm", Verdict: crooked(a.Spread), Place: string(a.Least),
			Sentence: fmt.Sprintf("between the %s readings; the order is for the least, %s", a.name, i.Name),
			Working: working.Of("{max} − {min}", a.Spread, "mm",
				working.In("max", "greatest "+a.name, a.Widest, "mm", value.Read("")),
				working.In("min", "least "+a.name+", "+i.Name, a.Nominal, "mm", value.Read(""))),
		})
	}
	if s.leaning && math.Abs(s.skew.Over) > shapeWorth {
		side := "right"
		if s.skew.Over < 0 {
			side = "left"
		}
		up, down := s.p.Readings[reading.Rising], s.p.Readings[reading.Falling]
		out = append(out, working.Figure{
			Key: "skew", Value: math.Abs(s.skew.Over), Unit: "mm", Verdict: crooked(math.Abs(s.skew.Over)),
			Place: string(reading.Rising),
			Sentence: "out of square over the height, leaning to the " + side +
				"; taken off the width, unless the pane is cut raked",
			Working: working.Of("{H} × tan(asin(({p}² − {q}²) / (4 × {W} × {H})))", math.Abs(s.skew.Over), "mm",
				working.In("p", "diagonal, rising", up.Value, "mm", value.Read("")),
				working.In("q", "diagonal, falling", down.Value, "mm", value.Read("")),
				working.In("W", "width", w.Mean(), "mm", value.Read("")), working.In("H", "height", h.Mean(), "mm",
					value.Read(""))).
				With("Law of cosines on an opening with parallel sides."),
		})
	}
	return out
}
