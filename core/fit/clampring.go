package fit

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// What a clamp ring needs beside its cutout, mm. Common practice, no source.
const (
	markCover = 1.0 // the new flange over the edge of the old mark
	crushMost = 1.0 // how far a ring may press into the wall before it crushes
	looseMost = 0.0 // how far a screw may bottom out before the ring is tight, as read
	// looseSeldom is how far it may once in twenty: butyl takes that up.
	looseSeldom = 0.5
)

// bodyOf is the new frame's own size along an axis, which no cutter changes: a
// clamp-ring window comes as it is.
func (s ringing) bodyOf(a axis) (length.Reading, bool) {
	if !s.p.Rule().Comes {
		return length.Reading{}, false
	}
	place := reading.BodyHeight
	if a.name == "width" {
		place = reading.BodyWidth
	}
	r, ok := s.p.Readings[place]
	return r, ok
}

// bodyBand stands for the cutter's band where the frame comes as it is: the
// doubt of what was read of it.
func (s ringing) bodyBand() (Band, bool) {
	w, ok := s.p.Readings[reading.BodyWidth]
	h, has := s.p.Readings[reading.BodyHeight]
	if !s.p.Rule().Comes || !ok || !has {
		return Band{}, false
	}
	return Band{Half: math.Max(w.Doubt, h.Doubt), Name: "the new frame as it was read", Origin: value.Read("")}, true
}

// asItComes says whether the new frame has been read, so that nothing of it is
// made to size.
func (s ringing) asItComes() bool {
	_, ok := s.bodyBand()
	return ok
}

// bodyFigure is the order of a frame that comes as it is.
func (s ringing) bodyFigure(a axis, r length.Reading, n note) working.Figure {
	f := working.Figure{Key: "order_" + a.name, Value: r.Value, Unit: "mm", Verdict: working.Note, Place: string(a.Least),
		Sentence: a.name + " of the new frame through the wall, as it comes",
		Working: working.Of("{B}", r.Value, "mm", read("B", "new frame, as read", r.Value,
			r.Doubt)).With(fmt.Sprintf("The cutout would take up to %s mm at the worst.",
			length.Metric(n.largest)))}
	return f
}

// clampRing are the numbers of a clamp ring: its corners, its screws, its wall,
// and whether it covers what the old one has left.
func (s ringing) clampRing(w, h axis, r Result) []working.Figure {
	var out []working.Figure
	if f, ok := s.corner(w, h, r); ok {
		out = append(out, f)
	}
	out = append(out, s.covers(w, reading.FlangeWidth, reading.MarkWidth)...)
	out = append(out, s.covers(h, reading.FlangeHeight, reading.MarkHeight)...)
	return append(out, s.screws()...)
}

// corner is the gap between a rounded corner of the frame and one of the
// cutout, along the diagonal: √2·c + (√2 − 1)·(r − R).
func (s ringing) corner(w, h axis, r Result) (working.Figure, bool) {
	cut, ok := s.p.Readings[reading.CutCorner]
	body, has := s.p.Readings[reading.BodyCorner]
	if !ok || !has {
		return working.Figure{}, false
	}
	c := math.Min(covering(s).worstGap(w, r.Order.W), covering(s).worstGap(h, r.Order.H))
	gap := math.Sqrt2*c + (math.Sqrt2-1)*(body.Value-body.Doubt-cut.Value-cut.Doubt)
	f := working.Figure{Key: "corner_gap", Value: gap, Unit: "mm", Place: string(reading.CutCorner),
		Limit:    working.Least(s.p.Limits.GoesIn.V, "mm", s.p.Limits.GoesIn.Origin),
		Sentence: "between the frame's corner and the cutout's, at worst",
		Working: working.Of("√2 × {c} + (√2 − 1) × ({r} − {R} − {d})", gap, "mm",
			working.In("c", "edge clearance each side when set, at worst", c, "mm", value.Sum()),
			read("r", "corner radius of the frame", body.Value, body.Doubt), read("R", "corner radius of the cutout", cut.Value,
				cut.Doubt), working.In("d", "doubts of both", body.Doubt+cut.Doubt, "mm", value.Custom())).
			With("A cutout with rounder corners than the frame touches there first: file the corner out to the frame's " +
				"radius, never force it.")}
	bad := working.Warn
	if gap < 0 {
		bad = working.Stop
	}
	return f.Judge(bad), true
}

