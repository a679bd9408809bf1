package fit

import (
	"math"

	"freshshard/core/holding"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/value"
	"freshshard/core/working"
)

// What a bed takes behind a pane, and what a bead of adhesive is pressed to, mm. Common
// practice, no source.
const (
	bedTakes  = 1.5
	beadTakes = 5.0
)

// Shallowest is where the least depth was read; ok is false when none was.
func (p Problem) Shallowest() (place reading.Place, ok bool) {
	for _, d := range []reading.Place{reading.DepthTop, reading.DepthRight, reading.DepthBottom, reading.DepthLeft} {
		if r, has := p.Readings[d]; has && (!ok || r.Value < p.Readings[place].Value) {
			place, ok = d, true
		}
	}
	return place, ok
}

// behind is what lies behind the pane when set, mm.
func (p Problem) behind() float64 {
	switch p.Rule().Behind {
	case holding.Gasket:
		if p.Gasket.Kind == None {
			return 0
		}
		lo, hi := setting.Seated(p.Gasket.Free)
		return (lo + hi) / 2
	case holding.Bed:
		return bedTakes
	case holding.Bead:
		return beadTakes
	}
	return 0
}

// Room is the thickest pane that the frame takes at its shallowest place, mm; 0
// while it is not read, and where the depth of a frame says nothing of the
// pane's thickness: a flange, a wall, a pane that may stand proud.
func (p Problem) Room() float64 {
	place, ok := p.Shallowest()
	if !ok {
		return 0
	}
	if !p.Rule().Depth.Room {
		return 0
	}
	return math.Max(0, p.Readings[place].Value-p.behind())
}

// depth holds the depth of the frame against what must lie in it.
func (s seating) depth() []working.Figure {
	place, ok := s.p.Shallowest()
	if !ok {
		return nil
	}
	d := s.p.Rule().Depth
	switch d.Front {
	case holding.Stacked:
		return s.stack(place)
	case holding.Flush:
		return s.flush(place)
	case holding.Unheld:
		return nil
	}
	bad := working.Stop
	if d.Warns {
		bad = working.Warn
	}
	r, v := s.p.Readings[place], s.inDepth(place)
	f := working.Figure{Key: "depth", Sentence: d.Says, Value: v, Unit: "mm", Place: string(place),
		Limit:   working.Least(d.Need, "mm", value.Custom()),
		Working: working.Of("{D} − {t} − {k}", v, "mm", s.depthInputs(place, r)...)}
	return []working.Figure{f.Judge(bad)}
}

// inDepth is what is left of the depth at a place, mm.
func (s seating) inDepth(place reading.Place) float64 {
	return s.p.Readings[place].Value - s.p.Thickness - s.p.behind()
}

func (s seating) depthInputs(place reading.Place, r length.Reading) []working.Input {
	return []working.Input{read("D", "least depth, "+s.p.Info(place).Name, r.Value, r.Doubt),
		working.In("t", "thickness of the pane", s.p.Thickness, "mm", value.Sum()),
		working.In("k", "what lies behind it when set", s.p.behind(), "mm", value.Custom())}
}

// flush says how a pane that nothing covers stands to the face of its frame.
func (s seating) flush(place reading.Place) []working.Figure {
	v, said := s.inDepth(place), "the pane lies below the face, at the shallowest place"
	formula := "{D} − {t} − {k}"
	if v < 0 {
		v, said, formula = -v, "the pane stands proud of the face, at the shallowest place", "{t} + {k} − {D}"
	}
	return []working.Figure{{Key: "depth", Sentence: said, Value: v, Unit: "mm", Place: string(place),
		Verdict: working.Note,
		Working: working.Of(formula, v, "mm", s.depthInputs(place, s.p.Readings[place])...)}}
}

// stackTurns is how much room a folded frame may leave over its stack before
// the panes rattle, mm. Common practice, no source.
const stackTurns = 2.0

// stack holds a pack of panes and spacers against the room in its folded frame.
func (s seating) stack(place reading.Place) []working.Figure {
	if s.p.Stack == 0 {
		return nil
	}
	room := s.p.Readings[place]
	v := room.Value - room.Doubt - s.p.Stack
	f := working.Figure{Key: "stack", Value: v, Unit: "mm", Place: string(place),
		Limit:    working.Least(0, "mm", value.Custom()),
		Sentence: "left in the folded frame over panes and spacers, at the narrowest place",
		Working: working.Of("{D} − {d} − {S}", v, "mm", read("D", "room for all panes and spacers, "+s.p.Info(place).Name,
			room.Value, room.Doubt),
			working.In("d", "doubt of that reading", room.Doubt, "mm", value.Custom()),
			working.In("S", "panes and gaps of the pack", s.p.Stack, "mm", value.Sum()))}
	if v > stackTurns {
		f.Limit = working.Most(stackTurns, "mm", value.Custom())
		f.Sentence = "left in the folded frame over panes and spacers: they rattle, look for a missing pad"
	}
	return []working.Figure{f.Judge(working.Stop)}
}
