package fit

import (
	"fmt"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
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
	DepthTop     Place = "depth_top"
	DepthRight   Place = "depth_right"
	DepthBottom  Place = "depth_bottom"
	DepthLeft    Place = "depth_left"
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

var walk = []PlaceInfo{
	{WidthTop, "width, top", "rebate wall to rebate wall, near the top", true, length.Tape, openingLeast, openingMost},
	{WidthMiddle, "width, middle", "rebate wall to rebate wall, half way down", false, length.Tape, openingLeast, openingMost},
	{WidthBottom, "width, bottom", "rebate wall to rebate wall, near the bottom", true, length.Tape, openingLeast, openingMost},
	{HeightLeft, "height, left", "rebate wall to rebate wall, near the left side", true, length.Tape, openingLeast, openingMost},
	{HeightMiddle, "height, middle", "rebate wall to rebate wall, half way across", false, length.Tape, openingLeast, openingMost},
	{HeightRight, "height, right", "rebate wall to rebate wall, near the right side", true, length.Tape, openingLeast, openingMost},
	{Rising, "diagonal, rising", "lower left corner to upper right", false, length.Tape, openingLeast, openingMost * 1.5},
	{Falling, "diagonal, falling", "upper left corner to lower right", false, length.Tape, openingLeast, openingMost * 1.5},
	{Ledge, "ledge of the rebate", "rebate wall to the edge of the daylight, the narrowest place", true, length.Rule, 1, 120},
	{Reach, "bracket reach", "rebate wall to the tip of the bracket, the shortest bracket", true, length.Rule, 1, 120},
	{DepthTop, "depth, top", "face of the frame down to the ledge", false, length.Caliper, 1, 200},
	{DepthRight, "depth, right", "face of the frame down to the ledge", false, length.Caliper, 1, 200},
	{DepthBottom, "depth, bottom", "face of the frame down to the ledge", false, length.Caliper, 1, 200},
	{DepthLeft, "depth, left", "face of the frame down to the ledge", false, length.Caliper, 1, 200},
	{OldWidth, "old pane, width", "edge to edge, or over the pieces laid together", false, length.Tape, openingLeast, openingMost},
	{OldHeight, "old pane, height", "edge to edge, or over the pieces laid together", false, length.Tape, openingLeast, openingMost},
	{OldThickness, "old pane, thickness", "caliper on a clean edge", false, length.Caliper, 0.5, 60},
}

// Walk lists the places that a sizing rule uses, in walking order.
func Walk(s family.Sizing) []PlaceInfo {
	out := make([]PlaceInfo, 0, len(walk))
	for _, p := range walk {
		if p.Place == Reach && s != family.Clip {
			continue
		}
		out = append(out, p)
	}
	return out
}

// Info finds a place.
func (p Place) Info() (PlaceInfo, error) {
	for _, i := range walk {
		if i.Place == p {
			return i, nil
		}
	}
	return PlaceInfo{}, fault.New("place", fmt.Sprintf("no dimension is called %q", string(p)), "choose one that the drawing shows")
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
	case r.Doubt > r.Value/4:
		return fault.New(string(p), "the doubt is a quarter of the reading or more", "measure it with a finer instrument")
	}
	return nil
}
