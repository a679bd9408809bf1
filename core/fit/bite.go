package fit

import (
	"fmt"
	"strings"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/working"
)

// slack is the gap on one side with the opening at its most and the pane at
// the bottom of its band: what the bite is taken from.
func (s solver) slack(a axis, pane float64) float64 { return (a.high - (pane - s.band.Half)) / 2 }

var biteSaid = map[string]string{"bite_cold": "when set", "bite_hot": "hot", "bite_coldest": "in the coldest", "rest_cold": "when set", "rest_hot": "hot"}

func (s solver) bite(a axis, pane float64, reach length.Reading, key string, paneC, frameC float64) working.Figure {
	place, what := Ledge, "least bite on the ledge"
	if s.p.Sizing != family.Rebate && s.p.Sizing != family.Clip {
		what = "least bite, " + rules[s.p.Sizing].cover
	}
	if _, ok := s.p.Readings[Reach]; ok && s.p.Sizing == family.Clip {
		place, what = Reach, "least bite under a bracket"
	}
	return s.covered(a, pane, reach, s.p.Limits.Bite, place, what, key, paneC, frameC)
}

// bears is the ledge that a pane lies on under its brackets, and the least that
// its edge must lie on it: half the bite that is asked of the brackets. It
// bears, it need not hold. Common practice, no source. ok is false where no
// brackets were read: there the ledge is the bite.
func (s solver) bears() (ledge length.Reading, least Value, ok bool) {
	_, bracket := s.p.Readings[Reach]
	ledge, ok = s.p.Readings[Ledge]
	least = Value{V: s.p.Limits.Bite.V / 2, Origin: origin.Custom()}
	return ledge, least, ok && bracket && s.p.Sizing == family.Clip
}

// rest is what a pane under brackets lies on. Brackets hold it from above; a
// ledge that its edge barely reaches lets it fall through. Told only where it
// is too little.
func (s solver) rest(a axis, pane float64) []working.Figure {
	ledge, least, ok := s.bears()
	if !ok {
		return nil
	}
	e, what := s.p.Exposure, "least rest on the ledge below the brackets"
	var out []working.Figure
	for _, f := range []working.Figure{s.covered(a, pane, ledge, least, Ledge, what, "rest_cold", e.Room, e.Room), s.covered(a, pane, ledge, least, Ledge, what, "rest_hot", e.Steady, e.FrameHot)} {
		if f.Verdict != working.Good {
			f.Working = f.Working.With(strings.TrimSpace(fmt.Sprintf("%s The limit is half the bite that is asked of the brackets, %s mm (%s): the ledge bears, it need not hold.", f.Working.Note, working.Num(s.p.Limits.Bite.V, 1), s.p.Limits.Bite.Origin)))
			out = append(out, f)
		}
	}
	return out
}

// covered is how far the pane's edge lies under or on what was read, at worst,
// against the least of it.
func (s solver) covered(a axis, pane float64, reach length.Reading, least Value, place Place, what, key string, paneC, frameC float64) working.Figure {
	g := s.p.growth(a.widest, paneC, frameC)
	v := reach.Value - reach.Doubt - s.slack(a, pane) - s.p.OffCentre - g
	f := working.Figure{
		Key: key, Sentence: fmt.Sprintf("%s, %s, at worst; %s expected", what, biteSaid[key], length.Metric(reach.Value-(a.widest-pane)/2-g)),
		Value: v, Unit: "mm", Place: string(place),
		Limit: working.Least(least.V, "mm", least.Origin),
		Working: working.Of("({r} − {e}) − ({T} + {d} − ({P} − {b})) / 2 − {o} − {Δ}", v, "mm",
			read("r", "what covers the edge", reach.Value, reach.Doubt),
			working.In("e", "doubt of that reading", reach.Doubt, "mm", origin.Custom()),
			read("T", "greatest "+a.name, a.widest, a.doubt),
			working.In("d", "doubt of the greatest reading", a.high-a.widest, "mm", origin.Custom()),
			working.In("P", "pane as ordered", pane, "mm", origin.Sum()),
			working.In("b", "the cutter's band, "+s.band.Name, s.band.Half, "mm", s.band.Origin),
			working.In("o", "pane off the middle", s.p.OffCentre, "mm", origin.Custom()),
			working.In("Δ", s.growthSaid(paneC, frameC), g, "mm", origin.Sum())),
	}
	f.Working = f.Working.With(s.growthFormula(a, paneC, frameC))
	bad := working.Stop
	if reach.Value-(a.widest-pane)/2-g >= least.V {
		bad = working.Warn
	}
	return f.Judge(bad)
}
