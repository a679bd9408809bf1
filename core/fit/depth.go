package fit

import (
	"math"

	"freshshard/core/family"
	"freshshard/core/origin"
	"freshshard/core/setting"
	"freshshard/core/working"
)

// What a bead or putty needs in front of the pane, and what a bed takes behind
// it, mm. Common practice, no source.
const (
	frontNeeds = 6.0
	bedTakes   = 1.5
)

// depth holds the depth of the rebate against what must lie in it.
func (s solver) depth() []working.Figure {
	least, place, doubt := math.Inf(1), Place(""), 0.0
	for _, p := range []Place{DepthTop, DepthRight, DepthBottom, DepthLeft} {
		if r, ok := s.p.Readings[p]; ok && r.Value < least {
			least, place, doubt = r.Value, p, r.Doubt
		}
	}
	if place == "" {
		return nil
	}
	if s.p.Sizing == family.Pack {
		return s.stack(place)
	}
	bed, need, said := bedTakes, frontNeeds, "left in front of the pane for bead or putty"
	o := origin.Custom()
	if s.p.Sizing == family.Clip {
		bed, need, said = 0, 0, "left between the pane and the face of the frame, at the shallowest place"
		if s.p.Gasket.Kind != None {
			lo, hi := setting.Seated(s.p.Gasket.Free)
			bed = (lo + hi) / 2
		}
	}
	v := least - s.p.Thickness - bed
	i := s.p.info(place)
	f := working.Figure{
		Key: "depth", Sentence: said, Value: v, Unit: "mm", Place: string(place), Limit: working.Least(need, "mm", o),
		Working: working.Of("{D} − {t} − {k}", v, "mm",
			read("D", "least depth, "+i.Name, least, doubt),
			working.In("t", "thickness of the pane", s.p.Thickness, "mm", origin.Sum()),
			working.In("k", "gasket or bed when seated", bed, "mm", origin.Custom())),
	}
	return []working.Figure{f.Judge(working.Warn)}
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
	f := working.Figure{Key: "stack", Value: v, Unit: "mm", Place: string(place), Limit: working.Least(0, "mm", origin.Custom()),
		Sentence: "left in the folded frame over panes and spacers, at the narrowest place",
		Working: working.Of("{D} − {d} − {S}", v, "mm", read("D", "room for all panes and spacers, "+s.p.info(place).Name, room.Value, room.Doubt),
			working.In("d", "doubt of that reading", room.Doubt, "mm", origin.Custom()), working.In("S", "panes and gaps of the pack", s.p.Stack, "mm", origin.Sum()))}
	if v > stackTurns {
		f.Limit = working.Most(stackTurns, "mm", origin.Custom())
		f.Sentence = "left in the folded frame over panes and spacers: they rattle, look for a missing pad"
	}
	return []working.Figure{f.Judge(working.Stop)}
}
