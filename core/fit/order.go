package fit

import (
	"fmt"
	"math"

	"freshshard/core/fault"
	"freshshard/core/length"
)

// note says how the ordered size came about.
type note struct {
	largest  float64 // that still has its clearance with everything at its bad end
	smallest float64 // that still has its bite and its rest; −Inf while they are unknown
	fits     bool    // there is a size that has both
}

// bounds are the largest pane that keeps its clearances and the smallest that
// keeps its bite, each with everything at its bad end: the opening at its
// least or most, the pane at the end of the cutter's band, off the middle,
// cold and hot.
func (s solver) bounds(a axis) note {
	p := s.p
	if a.lifted != nil {
		return a.lifted.note()
	}
	_, hot, cold := p.allowance(a.nominal)
	need := math.Max(p.Limits.Clearance.V, p.Limits.HotClearance.V-math.Min(hot, cold))
	n := note{
		largest:  a.low - a.skew - 2*(need+p.seated()+p.webDoubt()) - s.band.Half,
		smallest: math.Inf(-1),
	}
	covers := func(r length.Reading, least float64) {
		opens := math.Max(0, math.Max(hot, cold))
		gap := r.Value - r.Doubt - least - p.OffCentre - opens
		n.smallest = math.Max(n.smallest, a.high-2*gap+s.band.Half)
	}
	if reach, ok := s.reach(); ok {
		covers(reach, p.Limits.Bite.V)
	}
	if ledge, least, ok := s.bears(); ok {
		covers(ledge, least.V)
	}
	n.fits = n.smallest <= n.largest+1e-9 // met exactly is met
	return n
}

// order is the size to ask for: the largest that keeps its clearances with
// everything at its bad end, as long as it keeps its bite too, rounded down to
// what a cutter can set. Where no size keeps both it takes the middle, so that
// neither is broken by more than it must be.
func (s solver) order(a axis) (float64, note) {
	n := s.bounds(a)
	if b, ok := s.bodyOf(a); ok {
		return b.Value, n
	}
	step := s.step()
	best := math.Min(n.largest, s.nominal(a))
	if !n.fits {
		best = math.Min((n.largest+n.smallest)/2, s.nominal(a))
	}
	down := math.Floor(best/step+1e-9) * step
	if n.fits && down < n.smallest {
		// The band is narrower than the step: a finer size is better than a
		// broken limit.
		down = best
	}
	return down, n
}

// step is what a cutter sets: half a millimetre, or 1/32 in.
func (s solver) step() float64 {
	if s.p.Unit == length.IN {
		return length.Inch / 32
	}
	return 0.5
}

// tooSmall says what opening the clearances would need.
func tooSmall(p Problem, w, h axis) error {
	a := w
	if h.nominal < w.nominal {
		a = h
	}
	c, _, _ := p.allowance(a.nominal)
	return fault.New(string(a.least),
		fmt.Sprintf("an opening %s mm across leaves no pane between clearances of %s mm a side", length.Metric(a.nominal), length.Metric(c+p.seated())),
		fmt.Sprintf("it would need more than %s mm; check the reading, or a thinner gasket", length.Metric(2*(c+p.seated()))))
}
