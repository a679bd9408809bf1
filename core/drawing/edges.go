package drawing

import (
	"fmt"
	"math"

	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
)

// edges draw what holds the pane's edge, by the family's seal.
var edges = map[string]func(cut, *Drawing, Scene){
	"gasket": cut.clip, "putty": cut.putty, "bead": cut.bead, "channel": cut.channel, "pack": cut.pack,
	"rubber":   cut.rubber,
	"adhesive": cut.adhesive, "run": cut.run, "holes": cut.holes, "butyl": cut.butyl, "plate": cut.plate,
	"bedding": cut.bedding,
	"washer":  cut.washer,
	"track":   cut.track, "panel": cut.panel, "glued-bead": cut.gluedBead, "retainer": cut.retainer, "lugs": cut.lugs,
}

func (c cut) top() float64 { return c.bed + c.t }

// frame is a plain rebate, cut through: wall to the left, ledge below.
func (c cut) frame(d *Drawing, _ Scene) {
	d.loop("body", LayerHatch, "frame, cut through", []outline.Point{
		{X: -wallThick, Y: -wallThick}, {X: c.ledge, Y: -wallThick}, {X: c.ledge, Y: 0}, {X: 0, Y: 0}, {X: 0, Y: c.depth},
		{X: -wallThick, Y: c.depth}})
}

// u is a channel, cut through: open to the right, from the root to the lip.
func (c cut) u(d *Drawing, id, label string, root, lip, low, high, wall float64) {
	d.loop(id, LayerHatch, label, []outline.Point{
		{X: root - wall, Y: low - wall}, {X: lip, Y: low - wall}, {X: lip, Y: low}, {X: root, Y: low}, {X: root, Y: high},
		{X: lip, Y: high}, {X: lip, Y: high + wall}, {X: root - wall, Y: high + wall}})
}

func (c cut) clip(d *Drawing, s Scene) {
	c.frame(d, s)
	top := c.top()
	if c.bed > 0 {
		d.loop("gasket-cut", LayerGasket, "gasket when seated", rect(c.gap, 0, c.ledge, c.bed))
		if s.Problem.Gasket.Kind == fit.Wrapped {
			d.loop("gasket-edge", LayerGasket, "gasket round the edge", rect(c.gap, 0, c.edge, top))
		}
	}
	// The bracket lies on the face of the frame and steps down to the pane.
	face := math.Max(c.depth, top)
	d.loop("bracket-cut", LayerFixing, "bracket, snug only", []outline.Point{
		{X: -10, Y: face}, {X: c.reach - 2.5, Y: face}, {X: c.reach - 2.5, Y: top}, {X: c.reach, Y: top},
		{X: c.reach, Y: face + 2}, {X: -10, Y: face + 2}})
	d.loop("screw-head", LayerFixing, "screw", rect(-8, face+2, -3, face+5))
}

func (c cut) putty(d *Drawing, s Scene) {
	c.frame(d, s)
	top := c.top()
	d.loop("bed-cut", LayerGasket, "back putty", rect(0, 0, c.ledge, c.bed))
	high := math.Max(c.depth, top+3)
	d.loop("putty-cut", LayerGasket, "front putty, below the sight line",
		[]outline.Point{{X: 0, Y: top}, {X: c.ledge - 1.5, Y: top}, {X: 0, Y: high}})
	d.line("point-cut", LayerFixing, outline.Point{X: -4, Y: top + 0.4}, outline.Point{X: c.ledge * 0.6, Y: top + 0.4})
}

func (c cut) bead(d *Drawing, s Scene) {
	c.frame(d, s)
	top := c.top()
	d.loop("bed-cut", LayerGasket, "felt or tape", rect(c.gap, 0, c.ledge, c.bed))
	d.loop("bead-cut", LayerFixing, "bead", rect(0.2, top, c.ledge, math.Max(c.depth, top+6)))
	d.line("brad-cut", LayerFixing, outline.Point{X: c.ledge - 1, Y: top + 3}, outline.Point{X: -7, Y: top + 3})
}

