package reading

import (
	"fmt"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
)

// Place is a dimension that can be read on an opening or its old pane.
type Place string

// The places, in the order that a person walks round a frame.
const (
	WidthTop     Place = "width_top"
	WidthMiddle  Place = "width_middle"
	WidthBottom  Place = "width_bottom"
	HeightLeft   Place = "height_left"
	HeightMiddle Place = "height_middle"
	HeightRight  Place = "height_right"
	Rising       Place = "diagonal_rising"
	Falling      Place = "diagonal_falling"
	Ledge        Place = "ledge"
	Reach        Place = "bracket_reach"
	Web          Place = "web"
	Across0      Place = "diameter_0"
	Across45     Place = "diameter_45"
	Across90     Place = "diameter_90"
	Across135    Place = "diameter_135"
	Faces        Place = "between_faces"
	StopDepth    Place = "stop_depth"
	StopUpper    Place = "stop_upper"
	TubeOutside  Place = "tube_outside"
	TubeWall     Place = "tube_wall"
	JoinedGasket Place = "joined_gasket"
	UpperPocket  Place = "upper_pocket"
	LowerPocket  Place = "lower_pocket"
	ChordAcross  Place = "bend_chord_across"
	RiseAcross   Place = "bend_rise_across"
	ChordDown    Place = "bend_chord_down"
	RiseDown     Place = "bend_rise_down"
	DepthTop     Place = "depth_top"
	DepthRight   Place = "depth_right"
	DepthBottom  Place = "depth_bottom"
	DepthLeft    Place = "depth_left"
	SeatWarp     Place = "seat_warp"
	BodyWidth    Place = "body_width"
	BodyHeight   Place = "body_height"
	BodyCorner   Place = "body_corner"
	CutCorner    Place = "cutout_corner"
	FlangeWidth  Place = "flange_width"
	FlangeHeight Place = "flange_height"
	MarkWidth    Place = "mark_width"
	MarkHeight   Place = "mark_height"
	MarkShift    Place = "mark_shift"
	WallLeast    Place = "wall_least"
	WallMost     Place = "wall_most"
	RingThick    Place = "ring_thickness"
	ScrewStop    Place = "screw_stop"
	ScrewLength  Place = "screw_length"
	HoleAcross   Place = "hole_across"
	HoleUp       Place = "hole_up"
	HoleSide     Place = "hole_side"
	HoleApart    Place = "hole_apart"
	BushAcross   Place = "bush_across"
	OldWidth     Place = "old_width"
	OldHeight    Place = "old_height"
	OldThickness Place = "old_thickness"
)

// PlaceInfo describes a place: what it is called, whether a size needs it, and
// the lengths that make sense there, in mm.
type PlaceInfo struct {
	Place      Place             `json:"place"`
	Name       string            `json:"name"`
	How        string            `json:"how" doc:"Where the tape goes"`
	Needed     bool              `json:"needed"`
	Instrument length.Instrument `json:"instrument"`
	Least      float64           `json:"least"`
	Most       float64           `json:"most"`
}

// Largest opening that a shop of ten handles, and the smallest peephole, in mm.
// Common practice, no source.
const (
	openingLeast = 15.0
	openingMost  = 6000.0
)

