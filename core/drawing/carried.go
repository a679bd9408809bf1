package drawing

import (
	"fmt"
	"math"

	"freshshard/core/outline"
	"freshshard/core/reading"
)

// carried draws the holes that carry a pane, whose lower left corner lies at x0 and
// y0, and where a rule for holes is broken.
func (s Scene) carried(d *Drawing, x0, y0 float64) {
	for i, hole := range s.Result.Holes {
		d.path(fmt.Sprintf("hole-%d", i+1), LayerFrame, fmt.Sprintf("hole %d of 2, with its bush", i+1), hole.Moved(x0, y0))
		b := hole.Box()
		size := math.Max(8, 0.04*s.Result.Order.W)
		d.text(fmt.Sprintf("screw-%d-order", i+1), LayerOrder, outline.Point{X: x0 + (b.Min.X+b.Max.X)/2,
			Y: y0 + b.Max.Y + size},
			size, "middle", fmt.Sprint(i+1))
	}
	for i, b := range s.Result.Broken {
		d.add(Item{ID: fmt.Sprintf("broken-%d", i+1), Kind: Circle, Layer: LayerClearance, Label: b.Sentence, State: "odd",
			Points: []outline.Point{{X: x0 + b.At.X, Y: y0 + b.At.Y}}, Radius: math.Max(4, 0.02*s.Result.Order.W)})
	}
}

// holeEnds are where the readings of the holes lie, as read or about where they
// will be.
func (s Scene) holeEnds(ends map[reading.Place][2]outline.Point, q []outline.Point) {
	if !s.Problem.Carried {
		return
	}
	w, h := q[1].X-q[0].X, q[3].Y-q[0].Y
	value := func(p reading.Place, otherwise float64) float64 {
		if r, ok := s.Problem.Readings[p]; ok {
			return r.Value
		}
		return otherwise
	}
	x0, y0 := q[0].X, q[0].Y
	if s.Result.Ready {
		x0, y0 = x0+(w-s.Result.Order.W)/2, y0+(h-s.Result.Order.H)/2
	}
	x := x0 + value(reading.HoleSide, 0.22*w)
	far := x + value(reading.HoleApart, 0.56*w)
	y := y0 + value(reading.HoleUp, 0.12*h)
	half := value(reading.HoleAcross, 0.06*w) / 2
	ends[reading.HoleSide] = [2]outline.Point{{X: x0, Y: y}, {X: x, Y: y}}
	ends[reading.HoleApart] = [2]outline.Point{{X: x, Y: y}, {X: far, Y: y}}
	ends[reading.HoleUp] = [2]outline.Point{{X: far, Y: y0}, {X: far, Y: y}}
	ends[reading.HoleAcross] = [2]outline.Point{{X: x - half, Y: y + 3*half}, {X: x + half, Y: y + 3*half}}
}