// gluedBead is the same without a nail: glue between the bead and the frame, none
// at the glass.
func (c cut) gluedBead(d *Drawing, s Scene) {
	c.frame(d, s)
	top := c.top()
	d.loop("bed-cut", LayerGasket, "felt or tape", rect(c.gap, 0, c.ledge, c.bed))
	d.loop("bead-cut", LayerFixing, "bead", rect(0.8, top, c.ledge, math.Max(c.depth, top+6)))
	d.loop("glue-cut", LayerGasket, "glue, on the frame alone", rect(0, top+2, 0.8, math.Max(c.depth, top+6)))
}

// retainer is a frame over a gasket whose tab stands beside the pane's edge.
func (c cut) retainer(d *Drawing, s Scene) {
	c.frame(d, s)
	top := c.top()
	d.loop("gasket-cut", LayerGasket, "gasket on the seat", rect(c.gap, 0, c.ledge, c.bed))
	d.loop("upper-gasket", LayerGasket, "gasket under the retainer", rect(c.edge, top, c.ledge, top+1.2))
	d.loop("retainer", LayerFixing, "retainer, screwed down over it", rect(-wallThick+3, top+1.2, c.ledge, top+3))
	d.loop("tab", LayerFixing, "tab that centres the pane", rect(c.edge-c.gap/2-0.9, c.bed+0.5, c.edge-c.gap/2+0.3,
		top+1.2))
	d.line("screw-cut", LayerFixing, outline.Point{X: -6, Y: top + 3}, outline.Point{X: -6, Y: -4})
}

// lugs are what the lower edge is slid under, a rubber strip between.
func (c cut) lugs(d *Drawing, _ Scene) {
	c.u(d, "body", "frame with its lug, cut through", 0, c.ledge, 0, c.top()+2.2, 1.8)
	d.loop("strip-cut", LayerGasket, "rubber strip under the lug", rect(c.edge+1, c.top(), c.ledge, c.top()+1.4))
	d.loop("cap", LayerFixing, "cap over the upper edge, screwed", rect(-wallThick, c.top()+2.6, c.ledge, c.top()+4.4))
	d.line("cap-screw", LayerFixing, outline.Point{X: -7, Y: c.top() + 4.4}, outline.Point{X: -7, Y: -3})
}

// channel is the top edge under its vent trim, with the foil tape tucked in.
func (c cut) channel(d *Drawing, _ Scene) {
	c.u(d, "body", "channel, cut through", 0, c.ledge, 0, c.top()+2.5, 2.5)
	d.loop("trim", LayerFixing, "vent trim", rect(-wallThick, c.top()+5, c.ledge+4, c.top()+7.5))
	d.loop("tape-cut", LayerGasket, "foil tape along the edge", rect(c.edge-0.4, c.top(), c.ledge+6, c.top()+0.9))
}

// pack is the folded frame with two of its panes and a pad between.
func (c cut) pack(d *Drawing, s Scene) {
	k := s.Stack
	if len(k.Panes) == 0 {
		second := c.top() + 6
		c.u(d, "body", "folded frame, cut through", 0, c.ledge, 0, second+c.t+1.5, 1.5)
		d.loop("pad-cut", LayerGasket, "pad between the panes", rect(c.edge+2, c.top(), c.ledge, second))
		d.loop("pane-second", LayerPane, "next pane of the pack", rect(c.edge, second, c.long, second+c.t))
		return
	}
	// The hot side is up: the last pane lies at the bottom.
	y := bedThickness
	tops := make([]float64, len(k.Panes))
	for i := len(k.Panes) - 1; i >= 0; i-- {
		tops[i] = y + k.Panes[i]
		if i > 0 {
			y = tops[i] + k.Gaps[i-1]
		}
	}
	c.u(d, "body", "folded frame, cut through", 0, c.ledge, 0, tops[0]+bedThickness, 1.5)
	for i := range k.Panes {
		if i > 0 {
			d.loop(fmt.Sprintf("pad-%d-cut", i), LayerGasket, "pad between the panes",
				rect(c.edge+2, tops[i], c.ledge, tops[i]+k.Gaps[i-1]))
		}
		if i+1 != max(k.Here, 1) {
			d.loop(fmt.Sprintf("pane-%d-cut", i+1), LayerPane, fmt.Sprintf("pane %d of the pack, from the hot side", i+1),
				rect(c.edge, tops[i]-k.Panes[i], c.long, tops[i]))
		}
	}
}

