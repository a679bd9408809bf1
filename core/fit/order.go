package fit

import (
	"fmt"
	"math"

	"freshshard/core/fault"
	"freshshard/core/length"
)

// bounds are the largest pane that keeps its clearances and the smallest that
// keeps its bite, each at the worst: the opening at its
// least or most, the pane at the end of the cutter's band, off the middle,
// cold and hot.
func (s bounding) bounds(a axis) note {
	p := s.p
	if a.lifted != nil {
		return a.lifted.note()
	}
	_, hot, cold := p.allowance(a.Nominal)
	need := math.Max(p.Limits.Clearance.V, p.Limits.HotClearance.V-math.Min(hot, cold))
	n := note{
		largest:  a.Low - a.skew - 2*(need+p.seated()+p.webDoubt()) - s.band.Half,
		smallest: math.Inf(-1),
	}
	covers := func(r length.Reading, least float64) {
		opens := math.Max(0, math.Max(hot, cold))
		gap := r.Value - r.Doubt - least - p.OffCentre - opens
		n.smallest = math.Max(n.smallest, a.High-2*gap+s.band.Half)
	}
	if reach, ok := s.reach(); ok && !p.Rule().Plate {
		covers(reach, p.Limits.Bite.V)
	}
	if ledge, least, ok := s.bears(); ok {
		covers(ledge, least.V)
	}
	n.fits = n.smallest <= n.largest+1e-9 // met exactly is met
	return n
}

// order is the size to ask for: the largest that keeps the clearances that the
// trade likes at the worst, as long as it keeps its bite too,
// rounded down to what a cutter can set. Where no size keeps both it takes the
// middle, within what goes in and stays.
func (s bounding) order(a axis) (float64, note) {
	n := s.bounds(a)
	if b, ok := ringing(s).bodyOf(a); ok {
		return b.Value, n
	}
	step := s.step()
	best := math.Min(n.largest, s.nominal(a))
	if !n.fits {
		best = math.Min((n.largest+n.smallest)/2, s.nominal(a))
		if a.lifted == nil {
			m := s.must(a)
			n.must = &m
			if best = m.within(best); !m.fits {
				best = math.Min(best, s.goesIn(a))
			}
		}
	}
	of := n
	if n.must != nil {
		of = *n.must
	}
	return of.set(best, step), n
}

// set is a size as a cutter sets it: rounded down to the step, or up where down
// would not stay in. Where what goes in and stays is narrower than the step, a
// finer size is better than a broken limit.
func (n note) set(size, step float64) float64 {
	down := math.Floor(size/step+1e-9) * step
	if !n.fits || down >= n.smallest {
		return down
	}
	if up := math.Ceil(n.smallest/step-1e-9) * step; up <= n.largest {
		return up
	}
	return size
}

// goesIn is the largest pane that goes in and stays free at the readings as they
// are.
func (s bounding) goesIn(a axis) float64 {
	_, hot, cold := s.p.allowance(a.Nominal)
	return a.Nominal - a.skew - 2*(math.Max(s.p.Limits.GoesIn.V, s.p.Limits.Binds.V-math.Min(hot, cold))+s.p.seated())
}

// within brings a size to what goes in and stays, or to their middle where
// nothing does both.
func (n note) within(size float64) float64 {
	switch {
	case n.fits:
		return math.Max(n.smallest, math.Min(size, n.largest))
	case math.IsInf(n.smallest, 0):
		return math.Min(size, n.largest)
	}
	return (n.smallest + n.largest) / 2
}

// step is what a cutter sets: half a millimetre, or 1/32 in.
func (s bounding) step() float64 {
	if s.p.Unit == length.IN {
		return length.Inch / 32
	}
	return 0.5
}

// tooSmall says what opening the clearances would need.
func tooSmall(p Problem, w, h axis) error {
	a := w
	if h.Nominal < w.Nominal {
		a = h
	}
	c, _, _ := p.allowance(a.Nominal)
	return fault.New(string(a.Least),
		fmt.Sprintf("an opening %s mm across leaves no pane between clearances of %s mm a side", length.Metric(a.Nominal),
			length.Metric(c+p.seated())),
		fmt.Sprintf("it would need more than %s mm; check the reading, or a thinner gasket", length.Metric(2*(c+p.seated()))))
}

// note gives the band to the ordering rule. The middle of it is ordered: it is
// as far from dropping out as from not going in.
func (k *lift) note() note {
	n := note{largest: (k.sureLow + k.sureHigh) / 2, smallest: k.sureLow, fits: k.sureLow <= k.sureHigh}
	if k.longest {
		n.largest = k.sureHigh
	}
	return n
}
