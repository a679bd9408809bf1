package fit

import (
	"fmt"
	"math"
	"strings"

	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

var biteSaid = map[string]string{"bite_cold": "when set", "bite_hot": "when hot", "bite_coldest": "in the coldest",
	"rest_cold": "when set", "rest_hot": "when hot"}

func (s covering) bite(a axis, pane float64, reach length.Reading, key string, paneC, frameC float64) working.Figure {
	rule := s.p.Rule()
	place, what := reading.Ledge, rule.Cover.Bite
	if what == "" {
		what = "of bite, " + rule.Cover.Name
	}
	if _, ok := s.p.Readings[reading.Reach]; ok && rule.Brackets {
		place, what = reading.Reach, "of bite under a bracket"
	}
	if s.p.Limits.Slides {
		what += ", pushed to the other side"
	}
	return s.covered(a, pane, reach, s.p.Limits.Stays, s.p.Limits.Bite, place, what, key, paneC, frameC)
}

// rest is what a pane under brackets lies on. Brackets hold it from above; a
// ledge that its edge barely reaches lets it fall through. Told only where it
// is too little.
func (s covering) rest(w, h axis, r Result) []working.Figure {
	ledge, least, ok := s.bears()
	if !ok {
		return nil
	}
	e, what := s.p.Exposure, "of rest on the ledge below the brackets"
	var out []working.Figure
	for _, at := range []struct {
		key         string
		pane, frame float64
	}{{"rest_cold", e.Room, e.Room}, {"rest_hot", e.Steady, e.FrameHot}} {
		a, pane := s.worse(w, h, r, func(a axis, pane float64) float64 {
			return bounding(s).surely(a, pane, ledge, s.p.growth(a.Widest, at.pane, at.frame))
		})
		f := s.covered(a, pane, ledge, least, least, reading.Ledge, what, at.key, at.pane, at.frame)
		if f.Verdict != working.Good {
			f.Working = f.Working.With(
				strings.TrimSpace(fmt.Sprintf("%s The limit is half the bite that is asked of the brackets, %s mm (%s): the "+
					"ledge bears, it need not hold.", f.Working.Note, working.Num(s.p.Limits.Stays.V, 1), s.p.Limits.Stays.Origin)))
			out = append(out, f)
		}
	}
	return out
}

// covered is how far the pane's edge lies under or on what was read, 19 times
// in 20, against what it must have and what the trade likes.
func (s covering) covered(a axis, pane float64, reach length.Reading, must, wish Value, place reading.Place, what,
	key string,
	paneC, frameC float64) working.Figure {
	g := s.p.growth(a.Widest, paneC, frameC)
	asRead, v := bounding(s).cover(a, pane, reach.Value, g), bounding(s).surely(a, pane, reach, g)
	formula := "{r} − ({T} − {P}) / 2 − {o} − {Δ} − {u}"
	in := []working.Input{
		working.In("u", "what the doubts take once in 20: readings anywhere within their doubt, the cut mostly near its size",
			asRead-v, "mm", value.Sum()),
		read("r", "what covers the edge", reach.Value, reach.Doubt),
		read("T", "greatest "+a.name, a.Widest, a.Doubt),
		working.In("P", "pane as ordered", pane, "mm", value.Sum()),
		working.In("b", "the cutting tolerance, "+s.band.Name, s.band.Half, "mm", s.band.Origin),
		working.In("o", "pane off the middle", s.p.OffCentre, "mm", value.Custom()),
		working.In("Δ", s.growthSaid(paneC, frameC), g, "mm", value.Sum())}
	switch {
	case s.p.Rule().Plate:
		formula = "{r} − {u}"
	case s.p.Limits.Slides:
		formula = "{r} − ({T} − {P}) − 2 × {Δ} − {u}"
	}
	f := working.Figure{
		Key: key, Sentence: fmt.Sprintf("%s %s, %s; %s mm as read", what, biteSaid[key], atWorst, length.Metric(asRead)),
		Value: v, Unit: "mm", Place: string(place), Limit: working.Least(must.V, "mm", must.Origin),
		Working: working.Of(formula, v, "mm", in...).With(s.growthFormula(a, paneC, frameC)),
	}
	return judged(f, asRead, wish)
}

// bites are what the pane is held by when set, hot and in the coldest, and how it rests; none
// where nothing covers it.
func (s covering) bites(w, h axis, r Result) []working.Figure {
	reach, ok := s.reach()
	if !ok {
		return nil
	}
	e := s.p.Exposure
	var out []working.Figure
	over := func(key string, paneC, frameC float64) {
		a, pane := s.worse(w, h, r, func(a axis, pane float64) float64 {
			return bounding(s).surely(a, pane, reach, s.p.growth(a.Widest, paneC, frameC))
		})
		out = append(out, s.bite(a, pane, reach, key, paneC, frameC))
	}
	over("bite_cold", e.Room, e.Room)
	over("bite_hot", e.Steady, e.FrameHot)
	// What shrinks more than its frame draws back in the cold.
	if e.Coldest < e.Room &&
		s.p.growth(w.Widest, e.Coldest, e.Coldest) > math.Max(0, s.p.growth(w.Widest, e.Steady, e.FrameHot)) {
		over("bite_coldest", e.Coldest, e.Coldest)
	}
	return append(out, s.rest(w, h, r)...)
}
