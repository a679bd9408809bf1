package drawing

import (
	"fmt"
	"math"

	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/holding"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/setting"
)

// What a section assumes while a dimension has not been read, in mm.
const (
	assumedLedge = 14.0
	assumedDepth = 12.0
	assumedWeb   = 4.0
	assumedStop  = 14.0
	bedThickness = 1.5
	beadSeated   = 5.0 // adhesive bead when pressed; common practice, no source
)

// Section is the edge cut through and enlarged: wall of the opening at x = 0,
// seat at y = 0, the pane coming from the right. Clearance and bite are real
// gaps, to scale with everything else.
func Section(s Scene) Drawing {
	return s.section("edge in section, as set", fit.Stop{})
}

// SectionAt is the section at a place on the way from the coldest to the
// hottest: the pane's edge stands where growth has brought it, and what breaks
// its limit is marked.
func SectionAt(s Scene, st fit.Stop) Drawing {
	return s.section(fmt.Sprintf("pane %.0f °C, frame %.0f °C", st.Pane, st.Frame), st)
}

func (s Scene) section(seen string, st fit.Stop) Drawing {
	d := Drawing{Name: "section", Seen: seen}
	c := s.cut()
	c.gap, c.edge = c.gap+st.Shift, c.edge+st.Shift
	draw, ok := edges[s.Family.Seal]
	if !ok {
		draw = cut.frame
	}
	draw(c, &d, s)
	d.loop("pane-cut", LayerPane, s.Pane, rect(c.edge, c.bed, c.long, c.bed+c.t))
	d.text("pane-name", LayerNote, outline.Point{X: c.long, Y: c.bed + c.t + 1.2}, 2, "end", s.Pane)
	if s.Result.Ready {
		c.dims(&d, s)
	}
	for i := range d.Items {
		if d.Items[i].ID == "clearance" && st.GapLow || d.Items[i].ID == "bite" && st.BiteLow {
			d.Items[i].State = "odd"
		}
	}
	d.fit(1.5)
	return d
}

// Edge is the section of a family's usual case, for a small picture: nothing of
// it has been read.
func Edge(f family.Family, thickness float64) Drawing {
	s := Scene{Family: f, Pane: f.Material, Problem: fit.Problem{Asked: reading.Asked{Sizing: f.Sizing},
		Limits: fit.LimitsOf(f, false), Thickness: thickness}}
	if f.Seal == "gasket" {
		s.Problem.Gasket = fit.Gasket{Kind: fit.Flat, Free: 3}
	}
	return Section(s)
}

// cut is the measures of the section, mm.
type cut struct {
	ledge, depth, reach, bed, t, long float64
	gap                               float64 // clear, from the wall to the pane or its wrap
	edge                              float64 // where the pane's edge is
	end                               float64 // where what covers the edge ends
	unit                              length.Unit
}

// value is a reading, or what is assumed while there is none, mm.
func (s Scene) value(p reading.Place, otherwise float64) float64 {
	if r, ok := s.Problem.Readings[p]; ok {
		return r.Value
	}
	return otherwise
}

// cut takes the measures from the readings, or assumes them.
func (s Scene) cut() cut {
	value := s.value
	c := cut{ledge: value(reading.Ledge, assumedLedge), t: s.Problem.Thickness, gap: s.Problem.Limits.Clearance.V,
		unit: s.Unit, depth: assumedDepth, bed: bedThickness}
	if s.Result.Ready {
		c.gap = math.Min(s.Result.Gap.W, s.Result.Gap.H)
	}
	c.edge = c.gap + s.Result.Wrap
	// The place that the sum goes by, too.
	if p, ok := s.Problem.Shallowest(); ok {
		c.depth = value(p, c.depth)
	}
	c.end = c.ledge
	switch r := s.rule(); {
	case r.Brackets:
		c.bed = 0
		if s.Problem.Gasket.Kind != fit.None {
			lo, hi := setting.Seated(s.Problem.Gasket.Free)
			c.bed = (lo + hi) / 2
		}
		c.reach = value(reading.Reach, c.ledge)
		c.end = c.reach
	case r.Rubber:
		if !s.Result.Ready {
			c.edge = c.gap + value(reading.Web, assumedWeb)
		}
		c.end = c.edge - c.gap + c.ledge
		c.bed = 0
	case r.Depth.Front == holding.Stacked:
		c.bed = bedThickness + s.Stack.below()
	case r.Behind == holding.Bead:
		c.bed = beadSeated
	case r.Lifts():
		c.ledge = value(reading.LowerPocket, assumedLedge)
		c.gap, c.edge, c.end = 0, 0, c.ledge
	case r.Tube():
		c.ledge = value(reading.StopDepth, assumedStop)
		c.edge = c.ledge / 2
		if s.Result.Ready {
			c.edge = c.ledge - (s.Result.Order.H-value(reading.Faces, 0))/2
		}
		c.gap, c.end, c.bed = c.edge, c.ledge, 1
	}
	c.long = c.end + math.Max(14, c.end)
	return c
}

// wallThick is how much of the frame's body is drawn beside the rebate, mm.
const wallThick = 14.0

// dims are clearance and bite under the section.
func (c cut) dims(d *Drawing, s Scene) {
	low, lower := -4.0, -9.0
	r := s.rule()
	switch {
	case r.Tube(): // below the nut
		low = -11
	case r.Comes: // above the frame, clear of its screw
		low, lower = c.top()+8, c.top()+13
	}
	dim := func(id string, x0, x1, y float64, what, place string) {
		d.add(Item{ID: id, Kind: Dim, Layer: LayerClearance, Points: []outline.Point{{X: x0, Y: y}, {X: x1, Y: y}},
			Text: length.Show(x1-x0, c.unit).Main, Label: what + ", " + length.Metric(x1-x0) + " mm", Place: place})
	}
	switch {
	case r.Tube():
		dim("engaged", c.edge, c.end, low, "engagement in a socket, as ordered", "engage_ends")
		return
	case r.Lifts():
		dim("engaged", c.edge, c.end, low, "engagement of the foot", "engage_foot")
		return
	}
	// Outside a wrapped gasket, but inside the web of a locking one.
	from := 0.0
	if r.Rubber {
		from = c.edge - c.gap
	}
	dim("clearance", from, from+c.gap, low, "edge clearance, each side", "clearance_drawn")
	if r.Comes { // its flange covers the wall, outwards
		dim("bite", c.edge-c.ledge, 0, lower, "cover of the flange", "bite_drawn")
		return
	}
	if s.Result.Bite > 0 {
		dim("bite", c.edge, c.end, lower, "bite", "bite_drawn")
	}
}
