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

// rule is the way in which the pane is held.
func (s Scene) rule() *holding.Rule { return holding.Of(s.Family.Sizing) }

// Scene is what the light table shows.
type Scene struct {
	Family  family.Family
	Problem fit.Problem
	Result  fit.Result
	Sides   setting.Sides // brackets on each side; not used for points and brads
	Pane    string        // name of the pane, "4 mm glass-ceramic"
	Unit    length.Unit
	Stamp   string // what the pane's stamp says
	Stack   Stack  // of a pack, as its panes came out
	Corner  string // upper-left … lower-right, as mounted; empty while unknown
}

// Stack is a pack edge-on: how thick its panes are and how wide the gaps between
// them, from the hot side, mm. Here is the pane on the table, from 1; 0 takes
// the first.
type Stack struct {
	Panes, Gaps []float64
	Here        int
}

// below is what lies under the pane on the table, its hot side being up, mm.
func (k Stack) below() float64 {
	var d float64
	for i := max(k.Here, 1); i < len(k.Panes); i++ {
		d += k.Panes[i] + k.Gaps[i-1]
	}
	return d
}

// An opening that nobody has read yet is drawn at this size, in mm, so that
// the table is never bare.
const (
	assumedWidth = 320.0
	assumedShape = 0.8 // height as a share of the width
)

// Table is the pane and its frame in true shape and to scale, with the
// readings on the dimensions that they measure.
func Table(s Scene) Drawing {
	d := Drawing{Name: "table", Seen: s.Family.Seen}
	switch {
	case s.rule().Tube():
		s.tube(&d)
		return d
	case s.rule().Circle(), s.Problem.Shape.Kind != "":
		s.shaped(&d)
		s.covers(&d)
		return d
	}
	corners, assumed := s.corners()
	state := ""
	if assumed {
		state = "assumed"
	}
	q := corners
	w := math.Max(q[1].X, q[2].X) - math.Min(q[0].X, q[3].X)
	h := math.Max(q[2].Y, q[3].Y)
	rim := math.Max(26, 0.13*math.Min(w, h))
	d.loop("frame", LayerFrame, "frame", rect(math.Min(q[0].X, q[3].X)-rim, math.Min(q[0].Y, q[1].Y)-rim,
		math.Max(q[1].X, q[2].X)+rim, h+rim))
	d.add(Item{ID: "opening", Kind: Polyline, Layer: LayerOpening, Closed: true, Points: q, State: state,
		Label: "opening, side to side of the rebate"})
	if r, ok := s.Problem.Readings[reading.Ledge]; ok && 2*r.Value < math.Min(w, h) {
		d.loop("sight", LayerSight, "edge of the daylight", inset(q, r.Value))
	}
	if s.Result.Ready {
		s.pane(&d, q)
	}
	s.readings(&d, q)
	s.stamp(&d, q)
	s.covers(&d)
	d.text("up", LayerNote, outline.Point{X: (q[2].X + q[3].X) / 2, Y: h + rim + 0.045*h}, 0.04*h, "middle",
		"this edge up ↑")
	d.fit(0.02 * w)
	return d
}

// corners is the opening as read, or what is assumed while too little is.
func (s Scene) corners() ([]outline.Point, bool) {
	if len(s.Result.Corners) == 4 {
		return s.Result.Corners, false
	}
	w, h := 0.0, 0.0
	for _, p := range []reading.Place{reading.WidthTop, reading.WidthMiddle, reading.WidthBottom} {
		w = math.Max(w, s.Problem.Readings[p].Value)
	}
	for _, p := range []reading.Place{reading.HeightLeft, reading.HeightMiddle, reading.HeightRight} {
		h = math.Max(h, s.Problem.Readings[p].Value)
	}
	switch {
	case w == 0 && h == 0:
		w, h = assumedWidth, assumedWidth*assumedShape
	case h == 0:
		h = w * assumedShape
	case w == 0:
		w = h / assumedShape
	}
	return rect(0, 0, w, h), true
}

// inset moves the four sides of a nearly square outline inwards by d.
func inset(q []outline.Point, d float64) []outline.Point {
	return []outline.Point{
		{X: q[0].X + d, Y: q[0].Y + d}, {X: q[1].X - d, Y: q[1].Y + d},
		{X: q[2].X - d, Y: q[2].Y - d}, {X: q[3].X + d, Y: q[3].Y - d},
	}
}