// rubber has a groove for the glass to the right and one for the flange to the
// left; the web lies between.
func (c cut) rubber(d *Drawing, _ Scene) {
	mid := c.t / 2
	flange := 1.5
	d.loop("body", LayerHatch, "flange of the body", rect(-2.2*wallThick, mid-flange/2, 0, mid+flange/2))
	lip := c.end
	half := c.t/2 + 4
	d.loop("rubber-cut", LayerGasket, "locking gasket: a groove for the glass, a groove for the flange, the web between",
		[]outline.Point{
			{X: -10, Y: mid - half}, {X: lip, Y: mid - half + 2.5}, {X: lip, Y: 0}, {X: c.edge - c.gap, Y: 0},
			{X: c.edge - c.gap, Y: c.t}, {X: lip, Y: c.t}, {X: lip, Y: mid + half - 2.5},
			{X: -10, Y: mid + half}, {X: -10, Y: mid + flange/2}, {X: 0, Y: mid + flange/2}, {X: 0, Y: mid - flange/2},
			{X: -10, Y: mid - flange/2}})
}

func (c cut) adhesive(d *Drawing, s Scene) {
	c.frame(d, s)
	d.loop("adhesive-cut", LayerGasket, "bead of adhesive, pressed",
		[]outline.Point{{X: c.edge + 1, Y: 0}, {X: c.ledge - 1.5, Y: 0}, {X: c.ledge - 2.5, Y: c.bed},
			{X: c.edge + 2, Y: c.bed}})
	d.loop("moulding-cut", LayerGasket, "moulding over the joint",
		[]outline.Point{{X: -3, Y: c.top()}, {X: c.edge + 4, Y: c.top()}, {X: c.edge + 4, Y: c.top() + 1.5},
			{X: -3, Y: c.top() + 1.5}})
}

func (c cut) run(d *Drawing, _ Scene) {
	c.u(d, "body", "channel of the door", -2, c.ledge, c.bed-3.5, c.top()+3.5, 1.5)
	d.loop("felt-low-cut", LayerGasket, "run channel", rect(0, c.bed-3.5, c.ledge, c.bed-0.6))
	d.loop("felt-high-cut", LayerGasket, "run channel", rect(0, c.top()+0.6, c.ledge, c.top()+3.5))
	d.loop("felt-end-cut", LayerGasket, "bottom of the run channel", rect(-2, c.bed-3.5, 0, c.top()+3.5))
}

// holes is the channel at the pane's edge and the bolt through its bush farther in.
func (c cut) holes(d *Drawing, s Scene) {
	c.run(d, s)
	x := c.end + 9
	d.loop("washer-low-cut", LayerGasket, "washer", rect(x-5, c.bed-1.5, x+5, c.bed))
	d.loop("washer-high-cut", LayerGasket, "washer", rect(x-5, c.top(), x+5, c.top()+1.5))
	d.loop("bush-cut", LayerGasket, "bush in the hole", rect(x-2.8, c.bed, x+2.8, c.top()))
	d.loop("bolt", LayerFixing, "bolt through carrier and pane", rect(x-1.6, c.bed-4, x+1.6, c.top()+4))
	d.loop("bolt-head", LayerFixing, "its head", rect(x-4, c.top()+1.5, x+4, c.top()+4))
}

// A screw of a clamp ring while it has not been read, mm.
const (
	assumedRing     = 2.5
	assumedRingStop = 8.0
)

// butyl is the wall between the outer frame and the inner ring. The screw goes
// through the ring into the boss of the frame and ends at its bottom when it is
// as long as it should be.
func (c cut) butyl(d *Drawing, s Scene) {
	wall, ring, stop := c.depth, s.value(reading.RingThick, assumedRing), s.value(reading.ScrewStop, assumedRingStop)
	d.loop("body", LayerHatch, "wall, cut through", rect(-2*wallThick, -wall, 0, 0))
	d.loop("butyl-cut", LayerGasket, "butyl under the outer frame", rect(c.edge-c.ledge, 0, 0, 1.5))
	boss := math.Min(wall, stop+8)
	d.loop("frame-cut", LayerFixing, "outer frame with its boss", []outline.Point{{X: c.edge - c.ledge, Y: 1.5},
		{X: c.edge, Y: 1.5}, {X: c.edge, Y: -boss}, {X: c.edge + 5, Y: -boss}, {X: c.edge + 5, Y: c.bed},
		{X: c.edge + 1, Y: c.top() + 3}, {X: c.edge + 1, Y: 4}, {X: c.edge - c.ledge, Y: 4}})
	d.loop("ring-cut", LayerFixing, "inner ring", rect(c.edge-c.ledge, -wall-ring, c.edge+7, -wall))
	long := s.value(reading.ScrewLength, wall+ring-stop)
	head, x := -wall-ring, c.edge+2.5
	d.loop("screw-head", LayerFixing, "head of a screw", rect(x-3, head-1.8, x+3, head))
	d.loop("screw-cut", LayerFixing, fmt.Sprintf("screw, %s mm under its head", length.Metric(long)),
		rect(x-1.2, head, x+1.2, head+long))
	if _, ok := s.Problem.Readings[reading.ScrewStop]; ok {
		d.line("screw-stop", LayerClearance, outline.Point{X: x - 3.5, Y: -stop}, outline.Point{X: x + 3.5, Y: -stop})
	}
}

