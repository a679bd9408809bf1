package setting

import (
	"fmt"
	"math"

	"freshshard/core/outline"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Block is one setting block under a standing pane, all in mm. At is its
// middle, from the pane's lower left corner along the bottom edge.
type Block struct {
	At     float64 `json:"at"`
	Length float64 `json:"length"`
	Width  float64 `json:"width"`
	Height float64 `json:"height"`
}

const (
	// Length of an 80 to 90 Shore rubber block: 0.1 in per square foot of
	// glass, at least 4 in. GANA Glazing Manual, from memory.
	blockPerArea = 0.1 * 25.4 / (304.8 * 304.8)
	blockLeast   = 100.0
	// A small pane has blocks in proportion, never more than a fifth of its
	// side. Common practice, no source.
	blockShare = 1.0 / 5
	// A block is wider than the pane, so that the whole edge stands on it.
	// Common practice, no source.
	blockOver = 1.5
)

// Blocks are the two setting blocks at the quarter points of a w × h pane of
// the given thickness; clearance is the edge clearance that they keep.
func Blocks(w, h, thickness, clearance float64) []Block {
	length := min(max(blockLeast, blockPerArea*w*h), blockShare*w)
	b := Block{Length: length, Width: thickness + blockOver, Height: clearance}
	left, right := b, b
	left.At, right.At = w/4, w*3/4
	return []Block{left, right}
}

const (
	// Points stand within 100 mm of each corner and at most 200 mm apart, two
	// to a side at least. Common practice, no source.
	pointFromCorner = 100.0
	pointApart      = 200.0
)

// PointsOn is how many points a side of the given length takes, and where, in
// mm from its start.
func PointsOn(side float64) []float64 {
	inset := min(pointFromCorner, side/4)
	gaps := int(math.Max(1, math.Ceil((side-2*inset)/pointApart-1e-9)))
	at := make([]float64, gaps+1)
	for i := range at {
		at[i] = inset + (side-2*inset)*float64(i)/float64(gaps)
	}
	return at
}

// Points are the places of all points or brads round a w × h pane.
func Points(w, h float64) []outline.Point {
	var at []outline.Point
	for _, x := range PointsOn(w) {
		at = append(at, outline.Point{X: x, Y: h}, outline.Point{X: x, Y: 0})
	}
	for _, y := range PointsOn(h) {
		at = append(at, outline.Point{X: 0, Y: y}, outline.Point{X: w, Y: y})
	}
	return at
}

// BlockFigure is the setting blocks' length with its working.
func BlockFigure(w, h, thickness, clearance float64) working.Figure {
	b := Blocks(w, h, thickness, clearance)[0]
	return working.Figure{
		Key: "block_length", Value: b.Length, Unit: "mm", Verdict: working.Note,
		Sentence: fmt.Sprintf("long, two setting blocks at the quarter points, %s mm from each side; %s mm wide, %s mm high",
			working.Num(b.At, 0), working.Num(b.Width, 1), working.Num(b.Height, 1)),
		Working: working.Of("min(max({m}, {k} × {A}), {W} / 5)", b.Length, "mm",
			working.In("m", "least length of a block", blockLeast, "mm", value.Std("GANA Glazing Manual")),
			working.In("k", "length per square metre of glass, 0.1 in per square foot", blockPerArea*1e6, "mm/m²",
				value.Std("GANA Glazing Manual")),
			working.In("A", "area of the pane", w*h/1e6, "m²", value.Sum()),
			working.In("W", "width of the pane", w, "mm", value.Sum())).With("A small pane takes blocks in proportion, never " +
			"more than a fifth of its side: common practice, no source."),
	}
}

// PointFigure is the number of points or brads with its working.
func PointFigure(w, h float64, fixing string) working.Figure {
	n := float64(len(Points(w, h)))
	return working.Figure{
		Key: "points", Value: n, Unit: fixing + "s", Verdict: working.Note,
		Sentence: "as drawn, within 100 mm of each corner and at most 200 mm apart",
		Working: working.Of("2 × {a} + 2 × {b}", n, fixing+"s",
			working.In("a", "on the top and on the bottom, each", float64(len(PointsOn(w))), "", value.Custom()),
			working.In("b", "on the left and on the right, each", float64(len(PointsOn(h))), "", value.Custom())),
	}
}