// pane draws the ordered pane in the middle of its opening with what holds it.
func (s Scene) pane(d *Drawing, q []outline.Point) {
	w, h := s.Result.Order.W, s.Result.Order.H
	cx, cy := (q[0].X+q[1].X+q[2].X+q[3].X)/4, (q[0].Y+q[1].Y+q[2].Y+q[3].Y)/4
	x0, y0 := cx-w/2, cy-h/2
	if r, ok := s.Problem.Readings[reading.LowerPocket]; ok {
		y0 = q[0].Y - r.Value // dropped: its foot rests in the lower pocket
	}
	d.loop("pane", LayerPane, s.Pane+", "+length.Metric(w)+" × "+length.Metric(h)+" mm", rect(x0, y0, x0+w, y0+h))
	if box, err := outline.RoundedRect(w, h, 0); err == nil {
		s.bead(d, box.Moved(x0, y0))
	}
	gap := math.Max(s.Result.Gap.W, s.Result.Gap.H)
	if s.Problem.Carried {
		s.carried(d, x0, y0)
	} else {
		s.screws(d, setting.Spread(w, h, s.Sides), outline.Point{X: x0, Y: y0}, gap)
	}
	switch s.Family.Seal {
	case "gasket":
		if s.Problem.Gasket.Kind != fit.None {
			m := 0.0
			if r, ok := s.Problem.Readings[reading.Ledge]; ok && s.Problem.Gasket.Kind == fit.Flat {
				m = math.Max(0, (r.Value-gap)/2)
			}
			d.loop("gasket", LayerGasket, "gasket, joint at the lower hinge corner", rect(x0+m, y0+m, x0+w-m, y0+h-m))
		}
		s.brackets(d, x0, y0, w, h, gap)
	case "putty", "bead", "glued-bead":
		for i, b := range setting.Blocks(w, h, s.Problem.Thickness, gap) {
			d.loop(fmt.Sprintf("block-%d", i+1), LayerBlock, "setting block",
				rect(x0+b.At-b.Length/2, y0-b.Height, x0+b.At+b.Length/2, y0))
		}
		points := setting.Points(w, h)
		if s.Family.Fixing == "none" { // glue leaves nothing to draw along the glass
			points = nil
		}
		for i, p := range points {
			d.add(Item{ID: fmt.Sprintf("point-%d", i+1), Kind: Circle, Layer: LayerFixing, Radius: math.Max(1.5, 0.006*w),
				Points: []outline.Point{{X: x0 + p.X, Y: y0 + p.Y}}, Label: fmt.Sprintf("%s %d", s.Family.Fixing, i+1)})
		}
	}
}

// brackets draws each bracket with its screw and its number in the order of
// tightening.
func (s Scene) brackets(d *Drawing, x0, y0, w, h, gap float64) {
	at := setting.Spread(w, h, s.Sides)
	number := make([]int, len(at))
	for n, i := range setting.Crosswise(at) {
		number[i] = n + 1
	}
	half := math.Max(8, 0.045*math.Min(w, h))
	reach := half
	if r, ok := s.Problem.Readings[reading.Reach]; ok {
		reach = r.Value - gap
	}
	for i, p := range at {
		c := outline.Point{X: x0 + p.X, Y: y0 + p.Y}
		box, screw, num := bracketAt(p, c, w, h, half, reach, gap)
		id := fmt.Sprintf("bracket-%d", i+1)
		label := fmt.Sprintf("bracket %d of %d in the order of tightening", number[i], len(at))
		d.loop(id, LayerFixing, label, box)
		d.add(Item{ID: id + "-screw", Kind: Circle, Layer: LayerFixing, Points: []outline.Point{screw}, Radius: half / 3})
		d.text(id+"-order", LayerOrder, num, half, "middle", fmt.Sprint(number[i]))
	}
}