var places = []PlaceInfo{
	{WidthTop, "width, top", "near the top", true, length.Tape, openingLeast, openingMost},
	{WidthMiddle, "width, middle", "half way down", false, length.Tape, openingLeast, openingMost},
	{WidthBottom, "width, bottom", "near the bottom", true, length.Tape, openingLeast, openingMost},
	{HeightLeft, "height, left", "near the left side", true, length.Tape, openingLeast, openingMost},
	{HeightMiddle, "height, middle", "half way across", false, length.Tape, openingLeast, openingMost},
	{HeightRight, "height, right", "near the right side", true, length.Tape, openingLeast, openingMost},
	{Rising, "diagonal, rising", "lower left corner to upper right", false, length.Tape, openingLeast, openingMost * 1.5},
	{Falling, "diagonal, falling", "upper left corner to lower right", false, length.Tape, openingLeast,
		openingMost * 1.5},
	{Across0, "diameter, level", "wall to wall across the middle", true, length.Caliper, openingLeast, openingMost},
	{Across45, "diameter, rising", "turned by 45°", true, length.Caliper, openingLeast, openingMost},
	{Across90, "diameter, upright", "wall to wall, up and down", true, length.Caliper, openingLeast, openingMost},
	{Across135, "diameter, falling", "turned by 45° the other way", true, length.Caliper, openingLeast, openingMost},
	{Faces, "between the faces", "lower socket's face to the upper one's", true, length.Rule, openingLeast, openingMost},
	{StopDepth, "depth of the lower stop", "face of the lower socket to its stop", true, length.Caliper, 1, 120},
	{StopUpper, "depth of the upper stop", "where it is another than the lower one", false, length.Caliper, 1, 120},
	{TubeOutside, "old tube, outside", "caliper across the tube", true, length.Caliper, 3, 120},
	{TubeWall, "old tube, wall", "caliper on a broken end, or off its sheet", true, length.Caliper, 0.5, 20},
	{UpperPocket, "upper pocket, depth", "face of the upper track to its bottom", true, length.Caliper, 1, 200},
	{LowerPocket, "lower pocket, depth", "face of the lower track to where the pane rests", true, length.Caliper, 0.5,
		200},
	{Ledge, "ledge of the rebate", "side of the rebate to the edge of the daylight, at the narrowest place", true,
		length.Rule, 1,
		120},
	{Web, "web of the gasket", "bottom of its glass groove to bottom of its flange groove", true, length.Caliper, 0.5, 40},
	{JoinedGasket, "joined gasket, groove round", "tape laid into its glass groove, once round", false, length.Tape, 100,
		openingMost * 4},
	{Reach, "bracket overhang", "side of the rebate to the tip of the shortest bracket", true, length.Rule, 1, 120},
	{DepthTop, "depth, top", "face of the frame down to the ledge", false, length.Caliper, 1, 200},
	{DepthRight, "depth, right", "face of the frame down to the ledge", false, length.Caliper, 1, 200},
	{DepthBottom, "depth, bottom", "face of the frame down to the ledge", false, length.Caliper, 1, 200},
	{DepthLeft, "depth, left", "face of the frame down to the ledge", false, length.Caliper, 1, 200},
	{SeatWarp, "seat out of flat",
		"with feelers on a flat plate, or two straight edges: how far one corner stands off; of a round seat the " +
			"greatest gap", false, length.Caliper, 0.05, 100},
	{ChordAcross, "bend across, chord", "straight edge laid across the curve, end to end", false, length.Tape,
		openingLeast, openingMost},
	{RiseAcross, "bend across, rise", "straight edge to the glass, in the middle", false, length.Rule, 0.5,
		openingMost / 2},
	{ChordDown, "bend down, chord", "straight edge laid down the curve, end to end", false, length.Tape, openingLeast,
		openingMost},
	{RiseDown, "bend down, rise", "straight edge to the glass, in the middle", false, length.Rule, 0.5, openingMost / 2},
	{BodyWidth, "new frame, width through the wall", "over the part that goes through the cutout, or off its sheet", false,
		length.Tape, openingLeast, openingMost},
	{BodyHeight, "new frame, height through the wall", "over the part that goes through the cutout, or off its sheet",
		false, length.Tape, openingLeast, openingMost},
	{BodyCorner, "new frame, corner radius", "of the part that goes through the cutout", false, length.Rule, 0, 1000},
	{CutCorner, "cutout, corner radius", "the roundest corner", false, length.Rule, 0, 1000},
	{FlangeWidth, "new frame, width over all", "over its outer flange", false, length.Tape, openingLeast, openingMost},
	{FlangeHeight, "new frame, height over all", "over its outer flange", false, length.Tape, openingLeast, openingMost},
	{MarkWidth, "old mark, width", "outer edges of the ring that the old frame has left", false, length.Tape, openingLeast,
		openingMost},
	{MarkHeight, "old mark, height", "outer edges of the ring that the old frame has left", false, length.Tape,
		openingLeast, openingMost},
	{MarkShift, "old mark, off the cutout's middle",
		"half the difference of its two margins, the worse way; 0 when it is in the middle", false, length.Rule, 0, 100},
	{WallLeast, "new frame, thinnest wall that it takes", "off its sheet", false, length.Rule, 1, 200},
	{WallMost, "new frame, thickest wall that it takes", "off its sheet", false, length.Rule, 1, 200},
	{RingThick, "inner ring, under a screw's head", "caliper at a hole", false, length.Caliper, 0.3, 60},
	{ScrewStop, "room for a screw's tip", "outer face of the wall in to the bottom of a screw hole, the frame set on it",
		false, length.Caliper, 0, 100},
	{ScrewLength, "screws, under the head", "head's seat to tip", false, length.Caliper, 2, 200},
	{HoleAcross, "holes, across", "caliper in the hole, or off the sheet", false, length.Caliper, 3, 120},
	{HoleUp, "holes, up from the lower edge", "lower edge of the pane to the middle of a hole", false, length.Rule, 2,
		1000},
	{HoleSide, "holes, in from the side", "left edge of the pane, seen from outside, to the middle of the left hole",
		false, length.Rule, 2,
		openingMost},
	{HoleApart, "holes, apart", "middle to middle: inner edge of one to outer edge of the other", false, length.Rule, 5,
		openingMost},
	{BushAcross, "bush, across", "over the part that stands in the hole", false, length.Caliper, 2, 120},
	{OldWidth, "old pane, width", "edge to edge, or over the pieces laid together", false, length.Tape, openingLeast,
		openingMost},
	{OldHeight, "old pane, height", "edge to edge, or over the pieces laid together", false, length.Tape, openingLeast,
		openingMost},
	{OldThickness, "old pane, thickness", "caliper on a clean edge", false, length.Caliper, 0.5, 60},
}

