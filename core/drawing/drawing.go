// Package drawing is geometry computed once and drawn everywhere: on the
// screen, in SVG, DXF and PDF. Coordinates are mm, x to the right, y up. A
// layer is a meaning (pane, reading, fixing …), never a colour.
package drawing

import "freshshard/core/outline"

// Layer is what an item means.
type Layer string

// The layers.
const (
	LayerFrame     Layer = "frame"     // the body that holds the pane
	LayerOpening   Layer = "opening"   // rebate wall, the tight size
	LayerSight     Layer = "sight"     // edge of the daylight
	LayerPane      Layer = "pane"      // the pane as ordered
	LayerReading   Layer = "reading"   // what a person read
	LayerFixing    Layer = "fixing"    // brackets, screws, points, brads
	LayerOrder     Layer = "order"     // the numbers of the tightening order
	LayerGasket    Layer = "gasket"    // gasket, bed, putty, bead
	LayerBlock     Layer = "block"     // setting blocks
	LayerClearance Layer = "clearance" // computed dimensions
	LayerHatch     Layer = "hatch"     // cut through
	LayerNote      Layer = "note"      // words
)

// Kind is the shape of an item.
type Kind string

// The kinds. A Dim is a dimension: two ends, its text in the middle.
const (
	Line     Kind = "line"
	Polyline Kind = "polyline"
	Circle   Kind = "circle"
	Arc      Kind = "arc"
	Text     Kind = "text"
	Dim      Kind = "dim"
)

// Item is one drawn thing. Which fields count depends on the kind: Line and
// Dim have two points, Polyline any number, Circle and Arc a centre as the
// first point. Angles are degrees anticlockwise from the x axis. Size is the
// height of text in mm.
type Item struct {
	ID     string          `json:"id"`
	Kind   Kind            `json:"kind" enum:"line,polyline,circle,arc,text,dim"`
	Layer  Layer           `json:"layer"`
	Points []outline.Point `json:"points"`
	Closed bool            `json:"closed,omitempty"`
	Bulges []float64       `json:"bulges,omitempty" doc:"Tangent of a quarter of its angle, behind each point; 0: flat"`
	Radius float64         `json:"radius,omitempty"`
	Start  float64         `json:"start,omitempty"`
	End    float64         `json:"end,omitempty"`
	Text   string          `json:"text,omitempty"`
	Size   float64         `json:"size,omitempty"`
	Anchor string          `json:"anchor,omitempty" enum:"start,middle,end"`
	Label  string          `json:"label,omitempty" doc:"What a screen reader says"`
	Place  string          `json:"place,omitempty" doc:"The reading that it belongs to"`
	State  string          `json:"state,omitempty" enum:"read,empty,odd,assumed,done,now,wait,here" doc:"How it stands"`
}

// Drawing is a set of items with the box that holds them.
type Drawing struct {
	Name  string      `json:"name"`
	Seen  string      `json:"seen" doc:"The side that it is seen from"`
	Box   outline.Box `json:"box"`
	Items []Item      `json:"items"`
}

func (d *Drawing) add(i Item) { d.Items = append(d.Items, i) }

func (d *Drawing) line(id string, l Layer, a, b outline.Point) {
	d.add(Item{ID: id, Kind: Line, Layer: l, Points: []outline.Point{a, b}})
}

func (d *Drawing) loop(id string, l Layer, label string, p []outline.Point) {
	d.add(Item{ID: id, Kind: Polyline, Layer: l, Points: p, Closed: true, Label: label})
}

// path draws a closed outline whose arcs stay arcs.
func (d *Drawing) path(id string, l Layer, label string, p outline.Path) {
	i := Item{ID: id, Kind: Polyline, Layer: l, Closed: true, Label: label, Points: p.Corners()}
	for _, v := range p {
		if v.Bulge != 0 {
			i.Bulges = make([]float64, len(p))
		}
	}
	for k := range i.Bulges {
		i.Bulges[k] = p[k].Bulge
	}
	d.add(i)
}

func (d *Drawing) text(id string, l Layer, at outline.Point, size float64, anchor, s string) {
	d.add(Item{ID: id, Kind: Text, Layer: l, Points: []outline.Point{at}, Size: size, Anchor: anchor, Text: s})
}

// fit sets the box to hold every item, with a margin in mm.
func (d *Drawing) fit(margin float64) {
	first := true
	grow := func(p outline.Point, r float64) {
		lo, hi := outline.Point{X: p.X - r, Y: p.Y - r}, outline.Point{X: p.X + r, Y: p.Y + r}
		if first {
			d.Box, first = outline.Box{Min: lo, Max: hi}, false
			return
		}
		d.Box.Min = outline.Point{X: min(d.Box.Min.X, lo.X), Y: min(d.Box.Min.Y, lo.Y)}
		d.Box.Max = outline.Point{X: max(d.Box.Max.X, hi.X), Y: max(d.Box.Max.Y, hi.Y)}
	}
	for _, i := range d.Items {
		for _, p := range i.Flat() {
			grow(p, i.Radius)
		}
	}
	d.Box.Min.X, d.Box.Min.Y = d.Box.Min.X-margin, d.Box.Min.Y-margin
	d.Box.Max.X, d.Box.Max.Y = d.Box.Max.X+margin, d.Box.Max.Y+margin
}

func rect(x0, y0, x1, y1 float64) []outline.Point {
	return []outline.Point{{X: x0, Y: y0}, {X: x1, Y: y0}, {X: x1, Y: y1}, {X: x0, Y: y1}}
}
