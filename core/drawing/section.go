package drawing

import (
	"math"

	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/setting"
)

// What a section assumes while a dimension has not been read, in mm.
const (
	assumedLedge = 14.0
	assumedDepth = 12.0
	bedThickness = 1.5
)

// Section is the edge cut through and enlarged: wall of the rebate at x = 0,
// ledge at y = 0, the pane coming from the right. Clearance and bite are real
// gaps, to scale with everything else.
func Section(s Scene) Drawing {
	d := Drawing{Name: "section", Seen: "edge in section, cold"}
	value := func(p fit.Place, otherwise float64) float64 {
		if r, ok := s.Problem.Readings[p]; ok {
			return r.Value
		}
		return otherwise
	}
	c := cut{
		ledge: value(fit.Ledge, assumedLedge), t: s.Problem.Thickness,
		gap: s.Problem.Limits.Clearance.V, unit: s.Unit,
	}
	if s.Result.Ready {
		c.gap = math.Min(s.Result.Gap.W, s.Result.Gap.H)
	}
	c.edge = c.gap + s.Result.Wrap
	c.depth = assumedDepth
	for _, p := range []fit.Place{fit.DepthTop, fit.DepthRight, fit.DepthBottom, fit.DepthLeft} {
		c.depth = value(p, c.depth)
	}
	c.reach = value(fit.Reach, c.ledge)
	c.bed = bedThickness
	if s.Family.Seal == "gasket" {
		c.bed = 0
		if s.Problem.Gasket.Kind != fit.None {
			lo, hi := setting.Seated(s.Problem.Gasket.Free)
			c.bed = (lo + hi) / 2
		}
	}
	c.long = c.ledge + math.Max(14, c.ledge)
	c.body(&d)
	c.seal(&d, s)
	d.loop("pane-cut", LayerPane, s.Pane, rect(c.edge, c.bed, c.long, c.bed+c.t))
	d.text("pane-name", LayerNote, outline.Point{X: c.long, Y: c.bed + c.t + 1.2}, 2, "end", s.Pane)
	if s.Result.Ready {
		c.dims(&d, s)
	}
	d.fit(1.5)
	return d
}

// cut is the measures of the section, mm.
type cut struct {
	ledge, depth, reach, bed, t, long float64
	gap                               float64 // clear, from the wall to the pane or its wrap
	edge                              float64 // where the pane's edge is
	unit                              length.Unit
}

// wallThick is how much of the frame's body is drawn beside the rebate, mm.
const wallThick = 14.0

// body is the frame, cut through: wall to the left, ledge below.
func (c cut) body(d *Drawing) {
	d.loop("body", LayerHatch, "frame, cut through", []outline.Point{
		{X: -wallThick, Y: -wallThick}, {X: c.ledge, Y: -wallThick}, {X: c.ledge, Y: 0}, {X: 0, Y: 0}, {X: 0, Y: c.depth}, {X: -wallThick, Y: c.depth}})
}

// seal draws what the pane lies on and what presses or covers it.
func (c cut) seal(d *Drawing, s Scene) {
	top := c.bed + c.t
	switch s.Family.Seal {
	case "gasket":
		if c.bed > 0 {
			x0 := c.gap
			d.loop("gasket-cut", LayerGasket, "gasket when seated", rect(x0, 0, c.ledge, c.bed))
			if s.Problem.Gasket.Kind == fit.Wrapped {
				d.loop("gasket-edge", LayerGasket, "gasket round the edge", rect(c.gap, 0, c.edge, top))
			}
		}
		// The bracket lies on the face of the frame and steps down to the pane.
		face := math.Max(c.depth, top)
		d.loop("bracket-cut", LayerFixing, "bracket, snug only", []outline.Point{
			{X: -10, Y: face}, {X: c.reach - 2.5, Y: face}, {X: c.reach - 2.5, Y: top}, {X: c.reach, Y: top}, {X: c.reach, Y: face + 2}, {X: -10, Y: face + 2}})
		d.loop("screw-head", LayerFixing, "screw", rect(-8, face+2, -3, face+5))
	case "putty":
		d.loop("bed-cut", LayerGasket, "back putty", rect(0, 0, c.ledge, c.bed))
		high := math.Max(c.depth, top+3)
		d.loop("putty-cut", LayerGasket, "front putty, below the sight line", []outline.Point{{X: 0, Y: top}, {X: c.ledge - 1.5, Y: top}, {X: 0, Y: high}})
		d.line("point-cut", LayerFixing, outline.Point{X: -4, Y: top + 0.4}, outline.Point{X: c.ledge * 0.6, Y: top + 0.4})
	case "bead":
		d.loop("bed-cut", LayerGasket, "felt or tape", rect(c.gap, 0, c.ledge, c.bed))
		d.loop("bead-cut", LayerFixing, "bead", rect(0.2, top, c.ledge, math.Max(c.depth, top+6)))
		d.line("brad-cut", LayerFixing, outline.Point{X: c.ledge - 1, Y: top + 3}, outline.Point{X: -7, Y: top + 3})
	}
}

// dims puts clearance and bite on the section.
func (c cut) dims(d *Drawing, s Scene) {
	low, lower := -4.0, -9.0
	d.add(Item{ID: "clearance", Kind: Dim, Layer: LayerClearance, Points: []outline.Point{{X: 0, Y: low}, {X: c.gap, Y: low}},
		Text: length.Show(c.gap, c.unit).Main, Label: "edge clearance, each side, " + length.Metric(c.gap) + " mm", Place: "clearance_drawn"})
	if s.Result.Bite <= 0 {
		return
	}
	end := c.ledge
	if s.Family.Sizing == family.Clip {
		end = c.reach
	}
	d.add(Item{ID: "bite", Kind: Dim, Layer: LayerClearance, Points: []outline.Point{{X: c.edge, Y: lower}, {X: end, Y: lower}},
		Text: length.Show(end-c.edge, c.unit).Main, Label: "bite, " + length.Metric(end-c.edge) + " mm", Place: "bite_drawn"})
}