// bracketAt gives the outline of a bracket on the pane's edge, the middle of
// its screw and the place of its number.
func bracketAt(p, c outline.Point, w, h, half, reach, gap float64) (box []outline.Point, screw, num outline.Point) {
	out := gap + 1.4*half
	switch {
	case p.Y == h: // top
		return rect(c.X-half, c.Y-reach, c.X+half, c.Y+out), outline.Point{X: c.X, Y: c.Y + gap + 0.7*half},
			outline.Point{X: c.X - 1.9*half, Y: c.Y + gap + 0.3*half}
	case p.Y == 0: // bottom
		return rect(c.X-half, c.Y-out, c.X+half, c.Y+reach), outline.Point{X: c.X, Y: c.Y - gap - 0.7*half},
			outline.Point{X: c.X - 1.9*half, Y: c.Y - gap - 1.2*half}
	case p.X == w: // right
		return rect(c.X-reach, c.Y-half, c.X+out, c.Y+half), outline.Point{X: c.X + gap + 0.7*half, Y: c.Y},
			outline.Point{X: c.X + gap + 0.7*half, Y: c.Y + 1.3*half}
	default: // left
		return rect(c.X-out, c.Y-half, c.X+reach, c.Y+half), outline.Point{X: c.X - gap - 0.7*half, Y: c.Y},
			outline.Point{X: c.X - gap - 0.7*half, Y: c.Y + 1.3*half}
	}
}

// stamp puts the mark into the corner where it belongs, so that the new pane
// goes in the same way up.
func (s Scene) stamp(d *Drawing, q []outline.Point) {
	at, ok := map[string]int{"lower-left": 0, "lower-right": 1, "upper-right": 2, "upper-left": 3}[s.Corner]
	if !ok || s.Stamp == "" {
		return
	}
	w, h := q[1].X-q[0].X, q[3].Y-q[0].Y
	p, anchor := q[at], "start"
	p.X, p.Y = p.X+0.14*w, p.Y+0.2*h // clear of the lower width
	if at == 1 || at == 2 {
		p.X, anchor = q[at].X-0.14*w, "end"
	}
	if at >= 2 {
		p.Y = q[at].Y - 0.18*h
	}
	d.text("stamp", LayerNote, p, 0.03*h, anchor, "stamp: "+s.Stamp)
}

// readings puts every dimension of the walk on the drawing, read or not.
func (s Scene) readings(d *Drawing, q []outline.Point) {
	between := func(a, b outline.Point, t float64) outline.Point {
		return outline.Point{X: a.X + (b.X-a.X)*t, Y: a.Y + (b.Y-a.Y)*t}
	}
	across := func(t float64) [2]outline.Point {
		return [2]outline.Point{between(q[3], q[0], t), between(q[2], q[1], t)}
	}
	down := func(t float64) [2]outline.Point {
		return [2]outline.Point{between(q[0], q[1], t), between(q[3], q[2], t)}
	}
	ends := map[reading.Place][2]outline.Point{
		reading.WidthTop: across(0.12), reading.WidthMiddle: across(0.5), reading.WidthBottom: across(0.88),
		reading.HeightLeft: down(0.1), reading.HeightMiddle: down(0.5), reading.HeightRight: down(0.9),
		reading.Rising: {q[0], q[2]}, reading.Falling: {q[3], q[1]},
	}
	s.holeEnds(ends, q)
	odd := map[reading.Place]bool{}
	for _, o := range s.Result.Odd {
		odd[o.Place] = true
	}
	s.dims(d, ends, odd)
}

// dims puts the places of the walk that have ends on the drawing.
func (s Scene) dims(d *Drawing, ends map[reading.Place][2]outline.Point, odd map[reading.Place]bool) {
	for _, i := range s.Problem.Walk() {
		e, ok := ends[i.Place]
		if !ok {
			continue
		}
		item := Item{ID: "reading-" + string(i.Place), Kind: Dim, Layer: LayerReading, Points: e[:], Place: string(i.Place),
			State: "empty", Label: i.Name + ", not read yet"}
		if r, ok := s.Problem.Readings[i.Place]; ok {
			item.State, item.Text = "read", length.Show(r.Value, s.Unit).Main
			item.Label = i.Name + ", " + item.Text + " " + string(s.Unit)
			if odd[i.Place] {
				item.State = "odd"
				item.Label += ", does not fit the rest"
			}
		}
		d.add(item)
	}
}
