package strength

import (
	"math"

	"freshshard/core/fault"
)

// Held says which sides of a pane are held; nothing said is all four. Width and
// height are those of the pane as it stands.
type Held string

// How a pane is held.
const (
	Four    Held = ""
	Three   Held = "three"   // free along its width, as a pane that slides down
	Two     Held = "two"     // held above and below, its sides free
	Round   Held = "round"   // all round at its edge, the width across
	Clamped Held = "clamped" // the same, so firmly that the edge cannot turn
)

// Span is the length over which a pane bends, mm.
func (h Held) Span(width, height float64) float64 {
	switch h {
	case Three, Round, Clamped:
		return width
	case Two:
		return height
	}
	return math.Min(width, height)
}

// Even is what an even load q, kPa, does to a pane as it is held.
func (h Held) Even(s Sheet, width, height, q float64) (Bent, error) {
	switch h {
	case Four:
		return s.FourSides(width, height, q)
	case Three:
		return s.ThreeSides(width, height, q)
	case Two:
		return s.TwoSides(height, width, q)
	case Round, Clamped:
		return s.Circle(width, q, h == Clamped)
	}
	return Bent{}, h.unknown()
}

// Push is what a force, N, on a square patch, its side in mm, does at the worst
// place of a pane as it is held.
func (h Held) Push(s Sheet, width, height, force, patch float64) (Bent, error) {
	switch h {
	case Four:
		return s.Push(math.Max(width, height), math.Min(width, height), force, patch)
	case Three:
		return s.PushEdge(width, height, force, patch, false)
	case Two:
		return s.PushEdge(height, width, force, patch, true)
	case Round, Clamped:
		return s.PushRound(width, force, patch)
	}
	return Bent{}, h.unknown()
}

// Seat is the stress of a pane pressed onto a seat out of flat by warp, mm: of a
// rectangle one corner out of its plane, of a round seat the greatest gap on a
// flat plate, which is twice the height of its saddle.
func (h Held) Seat(s Sheet, width, height, warp float64) (float64, error) {
	switch h {
	case Four, Three, Two:
		return s.Warped(width, height, warp)
	case Round, Clamped:
		return s.WarpedRound(width, warp/2)
	}
	return 0, h.unknown()
}

func (h Held) unknown() error {
	return fault.New("held",
		"a pane is held on four sides, on three with its width free, on two above and below, round, or clamped round",
		"use three, two, round or clamped, or leave it out for four")
}
