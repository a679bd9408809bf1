package fit

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/working"
)

// holed is a pane of 400 × 300 mm that two holes of 10 mm carry, 40 mm up.
func holed(t *testing.T, side, apart, up float64) (Problem, error) {
	t.Helper()
	p := problem(t, "two-holes", nil)
	p.Carried, p.Thickness = true, 6
	p.Readings = map[reading.Place]length.Reading{reading.WidthTop: {Value: 404}, reading.HeightLeft: {Value: 304},
		reading.OldWidth: {Value: 400}, reading.OldHeight: {Value: 300}, reading.HoleAcross: {Value: 10},
		reading.BushAcross: {Value: 8}, reading.HoleSide: {Value: side}, reading.HoleApart: {Value: apart},
		reading.HoleUp: {Value: up}}
	p.Pattern = true
	_, err := Solve(p)
	return p, err
}

// A hole lies in the pane: just inside, at its edge and beyond, both ways.
func TestHolesLieInThePane(t *testing.T) {
	p, err := holed(t, 60, 250, 40)
	if err != nil {
		t.Fatal(err)
	}
	r := solve(t, p)
	w, h := r.Order.W, r.Order.H
	for _, c := range []struct {
		apart, up float64
		field     reading.Place
	}{{w - 65.1, 40, ""}, {w - 65, 40, reading.HoleApart}, {w - 64.9, 40, reading.HoleApart}, {250, h - 5.1, ""},
		{250, h - 5, reading.HoleUp}, {250, h - 4.9, reading.HoleUp}} {
		_, err := holed(t, 60, c.apart, c.up)
		if f := fault.Of(err); (f == nil) != (c.field == "") || f != nil && f.Field != string(c.field) {
			t.Errorf("%+v of %v × %v: %v", c, w, h, err)
		}
	}
	// The furnace's rules hold for what goes through it, and for nothing else: 35 mm of glass to
	// the lower edge is enough for 6 mm, 3 mm is not.
	for _, c := range []struct {
		cutter Cutter
		up     float64
		broken bool
	}{{Toughened, 8, true}, {Toughened, 40, false}, {ShopCut, 8, false}, {HandCut, 8, false}, {Saw, 8, false}} {
		p, err := holed(t, 60, 250, c.up)
		if err != nil {
			t.Fatal(err)
		}
		p.Cutter = c.cutter
		if r := solve(t, p); (len(r.Broken) > 0) != c.broken {
			t.Errorf("%+v: %+v", c, r.Broken)
		}
	}
}

// A shape's box is read once each way; a side that may be off by so much makes its width off by
// twice that, either way.
func TestAxesOfAShape(t *testing.T) {
	outer, err := outline.RoundedRect(400, 300, 20)
	if err != nil {
		t.Fatal(err)
	}
	for _, doubt := range []float64{0, 0.5, 1.5} {
		w, h := opening{outline: outline.Outline{Outer: outer}, doubt: doubt}.axes()
		for want, a := range map[float64]axis{400: w, 300: h} {
			if a.Nominal != want || a.Widest != want || a.Doubt != 2*doubt || a.Low != want-2*doubt ||
				a.High != want+2*doubt || a.Read != 1 {
				t.Errorf("±%v: %+v", doubt, a)
			}
		}
	}
}

// An order of height is sure, or goes in and stays nearly always, or neither: just inside, at
// and just outside of what must be.
func TestWordsOfAHeight(t *testing.T) {
	k := &lift{mustLow: 500, mustHigh: 510, sureLow: 503, sureHigh: 507}
	for _, c := range []struct {
		v    float64
		fits bool
		want string
		says working.Verdict
	}{{505, true, "order this height", working.Note}, {499.9, true, "order this height", working.Note},
		{500, false, "goes in and stays", working.Note}, {505, false, "goes in and stays", working.Note},
		{510, false, "goes in and stays", working.Note}, {499.99, false, "no height is sure", working.Warn},
		{510.01, false, "no height is sure", working.Warn}} {
		f := k.orderFigure(c.v, note{fits: c.fits})
		if !strings.Contains(f.Sentence, c.want) || f.Verdict != c.says || c.fits && f.Sentence != c.want {
			t.Errorf("%+v: %s %q", c, f.Verdict, f.Sentence)
		}
	}
}

// What lies behind the pane takes room from it: rubber as it seats, a bed, a bead, or nothing.
// Where a bead lies the pane may stand proud, and the depth says nothing of its thickness.
func TestRoomBehind(t *testing.T) {
	lo, hi := setting.Seated(3)
	for _, c := range []struct {
		id           string
		gasket       Gasket
		behind, room float64
	}{{"clip-heat", Gasket{Kind: None, Free: 3}, 0, 20}, {"clip-heat", Gasket{Kind: Flat, Free: 3}, (lo + hi) / 2,
		20 - (lo+hi)/2}, {"putty-points", Gasket{}, 1.5, 18.5}, {"bead-brads", Gasket{}, 1.5, 18.5},
		{"channel-front", Gasket{}, 0, 20}, {"drop-glass", Gasket{}, 0, 20}, {"bonded-fixed", Gasket{}, 5, 0}} {
		p := problem(t, c.id, map[reading.Place]string{reading.DepthTop: "20"})
		p.Gasket = c.gasket
		if b, r := p.behind(), p.Room(); math.Abs(b-c.behind) > 1e-9 || math.Abs(r-c.room) > 1e-9 {
			t.Errorf("%+v: %v behind, room %v", c, b, r)
		}
	}
}

// The air round a bush is told when both were read, of a pane that is carried.
func TestAirRoundABush(t *testing.T) {
	for _, c := range []struct {
		name    string
		places  map[reading.Place]float64
		carried bool
		told    bool
	}{{"both", map[reading.Place]float64{reading.HoleAcross: 10, reading.BushAcross: 8}, true, true},
		{"the hole alone", map[reading.Place]float64{reading.HoleAcross: 10}, true, false},
		{"the bush alone", map[reading.Place]float64{reading.BushAcross: 8}, true, false},
		{"not carried", map[reading.Place]float64{reading.HoleAcross: 10, reading.BushAcross: 8}, false, false}} {
		p := problem(t, "two-holes", nil)
		p.Carried = c.carried
		for place, v := range c.places {
			p.Readings[place] = length.Reading{Value: v}
		}
		f := (carrying{solver{p: p}}).bush()
		if (len(f) > 0) != c.told || len(f) > 0 && f[0].Value != 1 {
			t.Errorf("%s: %+v", c.name, f)
		}
	}
}
