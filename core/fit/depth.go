package fit

import (
	"math"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/setting"
	"freshshard/core/working"
)

// What a bead or putty needs in front of the pane, what a bed takes behind it,
// what a bead of adhesive is pressed to, and what a pane that slides needs
// beside it in its track, mm. Common practice, no source.
const (
	frontNeeds = 6.0
	bedTakes   = 1.5
	beadTakes  = 5.0
	trackPlay  = 0.5
)

// Shallowest is where the least depth was read; ok is false when none was.
func (p Problem) Shallowest() (place Place, ok bool) {
	for _, d := range []Place{DepthTop, DepthRight, DepthBottom, DepthLeft} {
		if r, has := p.Readings[d]; has && (!ok || r.Value < p.Readings[place].Value) {
			place, ok = d, true
		}
	}
	return place, ok
}

// behind is what lies behind the pane when set, mm.
func (p Problem) behind() float64 {
	switch p.Sizing {
	case family.Clip:
		if p.Gasket.Kind == None {
			return 0
		}
		lo, hi := setting.Seated(p.Gasket.Free)
		return (lo + hi) / 2
	case family.Rebate, family.Port:
		return bedTakes
	case family.Bonded:
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
	switch p.Sizing {
	case family.Clip, family.Rebate, family.Channel, family.Run, family.Track, family.Port:
		return math.Max(0, p.Readings[place].Value-p.behind())
	}
	return 0
}

// depth holds the depth of the frame against what must lie in it.
func (s solver) depth() []working.Figure {
	place, ok := s.p.Shallowest()
	if !ok {
		return nil
	}
	var need float64
	var said string
	bad := working.Stop
	switch s.p.Sizing {
	case family.Pack:
		return s.stack(place)
	case family.Bonded, family.Panel:
		return s.flush(place)
	case family.Rebate:
		need, said, bad = frontNeeds, "left in front of the pane for bead or putty", working.Warn
	case family.Clip:
		said, bad = "left between the pane and the face of the frame, at the shallowest place", working.Warn
	case family.Channel, family.Run:
		said = "left beside the pane across its channel, at the narrowest place"
	case family.Track:
		need, said = trackPlay, "left beside the pane across its track, at the narrowest place: less and it binds"
	case family.Port:
		said = "left between the pane and the ring, for the second bead"
	default:
		return nil
	}
	r, v := s.p.Readings[place], s.inDepth(place)
	f := working.Figure{Key: "depth", Sentence: said, Value: v, Unit: "mm", Place: string(place),
		Limit:   working.Least(need, "mm", origin.Custom()),
		Working: working.Of("{D} − {t} − {k}", v, "mm", s.depthInputs(place, r)...)}
	return []working.Figure{f.Judge(bad)}
}

// inDepth is what is left of the depth at a place, mm.
func (s solver) inDepth(place Place) float64 {
	return s.p.Readings[place].Value - s.p.Thickness - s.p.behind()
}

func (s solver) depthInputs(place Place, r length.Reading) []working.Input {
	return []working.Input{read("D", "least depth, "+s.p.info(place).Name, r.Value, r.Doubt),
		working.In("t", "thickness of the pane", s.p.Thickness, "mm", origin.Sum()),
		working.In("k", "what lies behind it when set", s.p.behind(), "mm", origin.Custom())}
}

// flush says how a pane that nothing covers stands to the face of its frame.
func (s solver) flush(place Place) []working.Figure {
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
func (s solver) stack(place Place) []working.Figure {
	if s.p.Stack == 0 {
		return nil
	}
	room := s.p.Readings[place]
	v := room.Value - room.Doubt - s.p.Stack
	f := working.Figure{Key: "stack", Value: v, Unit: "mm", Place: string(place),
		Limit:    working.Least(0, "mm", origin.Custom()),
		Sentence: "left in the folded frame over panes and spacers, at the narrowest place",
		Working: working.Of("{D} − {d} − {S}", v, "mm", read("D", "room for all panes and spacers, "+s.p.info(place).Name,
			room.Value, room.Doubt),
			working.In("d", "doubt of that reading", room.Doubt, "mm", origin.Custom()),
			working.In("S", "panes and gaps of the pack", s.p.Stack, "mm", origin.Sum()))}
	if v > stackTurns {
		f.Limit = working.Most(stackTurns, "mm", origin.Custom())
		f.Sentence = "left in the folded frame over panes and spacers: they rattle, look for a missing pad"
	}
	return []working.Figure{f.Judge(working.Stop)}
}
