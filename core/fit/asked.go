package fit

import (
	"slices"

	"freshshard/core/outline"
)

// Copies says that the pane is copied from the old one: somebody said so, or its
// shape was traced round it. A traced pane is the pane, never the opening.
func (p Problem) Copies() bool {
	t := p.Shape.Trace
	return p.Pattern || p.Shape.Kind == Drawn && t != nil && t.Along == outline.RoundPane
}

// patternWants are the readings that a pane wants which is copied from the old
// one: the old pane's own. A traced or drawn one wants none.
func (p Problem) patternWants(place Place) bool {
	return p.Shape.square() && (place == OldWidth && p.Said.Width == nil || place == OldHeight && p.Said.Height == nil) ||
		!p.Shape.square() && p.Shape.Kind != Drawn && place.Key() != "" && p.neededMeasure(place)
}

func (p Problem) neededMeasure(place Place) bool {
	i, ok := in(Walk(p.Sizing, p.Shape), place)
	return ok && i.Needed
}

// Walk lists the places that the problem wants, in the order in which a person
// walks round: those of its rule and shape, of which a pattern needs the old
// pane's alone.
func (p Problem) Walk() []PlaceInfo {
	walk := Walk(p.Sizing, p.Shape)
	for i := range walk {
		if p.Copies() {
			walk[i].Needed = p.patternWants(walk[i].Place)
		}
	}
	if !p.Carried || !p.Shape.square() { // a drawn pane has its holes on it
		return walk
	}
	at := slices.IndexFunc(walk, func(i PlaceInfo) bool { return i.Place == OldWidth })
	return slices.Insert(walk, at, carriedPlaces()...)
}

// missing lists the needed places that have no reading yet.
func (p Problem) missing(places []PlaceInfo) []Missing {
	why := map[Place]string{
		Ledge:      "without it nobody knows how much holds the pane",
		Reach:      "without it nobody knows how much the brackets hold",
		TubeWall:   "a tube is ordered by its outside and its wall",
		HoleAcross: "holes are made before toughening", HoleUp: "a hole that is off is scrap",
		HoleSide: "a hole that is off is scrap", HoleApart: "a hole that is off is scrap",
		BushAcross: "a bush that is pressed in splits the pane",
		Web:        "without it nobody knows how far the pane stands from the flange",
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
