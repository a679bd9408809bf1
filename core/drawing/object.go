package drawing

import (
	"fmt"
	"math"
	"strconv"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// Spot is where a pane is on its object, as shares of the object's face: x to
// the right and y down from its upper left corner. Depth counts panes that lie
// behind one another, 0 for the one in front.
type Spot struct {
	X     float64 `json:"x" minimum:"0" maximum:"1"`
	Y     float64 `json:"y" minimum:"0" maximum:"1"`
	W     float64 `json:"w" minimum:"0" maximum:"1"`
	H     float64 `json:"h" minimum:"0" maximum:"1"`
	Depth int     `json:"depth" minimum:"0" maximum:"9"`
}

// Least and most of a spot's place and sides, as shares of the face: what is
// smaller cannot be tapped.
const spotLeast = 0.04

// Check refuses a spot that is off the object or too small to be tapped.
func (s Spot) Check() error {
	for _, c := range []struct {
		field       string
		v, from, to float64
	}{{"x", s.X, 0, 1 - spotLeast}, {"y", s.Y, 0, 1 - spotLeast}, {"w", s.W, spotLeast, 1 - s.X + 1e-9},
		{"h", s.H, spotLeast, 1 - s.Y + 1e-9}} {
		if !(c.v >= c.from && c.v <= c.to) {
			return fault.New(c.field, "the pane would lie off the object, or be too small to tap",
				fmt.Sprintf("from %.0f to %.0f %% is taken here", 100*c.from, 100*c.to))
		}
	}
	return nil
}

// MostPanes is more than any object on a bench has.
const MostPanes = 60

// Layout says how the panes of an object stand: side by side in columns and
// rows, or behind one another.
type Layout struct {
	Across int  `json:"across" minimum:"1" maximum:"20"`
	Down   int  `json:"down" minimum:"1" maximum:"20"`
	Behind bool `json:"behind" doc:"Behind one another, as in a pack; then Across alone counts them"`
}

// Count is how many panes it has.
func (l Layout) Count() int {
	if l.Behind {
		return l.Across
	}
	return l.Across * l.Down
}

// Spots are the places in reading order, from the upper left or from the front.
func (l Layout) Spots() []Spot {
	out := make([]Spot, 0, l.Count())
	if l.Behind {
		step := 0.3 / math.Max(1, float64(l.Across-1))
		for i := range l.Across {
			d := step * float64(i)
			if l.Across == 1 {
				d = 0
			}
			out = append(out, Spot{X: d, Y: 0.3 - d, W: 0.7, H: 0.7, Depth: i})
		}
		return out
	}
	w, h := 1/float64(l.Across), 1/float64(l.Down)
	const gap = 0.12 // of a cell, between panes
	for r := range l.Down {
		for c := range l.Across {
			out = append(out, Spot{X: (float64(c) + gap/2) * w, Y: (float64(r) + gap/2) * h, W: w * (1 - gap), H: h * (1 - gap)})
		}
	}
	return out
}

// ObjectPane is a pane on the drawing of its object.
type ObjectPane struct {
	ID    int64
	Label string // what a screen reader says
	Spot  Spot
	State string // done, now, wait or here
}

// The face of an object is drawn in these units; it has no scale.
const (
	faceW  = 300.0
	faceH  = 190.0
	faceIn = 16.0
)

// Object is the object's face with its panes, numbered in their order. It shows
// where the panes are, not their size.
func Object(panes []ObjectPane) Drawing {
	d := Drawing{Name: "object", Seen: "the object's panes; not to scale"}
	d.loop("face", LayerFrame, "the object", rect(0, 0, faceW, faceH))
	// Spots are shares of this.
	d.loop("room", LayerNote, "where panes can be", rect(faceIn, faceIn, faceW-faceIn, faceH-faceIn))
	at := func(x, y float64) outline.Point {
		return outline.Point{X: faceIn + x*(faceW-2*faceIn), Y: faceH - faceIn - y*(faceH-2*faceIn)}
	}
	// The panes behind are drawn first.
	for depth := 9; depth >= 0; depth-- {
		for i, p := range panes {
			if p.Spot.Depth != depth {
				continue
			}
			a, b := at(p.Spot.X, p.Spot.Y+p.Spot.H), at(p.Spot.X+p.Spot.W, p.Spot.Y)
			d.add(Item{ID: fmt.Sprintf("pane-%d", i+1), Kind: Polyline, Layer: LayerPane, Closed: true,
				Points: rect(a.X, a.Y, b.X, b.Y), Label: p.Label, Place: strconv.FormatInt(p.ID, 10), State: p.State})
			num := outline.Point{X: (a.X + b.X) / 2, Y: (a.Y + b.Y) / 2}
			if anyBehind(panes) { // only the upper right of a pane behind shows
				num = outline.Point{X: b.X - 9, Y: b.Y - 11}
			}
			d.text(fmt.Sprintf("number-%d", i+1), LayerOrder, num, math.Min(16, 0.5*(b.Y-a.Y)), "middle", strconv.Itoa(i+1))
		}
	}
	d.fit(2)
	return d
}

func anyBehind(panes []ObjectPane) bool {
	for _, p := range panes {
		if p.Spot.Depth > 0 {
			return true
		}
	}
	return false
}
