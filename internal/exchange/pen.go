// Package exchange writes what leaves the shop in open formats: drawings as
// SVG and DXF, the ticket as PDF. All of them draw the geometry that the core
// computed; none computes its own.
package exchange

import (
	"math"

	"freshshard/core/drawing"
	"freshshard/core/outline"
)

// pen is how a layer looks on paper. Colour is never the only sign: the width
// and the dash differ too. aci is the nearest colour of the DXF palette.
type pen struct {
	r, g, b int
	width   float64 // mm on paper
	dash    []float64
	fill    *[3]int
	aci     int
}

var pens = map[drawing.Layer]pen{
	drawing.LayerFrame:     {60, 66, 64, 0.35, nil, &[3]int{226, 230, 226}, 8},
	drawing.LayerOpening:   {20, 24, 24, 0.35, nil, &[3]int{250, 251, 248}, 7},
	drawing.LayerSight:     {110, 116, 114, 0.18, []float64{1.2, 1}, nil, 8},
	drawing.LayerPane:      {150, 96, 10, 0.5, nil, nil, 30},
	drawing.LayerReading:   {170, 42, 32, 0.22, nil, nil, 1},
	drawing.LayerFixing:    {30, 34, 34, 0.25, nil, &[3]int{214, 219, 215}, 7},
	drawing.LayerOrder:     {20, 24, 24, 0.25, nil, nil, 7},
	drawing.LayerGasket:    {120, 104, 84, 0.22, []float64{0.6, 0.6}, nil, 34},
	drawing.LayerBlock:     {40, 44, 44, 0.2, nil, &[3]int{120, 124, 122}, 8},
	drawing.LayerClearance: {20, 60, 110, 0.2, nil, nil, 5},
	drawing.LayerHatch:     {60, 66, 64, 0.35, nil, &[3]int{214, 218, 215}, 9},
	drawing.LayerNote:      {70, 76, 74, 0.2, nil, nil, 8},
}

// layers in drawing order, for the table of a DXF file.
var layers = []drawing.Layer{drawing.LayerFrame, drawing.LayerOpening, drawing.LayerSight, drawing.LayerHatch,
	drawing.LayerGasket, drawing.LayerPane,
	drawing.LayerBlock, drawing.LayerFixing, drawing.LayerOrder, drawing.LayerReading, drawing.LayerClearance,
	drawing.LayerNote}

// dimText is where the text of a dimension stands and at which angle, degrees,
// kept readable from below or from the right.
func dimText(i drawing.Item, off float64) (at outline.Point, angle float64) {
	a, b := i.Points[0], i.Points[1]
	angle = math.Atan2(b.Y-a.Y, b.X-a.X) * 180 / math.Pi
	// Words on an upright reach upwards, also when it leans a little.
	if angle > 100 || angle <= -80 {
		angle += 180
	}
	angle = math.Mod(angle+360, 360)
	rad := angle * math.Pi / 180
	return outline.Point{X: (a.X+b.X)/2 - off*math.Sin(rad), Y: (a.Y+b.Y)/2 + off*math.Cos(rad)}, angle
}

// ticks are the two strokes at the ends of a dimension, square to it.
func ticks(i drawing.Item, half float64) [2][2]outline.Point {
	a, b := i.Points[0], i.Points[1]
	l := a.To(b)
	if l == 0 {
		l = 1
	}
	n := outline.Point{X: -(b.Y - a.Y) / l * half, Y: (b.X - a.X) / l * half}
	end := func(p outline.Point) [2]outline.Point {
		return [2]outline.Point{{X: p.X + n.X, Y: p.Y + n.Y}, {X: p.X - n.X, Y: p.Y - n.Y}}
	}
	return [2][2]outline.Point{end(a), end(b)}
}

// wanted leaves out dimensions that nobody has read.
func wanted(i drawing.Item) bool { return i.Kind != drawing.Dim || i.State != "empty" }
