package drawing

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/working"
)

// shaped draws an opening that is no plain rectangle, in its true shape.
func (s Scene) shaped(d *Drawing) {
	open, lines, assumed := s.opening()
	state := ""
	if assumed {
		state = "assumed"
	}
	b := open.Box()
	least := math.Min(b.Width(), b.Height())
	rim := math.Max(26, 0.13*least)
	if around, err := open.Offset(-rim); err == nil {
		d.path("frame", LayerFrame, "frame", around)
	} else {
		d.loop("frame", LayerFrame, "frame", rect(b.Min.X-rim, b.Min.Y-rim, b.Max.X+rim, b.Max.Y+rim))
	}
	d.path("opening", LayerOpening, "opening, wall to wall", open)
	d.Items[len(d.Items)-1].State = state
	if s.Result.Opening != nil {
		for i, h := range s.Result.Opening.Holes {
			d.path(fmt.Sprintf("hole-%d", i+1), LayerFrame, fmt.Sprintf("hole %d", i+1), h)
		}
	}
	if r, ok := s.Problem.Readings[reading.Ledge]; ok && !assumed && 2*r.Value < least {
		if sight, err := open.Offset(r.Value); err == nil {
			d.path("sight", LayerSight, "edge of the daylight", sight)
		}
	}
	if s.Result.Ready {
		s.shapedPane(d, open)
	}
	for i, b := range s.Result.Broken {
		d.add(Item{ID: fmt.Sprintf("broken-%d", i+1), Kind: Circle, Layer: LayerClearance, Points: []outline.Point{b.At},
			Radius: math.Max(4, 0.02*least), Label: b.Sentence, State: "odd"})
	}
	s.dims(d, lines, s.misfits())
	d.text("up", LayerNote, outline.Point{X: (b.Min.X + b.Max.X) / 2, Y: b.Max.Y + rim + 0.045*b.Height()},
		0.04*b.Height(), "middle", "this edge up ↑")
	d.fit(0.02 * b.Width())
}

// opening is the shape as read, or as it is assumed until it is, with where
// its measures lie.
func (s Scene) opening() (outline.Path, map[reading.Place][2]outline.Point, bool) {
	if s.rule().Circle() {
		return s.port()
	}
	lines := map[reading.Place][2]outline.Point{}
	put := func(all map[string]outline.Line) {
		for key, l := range all {
			lines[reading.ShapePlace(key)] = l
		}
	}
	if o := s.Result.Opening; o != nil {
		put(s.Result.Lines)
		return o.Outer, lines, false
	}
	kind, err := outline.KindOf(s.Problem.Shape.Kind, s.Problem.Shape.Count)
	if err != nil { // a drawn outline that is not there yet
		p, _ := outline.RoundedRect(assumedWidth, assumedWidth*assumedShape, 0)
		return p, lines, true
	}
	known := outline.Values{}
	for _, m := range kind.Measures {
		if r, ok := s.Problem.Readings[reading.ShapePlace(m.Key)]; ok {
			known[m.Key] = r.Value
		}
	}
	m, p := kind.Assume(known)
	put(kind.Lines(m, p))
	return p, lines, true
}

// port is a round seat with its four diameters.
func (s Scene) port() (outline.Path, map[reading.Place][2]outline.Point, bool) {
	least := math.Inf(1)
	turns := map[reading.Place]float64{reading.Across0: 0, reading.Across45: 45, reading.Across90: 90,
		reading.Across135: 135}
	for place := range turns {
		if r, ok := s.Problem.Readings[place]; ok {
			least = math.Min(least, r.Value)
		}
	}
	assumed := math.IsInf(least, 1)
	if assumed {
		least = assumedWidth
	}
	p, _ := outline.Circle(least)
	lines := map[reading.Place][2]outline.Point{}
	for place, turn := range turns {
		sin, cos := math.Sincos(turn * math.Pi / 180)
		r := least / 2
		lines[place] = [2]outline.Point{{X: r - r*cos, Y: r - r*sin}, {X: r + r*cos, Y: r + r*sin}}
	}
	return p, lines, assumed
}

// misfits are the checks that the rest speaks against.
func (s Scene) misfits() map[reading.Place]bool {
	out := map[reading.Place]bool{}
	for _, f := range s.Result.Figures {
		if f.Verdict == working.Warn && len(f.Key) > 7 && f.Key[:7] == "misfit_" {
			out[reading.Place(f.Place)] = true
		}
	}
	return out
}

// shapedPane is the pane inside its opening, with what holds it.
func (s Scene) shapedPane(d *Drawing, open outline.Path) {
	pane := s.Result.Pane
	if len(pane) == 0 { // a port
		var err error
		if pane, err = open.Offset((open.Box().Width() - s.Result.Order.W) / 2); err != nil {
			return
		}
	}
	d.path("pane", LayerPane, fmt.Sprintf("%s, %s, %s × %s mm", s.Pane, s.Result.Form, length.Metric(s.Result.Order.W),
		length.Metric(s.Result.Order.H)), pane)
	s.bead(d, pane)
	gap := math.Max(s.Result.Gap.W, s.Result.Gap.H)
	size := math.Max(1.5, 0.006*pane.Box().Width())
	switch {
	case s.Family.Fixing == "point" || s.Family.Fixing == "brad":
		for i, p := range setting.PointsAround(pane) {
			d.add(Item{ID: fmt.Sprintf("point-%d", i+1), Kind: Circle, Layer: LayerFixing, Radius: size,
				Points: []outline.Point{p}, Label: fmt.Sprintf("%s %d", s.Family.Fixing, i+1)})
		}
	case s.Sides.Total() > 0:
		s.screws(d, setting.Around(pane, s.Sides.Total()), outline.Point{}, gap)
	}
}

