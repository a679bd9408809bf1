package fit

import (
	"strings"

	"freshshard/core/family"
)

// rule is how a sizing rule reads an opening: from where to where, and what
// covers the pane's edge.
type rule struct {
	between string // how a width or a height is read
	cover   string // what covers the edge; empty when nothing is read for it
	how     string // where the cover is read
	depth   string // from where to where a depth is read; empty for none
	deep    string // what a depth is called here; empty for depth
}

var rules = map[family.Sizing]rule{
	family.Clip: {"side to side of the rebate", "ledge of the rebate",
		"side of the rebate to the edge of the daylight, at the narrowest place", "face of the frame down to the ledge", ""},
	family.Rebate: {"side to side of the rebate", "ledge of the rebate",
		"side of the rebate to the edge of the daylight, at the narrowest place", "face of the frame down to the ledge", ""},
	family.Channel: {"stop to stop; for the height from the end of the channel or the lugs to the stop at the bar or " +
		"the cap",
		"cover above and below", "stop to the lip of channel, bar, lug or cap, the shorter",
		"lip of the channel to its back", ""},
	family.Pack: {"inside the folded frame, leg to leg", "lip of the frame",
		"inside of the frame to the edge of its lip", "room for all panes and spacers, lip to lip", "stack"},
	family.Groove: {"flange edge to flange edge", "glass groove, depth",
		"lip of the gasket down to the bottom of its glass groove", "thickness of the flange", "flange"},
	family.Bonded: {"body edge to body edge, over the flange", "land of the flange",
		"body edge to the inner edge of the flange, the narrowest place", "body's face down to the flange", ""},
	family.Run: {"bottom of one run channel to bottom of the other; for the height from the carrier's seat to the " +
		"bottom of the top channel", "run channel, depth", "lip of the channel to its bottom",
		"inside of the channel across the glass", "channel"},
	family.Ring: {"edge to edge of the cutout in the wall", "flange of the new frame",
		"its body to the outer edge of its flange", "thickness of the wall", "wall"},
	family.Hinge: {"edge to edge of the opening that it closes", "plate on the glass",
		"edge of the pane to the inner end of the hinge's plate", "face of the body down to the seal", ""},
	family.Port: {"wall to wall of the seat", "seat of the body",
		"wall of the seat to the edge of the daylight, the narrowest place", "face of the seat up to the ring", ""},
	family.Track: {"stop to stop; for the height from the face of the lower track to the face of the upper one", "", "",
		"width of the track across the pane", "track"},
	family.Panel: {"edge to edge of the recess", "cover of frame or washers",
		"edge of the recess to the edge of the daylight", "face of the frame down to the seat", ""},
	family.Tube: {},
}

// Walk lists the places that a sizing rule and a shape want, in the order in
// which a person walks round.
func Walk(s family.Sizing, shape Shape) []PlaceInfo {
	w := walker{rule: rules[s]}
	switch {
	case s == family.Tube:
		w.add(Faces, StopDepth, TubeOutside, TubeWall)
		w.named(OldHeight, "old tube, length", "end to end")
		return w.out
	case s == family.Port && shape.square():
		w.add(Across0, Across45, Across90, Across135)
	case shape.square():
		for _, p := range []Place{WidthTop, WidthMiddle, WidthBottom, HeightLeft, HeightMiddle, HeightRight} {
			i, _ := p.Info()
			i.How = w.rule.between + ", " + i.How
			w.out = append(w.out, i)
		}
		w.add(Rising, Falling)
	default:
		w.shape(shape)
	}
	if s == family.Track {
		w.add(UpperPocket, LowerPocket)
	}
	if w.rule.cover != "" {
		w.named(Ledge, w.rule.cover, w.rule.how)
	}
	if s == family.Clip {
		w.add(Reach)
	}
	if s == family.Groove {
		w.add(Web, JoinedGasket)
	}
	for _, p := range []Place{DepthTop, DepthRight, DepthBottom, DepthLeft} {
		i, _ := p.Info()
		if w.rule.deep != "" {
			i.Name = strings.Replace(i.Name, "depth", w.rule.deep, 1)
		}
		w.named(p, i.Name, w.rule.depth)
	}
	if s == family.Ring {
		w.add(BodyWidth, BodyHeight, CutCorner, BodyCorner, FlangeWidth, FlangeHeight, MarkWidth, MarkHeight, MarkShift,
			WallLeast, WallMost, RingThick, ScrewStop, ScrewLength)
	}
	switch s {
	case family.Clip, family.Rebate, family.Channel, family.Bonded, family.Port, family.Panel:
		w.add(SeatWarp)
	}
	if shape.Curved {
		w.add(ChordAcross, RiseAcross, ChordDown, RiseDown)
	}
	w.add(OldWidth, OldHeight, OldThickness)
	return w.out
}

type walker struct {
	rule rule
	out  []PlaceInfo
}

func (w *walker) add(list ...Place) {
	for _, p := range list {
		i, _ := p.Info()
		w.out = append(w.out, i)
	}
}

func (w *walker) named(p Place, name, how string) {
	i, _ := p.Info()
	i.Name, i.How = name, how
	w.out = append(w.out, i)
}

// shape adds the measures of a shape, then its checks.
func (w *walker) shape(s Shape) {
	if s.Kind == Drawn {
		for _, k := range []string{"width", "height"} {
			i, _ := ShapePlace(k).Info()
			i.How = w.rule.between + ", as a check"
			w.out = append(w.out, i)
		}
		return
	}
	k, err := s.kind()
	if err != nil {
		return
	}
	for _, m := range k.Measures {
		i, _ := ShapePlace(m.Key).Info()
		i.Needed = true
		w.out = append(w.out, i)
	}
	for _, m := range k.Checks {
		i, _ := ShapePlace(m.Key).Info()
		i.How += ", as a check"
		w.out = append(w.out, i)
	}
}

// in finds a place of a walk.
func in(walk []PlaceInfo, p Place) (PlaceInfo, bool) {
	for _, i := range walk {
		if i.Place == p {
			return i, true
		}
	}
	return PlaceInfo{}, false
}

// info is a place in the words of the problem's own rule.
func (p Problem) info(place Place) PlaceInfo {
	if i, ok := in(Walk(p.Sizing, p.Shape), place); ok {
		return i
	}
	i, _ := place.Info()
	return i
}
