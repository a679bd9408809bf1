// Package reading is what is read of an opening and its old pane: the places, which of them
// a way of holding and a shape want and in which order, which are missing, and which of the
// readings the others speak against. Lengths are mm.
package reading

import (
	"slices"

	"freshshard/core/family"
	"freshshard/core/holding"
	"freshshard/core/length"
	"freshshard/core/outline"
)

// Asked is what decides which places are read, with what was read there.
type Asked struct {
	Sizing   family.Sizing            `json:"sizing" enum:"clip,rebate,channel,pack,groove,bonded,run,ring,hinge,port,tube,track,panel"`
	Shape    Shape                    `json:"shape"`
	Readings map[Place]length.Reading `json:"readings"`
	Pattern  bool                     `json:"pattern,omitempty" doc:"Copied from the old pane; its opening is not here"`
	Said     Witnessed                `json:"said,omitzero" doc:"What else speaks for the size of a pane that is copied"`
	Carried  bool                     `json:"carried,omitempty" doc:"The pane hangs on two holes, read with its size"`
	Whole    bool                     `json:"whole,omitempty" doc:"Bought with its frame, and read against that first"`
}

// Spoken is what the witnesses of a pane's size stand for along one direction, mm.
// Words say who they are.
type Spoken struct {
	Size  float64 `json:"size"`
	Doubt float64 `json:"doubt"`
	Words string  `json:"words"`
}

// Witnessed is that both ways; none where nobody spoke.
type Witnessed struct {
	Width  *Spoken `json:"width,omitempty"`
	Height *Spoken `json:"height,omitempty"`
}

// Missing is a reading that the answer still wants.
type Missing struct {
	Place Place  `json:"place"`
	Name  string `json:"name"`
	Why   string `json:"why"`
}

// Rule is the way in which the pane is held.
func (p Asked) Rule() *holding.Rule { return holding.Of(p.Sizing) }

// Info is a place in the words of the problem's own rule.
func (p Asked) Info(place Place) PlaceInfo {
	if i, ok := in(Walk(p.Sizing, p.Shape), place); ok {
		return i
	}
	i, _ := place.Info()
	return i
}

// Copies says that the pane is copied from the old one: somebody said so, or its
// shape was traced round it. A traced pane is the pane, never the opening.
func (p Asked) Copies() bool {
	t := p.Shape.Trace
	return p.Pattern || p.Shape.Kind == Drawn && t != nil && t.Along == outline.RoundPane
}

// patternWants are the readings that a pane wants which is copied from the old
// one: the old pane's own. A traced or drawn one wants none.
func (p Asked) patternWants(place Place) bool {
	return p.Shape.Square() && (place == OldWidth && p.Said.Width == nil || place == OldHeight && p.Said.Height == nil) ||
		!p.Shape.Square() && p.Shape.Kind != Drawn && place.Key() != "" && p.neededMeasure(place)
}

func (p Asked) neededMeasure(place Place) bool {
	i, ok := in(Walk(p.Sizing, p.Shape), place)
	return ok && i.Needed
}

// Walk lists the places that the problem wants, in the order in which a person
// walks round: those of its rule and shape, of which a pattern needs the old
// pane's alone.
func (p Asked) Walk() []PlaceInfo {
	walk := Walk(p.Sizing, p.Shape)
	for i := range walk {
		if p.Copies() {
			walk[i].Needed = p.patternWants(walk[i].Place)
		}
		if p.Whole && slices.Contains(p.Rule().Window.First, string(walk[i].Place)) {
			walk[i].Needed = true
		}
	}
	if !p.Carried || !p.Shape.Square() { // a drawn pane has its holes on it
		return walk
	}
	at := slices.IndexFunc(walk, func(i PlaceInfo) bool { return i.Place == OldWidth })
	if at < 0 { // a tube has no holes
		return walk
	}
	return slices.Insert(walk, at, CarrierPlaces()...)
}

// Missing lists the needed places that have no reading yet.
func (p Asked) Missing(places []PlaceInfo) []Missing {
	why := map[Place]string{
		Ledge:      "without it nobody knows how much holds the pane",
		Reach:      "without it nobody knows how much the brackets hold",
		TubeWall:   "a tube is ordered by its outside and its wall",
		HoleAcross: "holes are made before toughening", HoleUp: "a hole that is off is scrap",
		HoleSide: "a hole that is off is scrap", HoleApart: "a hole that is off is scrap",
		BushAcross: "a bush that is pressed in splits the pane",
		Web:        "without it nobody knows how far the pane stands from the flange",
		BodyWidth:  "what does not go through its cutout goes back",
		BodyHeight: "what does not go through its cutout goes back",
		MarkWidth:  "a smaller window shows the old one's mark", MarkHeight: "a smaller window shows the old one's mark",
		WallLeast: "each window takes walls from so much", WallMost: "and up to so much",
	}
	out := []Missing{}
	for _, i := range places {
		if _, ok := p.Readings[i.Place]; ok || !i.Needed {
			continue
		}
		m := Missing{Place: i.Place, Name: i.Name, Why: why[i.Place]}
		if m.Why == "" && i.Place.Key() != "" {
			m.Why = "the shape is not known without it"
		}
		if m.Why == "" {
			m.Why = "one reading does not show a taper"
		}
		out = append(out, m)
	}
	return out
}

// Carriers are the readings of two holes that carry a pane, and of the bush that
// stands in them.
var Carriers = []Place{HoleAcross, HoleUp, HoleSide, HoleApart, BushAcross}

// CarrierPlaces are those readings as places of a walk, all needed.
func CarrierPlaces() []PlaceInfo {
	var w walker
	w.add(Carriers...)
	for i := range w.out {
		w.out[i].Needed = true
	}
	return w.out
}
