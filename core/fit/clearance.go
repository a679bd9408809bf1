package fit

import (
	"fmt"

	"freshshard/core/length"
	"freshshard/core/value"
	"freshshard/core/working"
)

// worstGap is the clearance on one side with the opening at its least and the
// pane at the top of its band.
func (s covering) worstGap(a axis, pane float64) float64 {
	return (a.Low-a.skew-pane-s.band.Half)/2 - s.p.seated() - s.p.webDoubt()
}

var clearanceSaid = map[string]string{
	"clearance_cold":    "of edge clearance each side when set",
	"clearance_hot":     "of edge clearance each side when hot",
	"clearance_coldest": "of edge clearance each side in the coldest",
}

// freeGap is the gap on one side that there is 19 times in 20, mm.
func (s covering) freeGap(a axis, pane, paneC, frameC float64) float64 {
	return (doubting(s).leastLess(a)-a.skew-pane)/2 - s.p.seated() - s.p.webDoubt() + s.p.growth(a.Nominal, paneC,
		frameC)
}

// clearance is the gap on one side that there is 19 times in 20, against what
// the pane must have and what the trade likes.
func (s covering) clearance(a axis, pane float64, key string, paneC, frameC float64, must, wish Value) working.Figure {
	g := s.p.growth(a.Nominal, paneC, frameC)
	asRead, seat, least := s.gap(a, pane)+g, s.p.seated()+s.p.webDoubt(), doubting(s).leastLess(a)
	v := s.freeGap(a, pane, paneC, frameC)
	i := s.p.Info(a.Least)
	f := working.Figure{
		Key: key, Sentence: fmt.Sprintf("%s, %s; %s mm as read", clearanceSaid[key], atWorst, length.Metric(asRead)),
		Value: v,
		Unit:  "mm",
		Limit: working.Least(must.V, "mm", must.Origin), Place: string(a.Least),
		Working: working.Of("({q} − {s} − {P}) / 2 − {g} + {Δ}", v, "mm",
			working.In("q", "least "+a.name+" less what the cutter adds, as small as once in 20: readings anywhere within "+
				"their doubt, the cut mostly near its size", least, "mm", value.Sum()),
			read(a.letter, "least "+a.name+", "+i.Name, a.Nominal, a.Doubt),
			working.In("s", "skew over the pane", a.skew, "mm", value.Sum()),
			working.In("P", "pane as ordered", pane, "mm", value.Sum()),
			working.In("b", "the cutting tolerance, "+s.band.Name, s.band.Half, "mm", s.band.Origin),
			s.p.seat(seat),
			working.In("Δ", s.growthSaid(paneC, frameC), g, "mm", value.Sum())),
	}
	f.Working = f.Working.With(s.growthFormula(a, paneC, frameC))
	return judged(f, asRead, wish)
}

func (s covering) growthSaid(paneC, frameC float64) string {
	return fmt.Sprintf("gap gained on one side, frame %s °C, pane %s °C", working.Num(frameC, 0), working.Num(paneC, 0))
}

func (s covering) growthFormula(a axis, paneC, frameC float64) string {
	p := s.p
	return fmt.Sprintf("Δ = (α frame × ΔT frame − α pane × ΔT pane) × L / 2 = (%s × %s − %s × %s) × "+
		"10⁻⁶ × %s / 2 = %s mm. α: %s %s (%s), %s %s (%s), per million and kelvin.",
		working.Num(p.Frame.Alpha, 2), working.Num(frameC-p.Exposure.Room, 0), working.Num(p.Pane.Alpha, 2),
		working.Num(paneC-p.Exposure.Room, 0),
		working.Num(a.Nominal, 1), working.Num(p.growth(a.Nominal, paneC, frameC), 2),
		p.Frame.Name, working.Num(p.Frame.Alpha, 2), p.Frame.Origin, p.Pane.Name, working.Num(p.Pane.Alpha, 2), p.Pane.Origin)
}

// gaps are the edge clearances when set, hot and in the coldest.
func (s covering) gaps(w, h axis, r Result) []working.Figure {
	e, l := s.p.Exposure, s.p.Limits
	var out []working.Figure
	gap := func(key string, paneC, frameC float64, must, wish Value) {
		a, pane := s.worse(w, h, r, func(a axis, pane float64) float64 { return s.freeGap(a, pane, paneC, frameC) })
		out = append(out, s.clearance(a, pane, key, paneC, frameC, must, wish))
	}
	gap("clearance_cold", e.Room, e.Room, l.GoesIn, l.Clearance)
	gap("clearance_hot", e.Steady, e.FrameHot, l.Binds, l.HotClearance)
	if e.Coldest < e.Room {
		gap("clearance_coldest", e.Coldest, e.Coldest, l.Binds, l.HotClearance)
	}
	return out
}