// covers says whether the new flange hides the mark of the old one along an
// axis, on its worse side: (new − old)/2 − shift.
func (s ringing) covers(a axis, flange, mark reading.Place) []working.Figure {
	n, ok := s.p.Readings[flange]
	m, has := s.p.Readings[mark]
	if !ok || !has {
		return nil
	}
	shift := s.p.Readings[reading.MarkShift]
	middle := (n.Value - m.Value) / 2
	v := middle - shift.Value - shift.Doubt - (n.Doubt+m.Doubt)/2
	f := working.Figure{Key: "covers_" + a.name, Value: v, Unit: "mm", Place: string(mark),
		Limit: working.Least(markCover, "mm", value.Custom()),
		Sentence: fmt.Sprintf("of the new flange over the old mark, %s, on the worse side, when it is centred on the "+
			"cutout; centred on the mark %s", a.name, length.Metric(middle)),
		Working: working.Of("({N} − {O}) / 2 − {s} − {e} − ({n} + {o}) / 2", v, "mm",
			read("N", "new frame over all", n.Value, n.Doubt), read("O", "old mark", m.Value, m.Doubt),
			read("s", "old mark off the cutout's middle", shift.Value, shift.Doubt),
			working.In("e", "doubt of that", shift.Doubt, "mm", value.Custom()),
			working.In("n", "doubt of the new frame", n.Doubt, "mm", value.Custom()), working.In("o", "doubt of the old mark",
				m.Doubt, "mm", value.Custom())).
			With("Centre it on the cutout or on the old mark, and say which: the clearance all round says how far it can be " +
				"moved.")}
	bad := working.Stop
	if middle > 0 { // centred on the mark it hides it
		bad = working.Warn
	}
	return []working.Figure{f.Judge(bad)}
}

// screws are the wall against what the frame takes, and the length at which a
// screw bottoms out just when the ring is home: wall + ring − the room for its tip.
func (s ringing) screws() []working.Figure {
	thin, thick := reading.Place(""), reading.Place("")
	for _, p := range []reading.Place{reading.DepthTop, reading.DepthRight, reading.DepthBottom, reading.DepthLeft} {
		r, ok := s.p.Readings[p]
		if !ok {
			continue
		}
		if thin == "" || r.Value < s.p.Readings[thin].Value {
			thin = p
		}
		if thick == "" || r.Value > s.p.Readings[thick].Value {
			thick = p
		}
	}
	if thin == "" {
		return nil
	}
	lo, hi := s.p.Readings[thin], s.p.Readings[thick]
	var out []working.Figure
	if r, ok := s.p.Readings[reading.WallLeast]; ok {
		out = append(out, s.wall("wall_thin", "the wall at its thinnest, against the thinnest that the frame takes", lo, thin,
			working.Least(r.Value, "mm", value.Read("")), lo.Value-lo.Doubt, "{t} − {d}"))
	}
	if r, ok := s.p.Readings[reading.WallMost]; ok {
		out = append(out, s.wall("wall_thick", "the wall at its thickest, against the thickest that the frame takes", hi,
			thick, working.Most(r.Value, "mm", value.Read("")), hi.Value+hi.Doubt, "{t} + {d}"))
	}
	ring, ok := s.p.Readings[reading.RingThick]
	gap, has := s.p.Readings[reading.ScrewStop]
	if !ok || !has {
		return out
	}
	need := lo.Value + ring.Value - gap.Value
	in := []working.Input{read("t", "wall at its thinnest, "+s.p.Info(thin).Name, lo.Value, lo.Doubt),
		read("r", "inner ring under a screw's head", ring.Value, ring.Doubt), read("g", "room for a screw's tip", gap.Value,
			gap.Doubt)}
	f := working.Figure{Key: "screw_need", Value: need, Unit: "mm", Verdict: working.Note,
		Place:    string(reading.ScrewStop),
		Sentence: "is the longest screw that pulls the ring home at the thinnest place: it bottoms out before it crushes",
		Working: working.Of("{t} + {r} − {g}", need, "mm",
			in...).With("A longer one stops in its hole while the ring is still loose; a much shorter one never stops and " +
			"crushes the wall.")}
	out = append(out, f)
	if hi.Value-lo.Value > crushMost {
		f := working.Figure{Key: "wall_spread", Value: hi.Value - lo.Value, Unit: "mm", Place: string(thick),
			Limit: working.Most(crushMost, "mm", value.Custom()),
			Sentence: "between the wall's thickest and thinnest place: one length of screw is tight at one and crushes or " +
				"hangs loose at the other",
			Working: working.Of("{T} − {t}", hi.Value-lo.Value, "mm", read("T", "thickest", hi.Value, hi.Doubt),
				read("t", "thinnest", lo.Value, lo.Doubt)).With("Pack the thin places behind the ring.")}
		out = append(out, f.Judge(working.Warn))
	}
	if r, ok := s.p.Readings[reading.ScrewLength]; ok {
		out = append(out, s.screw(r, need, hi.Value-lo.Value, lo.Doubt, in)...)
	}
	return out
}