// plate is a hinge bonded to the face of the pane.
func (c cut) plate(d *Drawing, _ Scene) {
	d.loop("body", LayerHatch, "body, cut through", []outline.Point{{X: -wallThick, Y: -wallThick}, {X: 0, Y: -wallThick},
		{X: 0, Y: c.top() + 3}, {X: -wallThick, Y: c.top() + 3}})
	d.loop("seal-cut", LayerGasket, "bulb seal on the body", rect(0, c.bed-4, c.edge+3, c.bed))
	d.loop("adhesive-cut", LayerGasket, "adhesive between plate and glass",
		rect(c.edge+0.5, c.top(), c.ledge, c.top()+0.8))
	d.loop("plate-cut", LayerFixing, "plate of the hinge", rect(-4, c.top()+0.8, c.ledge, c.top()+3.8))
	d.add(Item{ID: "pin", Kind: Circle, Layer: LayerFixing, Radius: 2.5,
		Points: []outline.Point{{X: -5, Y: c.top() + 2.8}}, Label: "pin of the hinge"})
}

func (c cut) bedding(d *Drawing, s Scene) {
	c.frame(d, s)
	d.loop("bed-cut", LayerGasket, "bedding compound", rect(0, 0, c.ledge, c.bed))
	d.loop("bedding-edge", LayerGasket, "compound round the edge", rect(0, c.bed, c.edge, c.top()))
	d.loop("ring-cut", LayerFixing, "ring, its gap at the top",
		rect(0.3, c.top()+0.6, c.ledge*0.8, math.Max(c.depth, c.top()+4)))
}

// washer is one end of a tube in its socket, lying on its side.
func (c cut) washer(d *Drawing, _ Scene) {
	far := c.top() + 6
	c.u(d, "body", "valve body, cut through", 0, c.ledge, 0, far+c.t+1, 5)
	d.loop("pane-far", LayerPane, "far wall of the tube", rect(c.edge, far, c.long, far+c.t))
	d.loop("washer-cut", LayerGasket, "washer, new every time", rect(c.ledge, -3, c.ledge+3.5, c.bed))
	d.loop("nut-cut", LayerFixing, "nut, hand tight then snug", rect(c.ledge+3.5, -7, c.ledge+7, c.bed))
}

func (c cut) track(d *Drawing, _ Scene) {
	c.u(d, "body", "lower track, cut through", 0, c.ledge, c.bed-2.5, c.top()+2.5, 3)
	d.loop("liner-cut", LayerGasket, "liner", rect(0, c.bed-2.5, c.ledge, c.bed-0.5))
}

func (c cut) panel(d *Drawing, s Scene) {
	c.frame(d, s)
	d.loop("foam-cut", LayerGasket, "foam or gasket on the seat", rect(c.gap, 0, c.ledge, c.bed))
	x := c.edge + (c.ledge-c.edge)*0.55
	d.loop("washer-plate", LayerFixing, "washer", rect(x-4.5, c.top(), x+4.5, c.top()+1.2))
	d.loop("screw-head", LayerFixing, "screw, a quarter turn back on plastic",
		rect(x-2.6, c.top()+1.2, x+2.6, c.top()+3.8))
	d.loop("screw-shank", LayerFixing, "screw in an oversize hole", rect(x-1.2, -8, x+1.2, c.top()))
}
