package drawing

import (
	"fmt"
	"math"

	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
)

// Measures of the picture of a lift, mm: what a pocket's wall is drawn with,
// how much air stands round the pane, and how far apart the positions are.
const (
	liftWall  = 3.0
	liftAir   = 1.5
	liftPitch = 24.0 // beside the width of a track
)

// Lifted shows a pane that is put up and let down in its three positions, cut
// through from the side: the head up and in, upright above the lower pocket,
// let down. Pockets, pane and what holds are to scale; the middle is taken out.
// It is nil for a pane that is not lifted.
func Lifted(s Scene) *Drawing {
	l := s.Result.Lift
	if l == nil {
		return nil
	}
	d := &Drawing{Name: "lift", Seen: "from the side, cut through"}
	p := lifted{Lift: *l, t: s.Problem.Thickness, pocket: "pocket", s: s}
	if s.rule().Tube() {
		p.t, p.pocket = s.Result.Order.W, "socket"
	}
	p.shown = math.Min(l.Between, 1.2*(l.Upper+l.Lower)+16)
	show := func(v float64) string { return length.Show(v, s.Unit).Main }
	pitch := p.t + 2*(liftAir+liftWall) + liftPitch
	side := p.t/2 + liftAir + liftWall + 1.5
	for n, at := range []struct {
		foot, lean float64 // of the foot above the lower face; towards the person
		name       string
	}{{l.Clear, liftAir, "1 up and in"}, {l.Clear, 0, "2 upright"}, {-l.Foot, 0, "3 let down"}} {
		x := float64(n) * pitch
		p.pockets(d, n+1, x)
		p.pane(d, n+1, x, at.foot, at.lean)
		d.text(fmt.Sprintf("lift-%d-name", n+1), LayerNote, outline.Point{X: x, Y: -l.Lower - liftWall - 5}, 2.5, "middle",
			at.name)
	}
	d.text("lift-clears", LayerClearance, outline.Point{X: pitch + side, Y: 0.6}, 2.5, "start", "clears "+show(l.Clear))
	d.text("lift-head", LayerClearance, outline.Point{X: 2*pitch + side, Y: p.shown + 0.6}, 2.5, "start",
		"head "+show(l.Head))
	d.text("lift-foot", LayerClearance, outline.Point{X: 2*pitch + side, Y: -l.Lower / 2}, 2.5, "start",
		"foot "+show(l.Foot))
	d.fit(2)
	d.Box.Max.X += liftPitch - 8 // the last words
	return d
}

type lifted struct {
	fit.Lift
	t      float64 // of the pane
	shown  float64 // drawn of what lies between the faces
	pocket string
	s      Scene
}

// pockets are both tracks, cut through.
func (p lifted) pockets(d *Drawing, n int, x float64) {
	in := p.t/2 + liftAir
	out := in + liftWall
	u := func(id, label string, face, bottom float64) {
		back := bottom + math.Copysign(liftWall, bottom-face)
		d.add(Item{ID: fmt.Sprintf("lift-%d-%s", n, id), Kind: Polyline, Layer: LayerHatch, Closed: true, Label: label,
			Points: []outline.Point{
				{X: x - out, Y: face}, {X: x - out, Y: back}, {X: x + out, Y: back}, {X: x + out, Y: face},
				{X: x + in, Y: face}, {X: x + in, Y: bottom}, {X: x - in, Y: bottom}, {X: x - in, Y: face}}})
	}
	u("upper", fmt.Sprintf("upper %s, %s mm deep", p.pocket, length.Metric(p.Upper)), p.shown, p.shown+p.Upper)
	u("lower", fmt.Sprintf("lower %s, %s mm deep", p.pocket, length.Metric(p.Lower)), 0, -p.Lower)
}

// pane is the pane with its foot at a height; leaning, the foot stands out by
// as much as the air in the upper pocket lets it.
func (p lifted) pane(d *Drawing, n int, x, foot, lean float64) {
	long := p.Length - (p.Between - p.shown)
	if p.Upper > 0 {
		lean *= long / p.Upper
	}
	h := p.t / 2
	d.loop(fmt.Sprintf("lift-%d-pane-cut", n), LayerPane, p.s.Pane, []outline.Point{
		{X: x - h - lean, Y: foot}, {X: x + h - lean, Y: foot}, {X: x + h, Y: foot + long}, {X: x - h, Y: foot + long}})
	if p.shown >= p.Between {
		return
	}
	for i, y := range []float64{p.shown/2 - 1, p.shown/2 + 1} {
		d.line(fmt.Sprintf("lift-%d-out-%d", n, i+1), LayerFrame, outline.Point{X: x - h - lean/2 - 3, Y: y - 1},
			outline.Point{X: x + h - lean/2 + 3, Y: y + 1})
	}
}
