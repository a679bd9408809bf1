package fit

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/working"
)

// A pane must go in, must not bind hot or cold, and must not fall or be pushed
// out: those limits are held 19 times in 20, and a pane that misses one as read
// is stopped. What the trade likes beyond them is a wish: a quiet note.

// often is how often they are held, in words.
const often = "19 times in 20"

// atWorst is the same where a person reads a number beside the one as read; its working says that
// it is worse once in 20.
const atWorst = "at worst"

// cover is how far what was read lies over the pane's edge as read, mm, with
// the gap that growth opens on each side. A pane that nothing fixes is pushed
// to the other side; one that is fixed may stand a little off its middle. A
// plate that is glued to the pane covers what it covers.
func (s bounding) cover(a axis, pane, reach, opens float64) float64 {
	slack := a.Widest - pane
	switch {
	case s.p.Rule().Plate:
		return reach
	case s.p.Limits.Slides:
		return reach - slack - 2*opens
	}
	return reach - slack/2 - s.p.OffCentre - opens
}

// surely is that cover as it is 19 times in 20.
func (s bounding) surely(a axis, pane float64, reach length.Reading, opens float64) float64 {
	share := 0.5
	switch {
	case s.p.Rule().Plate:
		return reach.Value - reach.Doubt*(1-2*rarely)
	case s.p.Limits.Slides:
		share = 1
	}
	q := doubting(s).overLess(a, spread{reach.Value, reach.Doubt}, share) + share*pane
	return q - (reach.Value - share*(a.Widest-pane)) + s.cover(a, pane, reach.Value, opens)
}

// must are the largest pane that goes in and stays free, and the smallest that
// stays, each 19 times in 20.
func (s bounding) must(a axis) note {
	l := s.p.Limits
	_, hot, cold := s.p.allowance(a.Nominal)
	need := math.Max(l.GoesIn.V, l.Binds.V-math.Min(hot, cold))
	n := note{largest: doubting(s).leastLess(a) - a.skew - 2*(need+s.p.seated()+s.p.webDoubt()),
		smallest: math.Inf(-1)}
	opens := math.Max(0, math.Max(hot, cold))
	over := func(reach length.Reading, least float64) {
		// The smallest pane is the one whose cover is just enough: cover grows
		// with the pane, by all of it where it slides, else by half.
		left := s.surely(a, a.Widest, reach, opens) - least
		switch {
		case s.p.Rule().Plate && left >= 0:
		case s.p.Rule().Plate:
			n.smallest = math.Inf(1)
		case l.Slides:
			n.smallest = math.Max(n.smallest, a.Widest-left)
		default:
			n.smallest = math.Max(n.smallest, a.Widest-2*left)
		}
	}
	if reach, ok := s.reach(); ok {
		over(reach, l.Stays.V)
	}
	if ledge, least, ok := s.bears(); ok {
		over(ledge, least.V)
	}
	n.fits = n.smallest <= n.largest+1e-9
	return n
}

// expected says whether the pane goes in, stays free and stays at the readings
// as they are.
func (s bounding) expected(a axis, pane float64) bool {
	_, hot, cold := s.p.allowance(a.Nominal)
	l, gap := s.p.Limits, s.gap(a, pane)
	ok := gap >= l.GoesIn.V && gap+math.Min(hot, cold) >= l.Binds.V
	opens := math.Max(0, math.Max(hot, cold))
	if reach, has := s.reach(); has {
		ok = ok && s.cover(a, pane, reach.Value, opens) >= l.Stays.V
	}
	if ledge, least, has := s.bears(); has {
		ok = ok && s.cover(a, pane, ledge.Value, opens) >= least.V
	}
	return ok
}

// judged gives a figure its verdict: stopped where the reading itself misses
// what must be had, looked at again where it may, a quiet note where it misses
// what the trade likes.
func judged(f working.Figure, asRead float64, wish Value) working.Figure {
	bad := working.Warn
	if asRead < f.Limit.Value-1e-9 {
		bad = working.Stop
	}
	if f = f.Judge(bad); f.Verdict != working.Good || wish.V <= f.Limit.Value {
		return f
	}
	f.Wish = working.Least(wish.V, f.Unit, wish.Origin)
	if asRead < wish.V-1e-9 {
		f.Verdict = working.Note
		f.Sentence += fmt.Sprintf("; the trade likes %s mm, and this does", length.Metric(wish.V))
	}
	return f
}