// screws are the numbered fixings of everything that is tightened and has no
// brackets: round the edge, a little outside it.
func (s Scene) screws(d *Drawing, at []outline.Point, from outline.Point, gap float64) {
	if s.Family.Tightening == "" || s.Family.Seal == "gasket" && s.Problem.Shape.Kind == "" || len(at) == 0 {
		return
	}
	var middle outline.Point
	for _, p := range at {
		middle.X, middle.Y = middle.X+p.X/float64(len(at)), middle.Y+p.Y/float64(len(at))
	}
	size := math.Max(4, 0.018*math.Min(s.Result.Order.W, s.Result.Order.H))
	order := setting.Tighten(at, s.Family.Tightening)
	number := make([]int, len(at))
	for n, i := range order {
		number[i] = n + 1
	}
	for i, p := range at {
		l := math.Max(p.To(middle), 1)
		out := func(by float64) outline.Point {
			return outline.Point{X: from.X + p.X + (p.X-middle.X)/l*by, Y: from.Y + p.Y + (p.Y-middle.Y)/l*by}
		}
		d.add(Item{ID: fmt.Sprintf("screw-%d", i+1), Kind: Circle, Layer: LayerFixing, Radius: size,
			Points: []outline.Point{out(gap + 2*size)}, Label: fmt.Sprintf("%s %d of %d in the order of tightening",
				s.Family.Fixing, number[i], len(at))})
		d.text(fmt.Sprintf("screw-%d-order", i+1), LayerOrder, out(gap+5.5*size), 2*size, "middle", fmt.Sprint(number[i]))
	}
}

// tube draws a gauge tube between its sockets, upright.
func (s Scene) tube(d *Drawing) {
	value := func(p reading.Place, otherwise float64) (float64, bool) {
		if r, ok := s.Problem.Readings[p]; ok {
			return r.Value, true
		}
		return otherwise, false
	}
	f, read := value(reading.Faces, 240)
	stop, _ := value(reading.StopDepth, 14)
	above, _ := value(reading.StopUpper, stop)
	wide, _ := value(reading.TubeOutside, 12)
	half, wall := wide/2, math.Max(8, 0.9*wide)
	state := ""
	if !read {
		state = "assumed"
	}
	for _, b := range []struct {
		id, label string
		y0, y1    float64
	}{{"lower", "lower valve body", -stop - wall, 0}, {"upper", "upper valve body", f, f + above + wall}} {
		d.loop("frame-"+b.id, LayerFrame, b.label, rect(-half-wall, b.y0, half+wall, b.y1))
	}
	d.loop("socket-lower", LayerOpening, "lower socket down to its stop", rect(-half-1, -stop, half+1, 0))
	d.loop("socket-upper", LayerOpening, "upper socket up to its stop", rect(-half-1, f, half+1, f+above))
	d.Items[len(d.Items)-1].State = state
	if s.Result.Ready {
		l := s.Result.Order.H
		y := (f - l) / 2
		d.loop("pane", LayerPane, fmt.Sprintf("%s, tube %s mm long", s.Pane, length.Metric(l)), rect(-half, y, half, y+l))
		// A washer is a ring seen from the side, under its nut.
		for i, at := range []float64{0, f} {
			d.loop(fmt.Sprintf("washer-%d-cut", i+1), LayerGasket, "washer under its nut",
				rect(-half-0.35*wall, at-2, half+0.35*wall, at+2))
		}
	}
	x := half + 1.6*wall
	thick, _ := value(reading.TubeWall, wide/5)
	s.dims(d, map[reading.Place][2]outline.Point{
		reading.Faces: {{X: -x, Y: 0}, {X: -x, Y: f}}, reading.StopDepth: {{X: x, Y: -stop}, {X: x, Y: 0}},
		reading.StopUpper:   {{X: x, Y: f}, {X: x, Y: f + above}},
		reading.TubeOutside: {{X: -half, Y: f * 0.42}, {X: half, Y: f * 0.42}},
		reading.TubeWall:    {{X: half - thick, Y: f * 0.62}, {X: half, Y: f * 0.62}},
	}, nil)
	d.text("up", LayerNote, outline.Point{X: 0, Y: f + above + wall + 0.03*f}, 0.03*f, "middle", "this end up ↑")
	d.fit(0.05 * f)
	// Words stand beside an upright tube: give them room.
	room := 0.25 * d.Box.Height()
	d.Box.Min.X, d.Box.Max.X = d.Box.Min.X-room, d.Box.Max.X+room
}