func (s ringing) wall(key, said string, r length.Reading, p reading.Place, limit *working.Limit, v float64,
	formula string) working.Figure {
	f := working.Figure{Key: key, Sentence: said, Value: v, Unit: "mm", Place: string(p), Limit: limit,
		Working: working.Of(formula, v, "mm", read("t", s.p.Info(p).Name, r.Value, r.Doubt),
			working.In("d", "doubt of that reading", r.Doubt, "mm", value.Custom()))}
	return f.Judge(working.Stop)
}

// screw holds the screws that came with the frame against the length that is
// needed: how far they stop short of tight at the thinnest place, and how far
// they could press the ring into the thickest.
func (s ringing) screw(r length.Reading, need, spread, wall float64, in []working.Input) []working.Figure {
	in = append([]working.Input{read("L", "screws under the head", r.Value, r.Doubt)}, in...)
	loose, doubt := r.Value-need, 0.0
	for _, i := range []reading.Place{reading.ScrewLength, reading.RingThick, reading.ScrewStop} {
		doubt += s.p.Readings[i].Doubt * s.p.Readings[i].Doubt
	}
	doubt = evenly * math.Sqrt(doubt+wall*wall)
	in = append(in, working.In("q", "doubts of wall, ring, room and screw together, 19 times in 20: 0.95 of the root of "+
		"their squares", doubt, "mm", value.Sum()))
	f := working.Figure{Key: "screw_loose", Value: math.Max(0, loose+doubt), Unit: "mm",
		Place:    string(reading.ScrewLength),
		Limit:    working.Most(looseSeldom, "mm", value.Custom()),
		Sentence: "loose would the ring stay at the thinnest place, " + atWorst + ": its screws bottom out first",
		Working:  working.Of("max(0, {L} − ({t} + {r} − {g}) + {q})", math.Max(0, loose+doubt), "mm", in...)}
	if loose <= 0 {
		f.Sentence = "loose, " + atWorst + ": at the thinnest place, as read, the ring is home before its screws bottom out"
	}
	crush := spread - loose + doubt
	bad := working.Warn
	if loose > looseMost { // as read
		bad, f.Limit = working.Stop, working.Most(looseMost, "mm", value.Custom())
	}
	g := working.Figure{Key: "screw_crush", Value: math.Max(0, crush), Unit: "mm", Place: string(reading.ScrewLength),
		Limit:    working.Most(crushMost, "mm", value.Custom()),
		Sentence: "could the screws press the ring into the wall at its thickest place before they bottom out",
		Working: working.Of("max(0, {s} − ({L} − ({t} + {r} − {g})) + {q})", math.Max(0, crush), "mm",
			append(in, working.In("s", "between the thickest and the thinnest place", spread, "mm", value.Sum()))...).With(
			"By hand only, in small equal turns: the hand feels the butyl give and stops before the wall does.")}
	return []working.Figure{f.Judge(bad), g.Judge(working.Warn)}
}

// evenly is what the root of the squares of even doubts is times so that it is passed once in
// twenty on one side: 1.645 / √3.
const evenly = 0.95
