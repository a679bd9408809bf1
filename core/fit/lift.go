package fit

import (
	"fmt"
	"math"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// liftAir is what must be left above a pane that is lifted, so that its foot
// clears the lower face, mm. Common practice, no source.
const liftAir = 1.0

// liftAxis works the height out. It is a fault when no length goes in and
// stays.
func (s *solver) liftAxis(h *axis) (bool, error) {
	u, ok := s.p.Readings[reading.UpperPocket]
	l, has := s.p.Readings[reading.LowerPocket]
	if !ok || !has {
		return false, nil
	}
	k := &lift{s: *s, least: h.Least, f: h.Nominal, fHigh: h.Widest, u: u, l: l,
		doubt: math.Max(h.Nominal-h.Low, h.High-h.Widest), engage: s.p.Limits.Bite.V, limitFrom: s.p.Limits.Bite.Origin}
	hot, cold := s.p.growth(h.Nominal, s.p.Exposure.Steady, s.p.Exposure.FrameHot),
		s.p.growth(h.Nominal, s.p.Exposure.Coldest, s.p.Exposure.Coldest)
	// The frame may outgrow the pane, and the pane the frame.
	k.lowGrowth, k.highGrowth = 2*math.Max(0, math.Max(hot, cold)), 2*math.Max(0, -math.Min(hot, cold))
	k.low = k.fHigh + l.Value + k.engage + k.lowGrowth
	k.high = k.f + u.Value - liftAir - k.highGrowth
	if l.Value < k.engage {
		return false, fault.New(string(reading.LowerPocket),
			fmt.Sprintf("a lower pocket of %s mm holds less than the %s mm that a pane needs", length.Metric(l.Value),
				length.Metric(k.engage)),
			"deepen the track, or set the pane in a deeper one")
	}
	if k.low > k.high {
		need := k.low - k.f + liftAir + k.highGrowth
		return false, fault.New(string(reading.UpperPocket),
			fmt.Sprintf("no length goes in and stays: lifted it may be %s mm at most, dropped it needs %s",
				length.Metric(k.high), length.Metric(k.low)),
			fmt.Sprintf("the upper pocket would have to be %s mm deep; read it again, or fit a deeper track",
				length.Metric(need)))
	}
	k.nominal = (k.low + k.high) / 2
	k.sureLow = k.low + k.doubt + l.Doubt + s.band.Half
	k.sureHigh = k.high - k.doubt - u.Doubt - s.band.Half
	walls := (doubting{*s}).walls(*h)
	// In: the upper pocket over the least between the faces, less what the cutter
	// adds. To stay: what the lower pocket and the greatest take, as much as it is
	// once in twenty.
	k.mustHigh = overLess(spread{u.Value, u.Doubt}, negated(walls), s.band.Half, 1) - liftAir - k.highGrowth
	k.mustLow = -overLess(spread{-l.Value, l.Doubt}, walls, s.band.Half, 1) + k.engage + k.lowGrowth
	h.lifted, h.skew = k, 0
	return true, nil
}

// positions are where a pane of a length stands. A tube is held in the middle
// by its washers; a pane rests on its foot.
func (k *lift) positions(long float64) *Lift {
	p := Lift{Between: k.f, Upper: k.u.Value, Lower: k.l.Value, Length: long, Clear: k.f + k.u.Value - long,
		Foot: k.l.Value}
	if k.longest {
		p.Lower, p.Foot = k.u.Value, (long-k.f)/2
	}
	p.Head = long - k.fHigh - p.Foot
	return &p
}

func (k *lift) inputs() []working.Input {
	return []working.Input{
		read("F", "between the faces, the least", k.f, k.doubt), read("G", "between the faces, the greatest", k.fHigh,
			k.doubt),
		read("u", "upper pocket", k.u.Value, k.u.Doubt), read("l", "lower pocket, where it rests", k.l.Value, k.l.Doubt),
		working.In("c", "air when lifted", liftAir, "mm", value.Custom()),
		working.In("e", "least engagement", k.engage, "mm", k.limitFrom),
		working.In("p", "growth of pane over frame", k.highGrowth, "mm", value.Sum()),
		working.In("q", "growth of frame over pane", k.lowGrowth, "mm", value.Sum()),
	}
}

func (k *lift) nominalFigure() working.Figure {
	return working.Figure{Key: "nominal_height",
		Sentence: fmt.Sprintf("nominal height: the middle of the band from %s to %s mm", length.Metric(k.low),
			length.Metric(k.high)),
		Value: k.nominal, Unit: "mm", Verdict: working.Note, Place: string(k.least),
		Working: working.Of("(({G} + {l} + {e} + {q}) + ({F} + {u} − {c} − {p})) / 2", k.nominal, "mm", k.inputs()...)}
}

func (k *lift) orderFigure(v float64, n note) working.Figure {
	f := working.Figure{Key: "order_height", Sentence: "order this height", Value: v, Unit: "mm", Verdict: working.Note,
		Place: string(k.least),
		Working: working.Of("middle of ({a} … {b}), rounded down", v, "mm",
			working.In("a", "shortest that stays at the worst", k.sureLow, "mm", value.Sum()),
			working.In("b", "longest that goes in at the worst", k.sureHigh, "mm", value.Sum())).
			With("Every length between the two goes in and stays, however the readings and the cut turn out.")}
	switch {
	case n.fits:
	case v >= k.mustLow && v <= k.mustHigh:
		f.Sentence = "order this height; it goes in and stays, " + often
	default:
		f.Verdict = working.Warn
		f.Sentence = fmt.Sprintf("no height is sure to go in and to stay: over %s it may not go in, under %s it may drop out",
			length.Metric(k.mustHigh), length.Metric(k.mustLow))
	}
	return f
}

// figures are the lift and the drop of the ordered pane.
func (k *lift) figures() []working.Figure {
	order, _ := bounding{k.s}.order(axis{Across: reading.Across{Nominal: k.nominal}, lifted: k})
	head := order - k.fHigh - k.l.Value
	air := k.f + k.u.Value - order
	foot := working.Figure{Key: "engage_foot", Sentence: "of the pane stand in the lower pocket", Value: k.l.Value,
		Unit: "mm", Place: string(reading.LowerPocket),
		Limit: working.Least(k.engage, "mm", k.limitFrom), Working: working.Of("{l}", k.l.Value, "mm",
			read("l", "lower pocket, where it rests", k.l.Value, k.l.Doubt))}
	top := working.Figure{Key: "engage_head", Sentence: "of the pane stand in the upper pocket when it is dropped",
		Value: head, Unit: "mm", Place: string(reading.UpperPocket),
		Limit: working.Least(k.engage, "mm", k.limitFrom),
		Working: working.Of("{L} − {G} − {l}", head, "mm",
			append(k.inputs(), working.In("L", "height as ordered", order, "mm", value.Sum()))...)}
	room := working.Figure{Key: "lift_air", Sentence: "of air above it when it is lifted in", Value: air, Unit: "mm",
		Place: string(reading.UpperPocket),
		Limit: working.Least(liftAir, "mm", value.Custom()),
		Working: working.Of("{F} + {u} − {L}", air, "mm",
			append(k.inputs(), working.In("L", "height as ordered", order, "mm", value.Sum()))...)}
	raise := working.Figure{Key: "lift", Sentence: "to lift it before its foot clears the lower face", Value: k.l.Value,
		Unit: "mm", Verdict: working.Note,
		Working: working.Of("{l}", k.l.Value, "mm", read("l", "lower pocket", k.l.Value, k.l.Doubt))}
	return []working.Figure{top.Judge(working.Stop), foot.Judge(working.Stop), room.Judge(working.Stop), raise}
}
