package fit

import (
	"fmt"

	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// bends are the curves of a bent pane, one way and the other.
func (s shaping) bends() []working.Figure {
	var out []working.Figure
	for _, d := range []struct {
		name        string
		chord, rise reading.Place
	}{{"across", reading.ChordAcross, reading.RiseAcross}, {"down", reading.ChordDown, reading.RiseDown}} {
		c, ok := s.p.Readings[d.chord]
		h, has := s.p.Readings[d.rise]
		if !ok || !has {
			continue
		}
		b, err := outline.BendOf(c.Value, h.Value)
		if err != nil {
			continue
		}
		out = append(out, s.bend(d.name, d.rise, c, h, b))
	}
	return out
}

// bend is one curve, held against what a flat sheet of the pane takes.
func (s shaping) bend(way string, place reading.Place, c, h length.Reading, b outline.Bend) working.Figure {
	f := working.Figure{Key: "bend_" + way, Value: b.Radius, Unit: "mm", Place: string(place), Verdict: working.Warn,
		Sentence: fmt.Sprintf("radius of the bend %s, %s mm along the curve; glass is ordered bent to it", way,
			length.Metric(b.Girth)),
		Working: working.Of("(({c} / 2)² + {h}²) / (2 × {h})", b.Radius, "mm", read("c", "chord "+way, c.Value, c.Doubt),
			read("h", "rise "+way, h.Value, h.Doubt)).
			With("Curved both ways at once, only a formed pane fits: a flat sheet bends one way.")}
	if k := s.p.ColdBend; k != nil {
		need := k.V * s.p.Thickness
		f.Sentence = fmt.Sprintf("radius of the bend %s, %s mm along the curve; this sheet may be pressed into it cold", way,
			length.Metric(b.Girth))
		f.Limit = working.Least(need, "mm", k.Origin)
		if !b.Flexes(k.V, s.p.Thickness) {
			f.Sentence = fmt.Sprintf("radius of the bend %s: too tight for this sheet cold; thinner, or formed hot", way)
		}
		return f.Judge(working.Stop)
	}
	return f
}
