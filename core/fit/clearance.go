package fit

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/working"
)

// expected says whether clearance, bite and rest keep their limits at the readings
// as they stand, without doubt and tolerance.
func (s solver) expected(a axis, pane float64) bool {
	_, hot, cold := s.p.allowance(a.nominal)
	gap := s.gap(a, pane)
	ok := gap >= s.p.Limits.Clearance.V && gap+math.Min(hot, cold) >= s.p.Limits.HotClearance.V
	covers := func(r length.Reading, least float64) bool {
		return r.Value-(a.widest-pane)/2-math.Max(0, math.Max(hot, cold)) >= least
	}
	if reach, has := s.reach(); has {
		ok = ok && covers(reach, s.p.Limits.Bite.V)
	}
	if ledge, least, has := s.bears(); has {
		ok = ok && covers(ledge, least.V)
	}
	return ok
}

// worstGap is the clearance on one side with the opening at its least and the
// pane at the top of its band.
func (s solver) worstGap(a axis, pane float64) float64 {
	return (a.low-a.skew-pane-s.band.Half)/2 - s.p.seated() - s.p.webDoubt()
}

var clearanceSaid = map[string]string{
	"clearance_cold":    "edge clearance each side when set, at worst",
	"clearance_hot":     "edge clearance each side, hot, at worst",
	"clearance_coldest": "edge clearance each side in the coldest, at worst",
}

func (s solver) clearance(a axis, pane float64, key string, paneC, frameC float64, limit Value) working.Figure {
	g := s.p.growth(a.nominal, paneC, frameC)
	v := s.worstGap(a, pane) + g
	i := s.p.info(a.least)
	f := working.Figure{
		Key: key, Sentence: fmt.Sprintf("%s; %s expected", clearanceSaid[key], length.Metric(s.gap(a, pane)+g)), Value: v, Unit: "mm",
		Limit: working.Least(limit.V, "mm", limit.Origin), Place: string(a.least),
		Working: working.Of("(("+"{"+a.letter+"} − {d}) − {s} − ({P} + {b})) / 2 − {g} + {Δ}", v, "mm",
			read(a.letter, "least "+a.name+", "+i.Name, a.nominal, a.doubt),
			working.In("d", "doubt of the least reading", a.nominal-a.low, "mm", origin.Custom()),
			working.In("s", "skew over the pane", a.skew, "mm", origin.Sum()),
			working.In("P", "pane as ordered", pane, "mm", origin.Sum()),
			working.In("b", "the cutter's band, "+s.band.Name, s.band.Half, "mm", s.band.Origin),
			s.p.seat(s.p.seated()+s.p.webDoubt()),
			working.In("Δ", s.growthSaid(paneC, frameC), g, "mm", origin.Sum())),
	}
	f.Working = f.Working.With(s.growthFormula(a, paneC, frameC))
	bad := working.Stop
	if s.gap(a, pane)+g >= limit.V {
		bad = working.Warn
	}
	return f.Judge(bad)
}

func (s solver) growthSaid(paneC, frameC float64) string {
	return fmt.Sprintf("gap gained on one side, frame %s °C, pane %s °C", working.Num(frameC, 0), working.Num(paneC, 0))
}

func (s solver) growthFormula(a axis, paneC, frameC float64) string {
	p := s.p
	return fmt.Sprintf("Δ = (α frame × ΔT frame − α pane × ΔT pane) × L / 2 = (%s × %s − %s × %s) × 10⁻⁶ × %s / 2 = %s mm. α: %s %s (%s), %s %s (%s), per million and kelvin.",
		working.Num(p.Frame.Alpha, 2), working.Num(frameC-p.Exposure.Room, 0), working.Num(p.Pane.Alpha, 2), working.Num(paneC-p.Exposure.Room, 0),
		working.Num(a.nominal, 1), working.Num(p.growth(a.nominal, paneC, frameC), 2),
		p.Frame.Name, working.Num(p.Frame.Alpha, 2), p.Frame.Origin, p.Pane.Name, working.Num(p.Pane.Alpha, 2), p.Pane.Origin)
}