// shapePrefix marks the places that a shape's own measures have.
const shapePrefix = "shape_"

// ShapePlace is the place of a shape's measure.
func ShapePlace(key string) Place { return Place(shapePrefix + key) }

// Key is the shape's measure that the place stands for; empty for others.
func (p Place) Key() string {
	k, ok := strings.CutPrefix(string(p), shapePrefix)
	if !ok {
		return ""
	}
	return k
}

// Info finds a place by itself, without the words that a sizing rule has for it.
func (p Place) Info() (PlaceInfo, error) {
	for _, i := range places {
		if i.Place == p {
			return i, nil
		}
	}
	if m := outline.MeasureOf(p.Key()); m.Name != "" {
		i := PlaceInfo{Place: p, Name: m.Name, How: m.How, Instrument: length.Tape, Least: 1, Most: openingMost * 1.5}
		if m.MayBeNothing() {
			i.Least = 0
		}
		return i, nil
	}
	return PlaceInfo{}, fault.New("place", fmt.Sprintf("no dimension is called %q", string(p)),
		"choose one that the drawing shows")
}

// Check refuses a reading that makes no sense at its place, such as a height
// of 40 m, and points at the place.
func (p Place) Check(r length.Reading) error {
	i, err := p.Info()
	if err != nil {
		return err
	}
	switch {
	case r.Value < i.Least:
		return fault.New(string(p), fmt.Sprintf("%s mm is too little for the %s", length.Metric(r.Value), i.Name),
			fmt.Sprintf("from %s mm up is taken; check the unit", length.Metric(i.Least)))
	case r.Value > i.Most:
		return fault.New(string(p), fmt.Sprintf("%s mm is too much for the %s", length.Metric(r.Value), i.Name),
			fmt.Sprintf("up to %s mm is taken; check the unit", length.Metric(i.Most)))
	case r.Doubt > r.Value/4 && i.Least > 0:
		return fault.New(string(p), "the doubt is a quarter of the reading or more", "measure it with a finer instrument")
	}
	return nil
}

// FromTexts are readings as they were typed, by their places.
func FromTexts(texts map[Place]string, unit length.Unit) (map[Place]length.Reading, error) {
	out := map[Place]length.Reading{}
	for p, t := range texts {
		i, err := p.Info()
		if err != nil {
			return nil, err
		}
		r, err := length.Parse(t, unit, i.Instrument)
		if err != nil {
			return nil, err
		}
		out[p] = r
	}
	return out, nil
}
