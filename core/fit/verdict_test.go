package fit

import (
	"math"
	"testing"

	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
)

// bounded is an opening of a bead-held pane with every doubt and growth known.
func bounded(t *testing.T, change func(*Problem)) note {
	t.Helper()
	p := problem(t, "bead-brads", nil)
	p.Readings = map[reading.Place]length.Reading{reading.WidthTop: {Value: 300}, reading.HeightLeft: {Value: 200},
		reading.Ledge: {Value: 10}}
	p.Frame.Alpha, p.Pane.Alpha, p.Cutter, p.OffCentre = 0, 0, Saw, 0
	change(&p)
	s := solver{p: p}
	s.band = bandOf(p.Cutter, p.Thickness)
	w, _, ok, err := s.axes(&Result{})
	if err != nil || !ok {
		t.Fatal(err)
	}
	return bounding{s}.bounds(w)
}

// The largest pane that goes in and the smallest that is held, and which way
// each doubt moves them.
func TestBoundsOfTheOrder(t *testing.T) {
	plain := bounded(t, func(*Problem) {})
	p := problem(t, "bead-brads", nil)
	band := bandOf(Saw, p.Thickness).Half
	// 300 less two clearances and the band; 300 less what the ledge has over the
	// bite on each side, and the band.
	if want := 300 - 2*p.Limits.Clearance.V - band; math.Abs(plain.largest-want) > 1e-9 {
		t.Errorf("the largest is %v, want %v", plain.largest, want)
	}
	if want := 300 - 2*(10-p.Limits.Bite.V) + band; math.Abs(plain.smallest-want) > 1e-9 {
		t.Errorf("the smallest is %v, want %v", plain.smallest, want)
	}
	for _, c := range []struct {
		name              string
		change            func(*Problem)
		largest, smallest float64 // how they move
	}{
		{"a wider ledge", func(p *Problem) { p.Readings[reading.Ledge] = length.Reading{Value: 11} }, 0, -2},
		{"a doubt of the ledge", func(p *Problem) { p.Readings[reading.Ledge] = length.Reading{Value: 10, Doubt: 0.5} }, 0,
			1},
		{"off the middle", func(p *Problem) { p.OffCentre = 0.5 }, 0, 1},
		{"more bite wanted", func(p *Problem) { p.Limits.Bite.V++ }, 0, 2},
		{"more clearance wanted", func(p *Problem) { p.Limits.Clearance.V++ }, -2, 0},
		{"a doubt of the width", func(p *Problem) { p.Readings[reading.WidthTop] = length.Reading{Value: 300, Doubt: 1} },
			-1, 1},
	} {
		n := bounded(t, c.change)
		if math.Abs(n.largest-plain.largest-c.largest) > 1e-9 || math.Abs(n.smallest-plain.smallest-c.smallest) > 1e-9 {
			t.Errorf("%s moves them by %v and %v, want %v and %v", c.name, n.largest-plain.largest, n.smallest-plain.smallest,
				c.largest, c.smallest)
		}
	}
	if n := bounded(t, func(p *Problem) { p.Readings[reading.Ledge] = length.Reading{Value: 4} }); n.fits {
		t.Error("a ledge narrower than the bite fits")
	}
}

// Being off the middle never holds a pane better, and never lets it in better.
func TestOffTheMiddleNeverHelps(t *testing.T) {
	hold := func(off float64) float64 {
		p := square(t, 1)
		p.Readings[reading.Ledge] = length.Reading{Value: 8, Doubt: 0.5}
		p.OffCentre = off
		_, h, _, _ := sharesOf(t, p, outline.Size{W: 294.5, H: 194.5}, 50000)
		return h
	}
	last := hold(0)
	for _, off := range []float64{0.5, 1, 2} {
		now := hold(off)
		if now > last+1e-9 {
			t.Errorf("%v mm off the middle holds %v, %v less", off, now, last)
		}
		last = now
	}
	if hold(2) > hold(0)-0.05 {
		t.Error("being 2 mm off the middle changes nothing")
	}
}
