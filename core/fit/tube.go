package fit

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// tubeAxes are the outside of a gauge tube and its length. With equal stops of
// depth d at both ends the common rule is L = F + d, which leaves d/2 in each
// end when it is centred: F 250, d 14 gives 264, 7 in each end. Common
// practice, no source.
func (s *solver) tubeAxes() (w, h axis, known bool, err error) {
	faces, ok := s.p.Readings[reading.Faces]
	deep, _ := s.p.stops()
	stop, has := s.p.Readings[deep]
	out, is := s.p.Readings[reading.TubeOutside]
	if !ok || !has || !is {
		return w, h, false, nil
	}
	w = axis{Across: reading.Single(reading.TubeOutside, out), name: "outside", letter: "O"}
	h = axis{Across: reading.Single(reading.Faces, faces), name: "length", letter: "F"}
	e := s.p.Limits.Bite
	h.lifted = &lift{s: *s, least: reading.Faces, f: faces.Value, fHigh: faces.Value, u: stop, doubt: faces.Doubt,
		engage:    e.V,
		limitFrom: e.Origin,
		nominal:   faces.Value + stop.Value, low: faces.Value + 2*e.V, high: faces.Value + stop.Value,
		sureLow: faces.Value + faces.Doubt + 2*e.V + s.band.Half, sureHigh: faces.Value - faces.Doubt +
			stop.Value - stop.Doubt - s.band.Half}
	h.lifted.longest = true
	w.lifted = &lift{s: *s, nominal: out.Value, sureLow: out.Value, sureHigh: out.Value}
	return w, h, true, nil
}

// stops are the places of the deeper and of the shallower stop, the same where one was read
// for both. The tube goes up into the deeper one until it clears the other's face, and stands
// no further in the shallower one than that is deep.
func (p Problem) stops() (deep, shallow reading.Place) {
	low, up := p.Readings[reading.StopDepth], p.Readings[reading.StopUpper]
	switch {
	case up.Value == 0:
		return reading.StopDepth, reading.StopDepth
	case up.Value > low.Value:
		return reading.StopUpper, reading.StopDepth
	}
	return reading.StopDepth, reading.StopUpper
}

// tubeFigures are the length and how far the tube stands in its sockets.
func (s telling) tubeFigures(h axis, r Result) []working.Figure {
	k := h.lifted
	order := working.Figure{Key: "order_length", Sentence: "order this length; ends square and smooth", Value: r.Order.H,
		Unit: "mm", Verdict: working.Note, Place: string(reading.Faces),
		Working: working.Of("({F} − {d}) + ({D} − {e}) − {b}, rounded down", r.Order.H, "mm",
			read("F", "between the faces", k.f, k.doubt), working.In("d", "doubt of that reading", k.doubt, "mm",
				value.Custom()),
			read("D", "depth of a stop", k.u.Value, k.u.Doubt), working.In("e", "doubt of that reading", k.u.Doubt, "mm",
				value.Custom()),
			working.In("b", "the cutting tolerance, "+s.band.Name, s.band.Half, "mm", s.band.Origin)).
			With("The longest that still goes in at the worst.")}
	_, shallow := s.p.stops()
	bottoms := s.p.Readings[shallow].Value
	each := math.Min((r.Order.H-k.f)/2, bottoms)
	// As long as the faces are apart, and as short as it is cut, once in twenty.
	apart := -overLess(spread{-k.f, k.doubt}, []spread{{}}, s.band.Half, 1)
	deep := math.Min((r.Order.H-apart)/2, bottoms)
	f := working.Figure{Key: "engage_ends", Sentence: fmt.Sprintf("in each socket when it is centred, %s; %s as read",
		atWorst, length.Metric(each)), Value: deep, Unit: "mm", Place: string(reading.StopDepth),
		Limit: working.Least(k.engage, "mm", k.limitFrom),
		Working: working.Of("({L} − {q}) / 2", deep, "mm", working.In("L", "length as ordered", r.Order.H, "mm",
			value.Sum()),
			working.In("q", "between the faces and what the cutter takes off, as much as once in 20: the reading anywhere "+
				"within its doubt, the cut mostly near its size", apart, "mm", value.Sum()),
			read("F", "between the faces", k.f, k.doubt), working.In("b", "the cutting tolerance, "+s.band.Name, s.band.Half,
				"mm",
				s.band.Origin))}
	bad := working.Stop
	if each >= k.engage {
		bad = working.Warn
	}
	nominal := working.Figure{Key: "nominal_length",
		Sentence: "nominal length by the rule: between the faces and one stop", Value: k.nominal, Unit: "mm",
		Verdict: working.Note, Place: string(reading.Faces),
		Working: working.Of("{F} + {d}", k.nominal, "mm", read("F", "between the faces", k.f, k.doubt),
			read("d", "depth of a stop", k.u.Value, k.u.Doubt)).
			With("It goes up into the upper socket to its stop, down into the lower one, and the difference is split.")}
	return []working.Figure{order, f.Judge(bad), nominal}
}
