package fit

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// trailer is a clamp-ring window of 600 × 400 in a wall of 26 to 26.6 mm.
func trailer(t testing.TB, more map[reading.Place]string) Problem {
	t.Helper()
	p := problem(t, "clamp-ring", map[reading.Place]string{
		reading.WidthTop: "600 ±0.5", reading.WidthBottom: "600 ±0.5", reading.HeightLeft: "400 ±0.5",
		reading.HeightRight: "400 ±0.5", reading.Ledge: "18 ±0.5",
		reading.BodyWidth: "594 ±0.5", reading.BodyHeight: "394 ±0.5", reading.DepthTop: "26 ±0.1",
		reading.DepthBottom: "26.6 ±0.1",
	})
	r, err := reading.FromTexts(more, length.MM)
	if err != nil {
		t.Fatal(err)
	}
	for k, v := range r {
		p.Readings[k] = v
	}
	return p
}

func solved(t testing.TB, p Problem) (Result, map[string]working.Figure) {
	t.Helper()
	r, err := Solve(p)
	if err != nil {
		t.Fatal(err)
	}
	out := map[string]working.Figure{}
	for _, f := range r.Figures {
		out[f.Key] = f
	}
	return r, out
}

// A clamp-ring window comes as it is: its own size is what the clearances are
// taken from, and no cutter's band is.
func TestRingComesAsItIs(t *testing.T) {
	r, f := solved(t, trailer(t, nil))
	if r.Order != (outline.Size{W: 594, H: 394}) || r.Band.Half != 0.5 || r.Gap != (outline.Size{W: 3, H: 3}) {
		t.Fatalf("%+v, ±%v, gaps %+v", r.Order, r.Band.Half, r.Gap)
	}
	// (600 − 594)/2 = 3 as read, 2.5 at the worst.
	if v := f["clearance_cold"].Value; v < 2.5 || v > 2.8 || f["clearance_cold"].Verdict != working.Good {
		t.Errorf("%+v", f["clearance_cold"])
	}
	if _, ok := f["screw_need"]; ok {
		t.Error("a screw without ring and gap")
	}
	p := trailer(t, map[reading.Place]string{reading.BodyWidth: "599"})
	if _, f := solved(t, p); f["clearance_cold"].Verdict != working.Stop {
		t.Errorf("a body that fills the cutout: %+v", f["clearance_cold"])
	}
	delete(p.Readings, reading.BodyWidth)
	delete(p.Readings, reading.BodyHeight)
	if r, _ := solved(t, p); r.Band.Half == 0.5 && r.Band.Name == "the new frame as it was read" || r.Order.W == 594 {
		t.Errorf("without the frame: %+v", r)
	}
}

// No other size can be had than the frame's own, and no cutter cuts it closer.
func TestOddsOfAFrameAsItComes(t *testing.T) {
	p := trailer(t, map[reading.Place]string{reading.BodyWidth: "597.8 ±1"})
	p.Draws = 2000
	r, _ := solved(t, p)
	if r.Chance.Best != r.Order || r.Chance.All > 0.9 || r.Chance.Most != min(r.Chance.GoesIn, r.Chance.Holds,
		r.Chance.Free) {
		t.Errorf("%+v, ordered %+v", r.Chance, r.Order)
	}
	if h := r.Chance.Help; h != nil && h.Place == "" {
		t.Errorf("asks a cutter: %+v", h)
	}
}

// Screw length = wall + ring − the room for its tip, at the thinnest wall: 26 + 3 − 8, with
// 0.95 of the root of the squares of all four doubts.
// Common practice, no source.
func TestClampScrews(t *testing.T) {
	base := map[reading.Place]string{reading.RingThick: "3 ±0.05", reading.ScrewStop: "8 ±0.1"}
	for _, c := range []struct {
		screw        string
		loose, crush float64
		bad          map[string]working.Verdict
	}{
		{"21 ±0.1", 0.171, 0.771, map[string]working.Verdict{"screw_loose": working.Good, "screw_crush": working.Good}},
		{"23 ±0.1", 2.171, 0, map[string]working.Verdict{"screw_loose": working.Stop, "screw_crush": working.Good}},
		{"19 ±0.1", 0, 2.771, map[string]working.Verdict{"screw_loose": working.Good, "screw_crush": working.Warn}},
	} {
		base[reading.ScrewLength] = c.screw
		_, f := solved(t, trailer(t, base))
		if math.Abs(f["screw_need"].Value-21) > 1e-9 || math.Abs(f["screw_loose"].Value-c.loose) > 1e-3 ||
			math.Abs(f["screw_crush"].Value-c.crush) > 1e-3 {
			t.Errorf("%s: need %v, loose %v, crush %v", c.screw, f["screw_need"].Value, f["screw_loose"].Value,
				f["screw_crush"].Value)
		}
		for k, v := range c.bad {
			if f[k].Verdict != v {
				t.Errorf("%s: %s is %s", c.screw, k, f[k].Verdict)
			}
		}
	}
	base[reading.DepthLeft] = "28 ±0.1"
	if _, f := solved(t, trailer(t, base)); f["wall_spread"].Verdict != working.Warn ||
		f["wall_spread"].Place != string(reading.DepthLeft) {
		t.Errorf("a wall that is 2 mm thicker on one side: %+v", f["wall_spread"])
	}
}

func TestClampWall(t *testing.T) {
	_, f := solved(t, trailer(t, map[reading.Place]string{reading.WallLeast: "25", reading.WallMost: "26.5"}))
	if f["wall_thin"].Verdict != working.Good || f["wall_thick"].Verdict != working.Stop ||
		math.Abs(f["wall_thick"].Value-26.7) > 1e-9 {
		t.Errorf("%+v %+v", f["wall_thin"], f["wall_thick"])
	}
}

// Cover on each side = (new − old)/2 less the shift: (630 − 620)/2 − 2 = 3.
// Common practice, no source.
func TestClampCovers(t *testing.T) {
	read := map[reading.Place]string{reading.FlangeWidth: "630 ±0", reading.MarkWidth: "620 ±0",
		reading.FlangeHeight: "430 ±0", reading.MarkHeight: "424 ±0",
		reading.MarkShift: "2 ±0"}
	_, f := solved(t, trailer(t, read))
	if math.Abs(f["covers_width"].Value-3) > 1e-9 || f["covers_width"].Verdict != working.Good {
		t.Errorf("%+v", f["covers_width"])
	}
	// 3 − 2 = 1 is just enough; a millimetre more of shift is not, but would be on
	// the mark.
	if f["covers_height"].Verdict != working.Good {
		t.Errorf("%+v", f["covers_height"])
	}
	read[reading.MarkShift] = "3 ±0"
	_, f = solved(t, trailer(t, read))
	if g := f["covers_height"]; g.Verdict != working.Warn || g.Value != 0 ||
		!strings.Contains(g.Sentence, "centred on the mark 3.0") {
		t.Errorf("%+v", g)
	}
	// Half a millimetre each side hides the mark when it is centred: looked at again, no stop.
	read[reading.MarkHeight] = "429 ±0"
	delete(read, reading.MarkShift)
	if _, f = solved(t, trailer(t, read)); f["covers_height"].Verdict != working.Warn ||
		math.Abs(f["covers_height"].Value-0.5) > 1e-9 {
		t.Errorf("half a millimetre: %+v", f["covers_height"])
	}
	read[reading.MarkHeight] = "430 ±0"
	if _, f = solved(t, trailer(t, read)); f["covers_height"].Verdict != working.Stop {
		t.Errorf("an old frame as large as the new one: %+v", f["covers_height"])
	}
}

// Two arcs with their centres on the diagonal: with the same radius the gap
// there is √2 times the side's; a cutout 20 mm rounder takes 8.3 off it.
func TestClampCorner(t *testing.T) {
	_, f := solved(t, trailer(t, map[reading.Place]string{reading.BodyCorner: "40 ±0", reading.CutCorner: "40 ±0"}))
	if math.Abs(f["corner_gap"].Value-2.5*math.Sqrt2) > 1e-9 || f["corner_gap"].Verdict != working.Good {
		t.Errorf("%+v", f["corner_gap"])
	}
	_, f = solved(t, trailer(t, map[reading.Place]string{reading.BodyCorner: "40 ±0", reading.CutCorner: "60 ±0"}))
	// By the points themselves: arc centres at R from the cutout's sides and at
	// 2.5 + r from them.
	want := math.Sqrt2*(60-42.5) + 40 - 60
	if math.Abs(f["corner_gap"].Value+want) > 1e-9 || f["corner_gap"].Verdict != working.Stop {
		t.Errorf("%v, by the points %v", f["corner_gap"].Value, -want)
	}
}

// The rough size of a port that is sawn and dressed; one that is ordered
// toughened comes finished. Common practice, no source.
func TestDress(t *testing.T) {
	p := problem(t, "ring-port", map[reading.Place]string{reading.Across0: "250 ±0.1", reading.Across45: "250 ±0.1",
		reading.Across90:  "250 ±0.1",
		reading.Across135: "250 ±0.1", reading.Ledge: "10 ±0.1"})
	for cutter, over := range map[Cutter]float64{Saw: 2, HandCut: 1, ShopCut: 1, Toughened: 0} {
		p.Cutter = cutter
		r, f := solved(t, p)
		g, ok := f["rough_diameter"]
		if ok != (over > 0) || ok && math.Abs(g.Value-r.Order.W-over) > 1e-9 {
			t.Errorf("%s: %+v for %v", cutter, g, r.Order.W)
		}
	}
	p.Sizing = family.Rebate
	p.Readings = trailer(t, nil).Readings
	if _, f := solved(t, p); f["rough_diameter"].Value != 0 {
		t.Error("a rectangle is not dressed")
	}
}

// The band of a frame that comes as it is, is the worse of its two readings;
// the screw is told when both of ring and gap are read.
func TestRingByWhatWasRead(t *testing.T) {
	for _, c := range []struct {
		w, h string
		want float64
	}{{"594 ±0.5", "394 ±1", 1}, {"594 ±1.5", "394 ±1", 1.5}} {
		if r, _ := solved(t, trailer(t, map[reading.Place]string{reading.BodyWidth: c.w,
			reading.BodyHeight: c.h})); r.Band.Half != c.want {
			t.Errorf("%s × %s: ±%v, want %v", c.w, c.h, r.Band.Half, c.want)
		}
	}
	for _, c := range []struct {
		more map[reading.Place]string
		want bool
	}{{map[reading.Place]string{reading.RingThick: "3"}, false}, {map[reading.Place]string{reading.ScrewStop: "4"}, false},
		{map[reading.Place]string{reading.RingThick: "3", reading.ScrewStop: "4"}, true}} {
		_, f := solved(t, trailer(t, c.more))
		if g, ok := f["screw_need"]; ok != c.want || ok && !near(g.Value, 26+3-4, 1e-9) {
			t.Errorf("%v: %v %+v", c.more, ok, g)
		}
	}
	// The wall against what the frame takes, with the doubt of the reading on
	// the bad side: 26 − 0.1 and 26.6 + 0.1.
	for _, c := range []struct {
		key, limit string
		place      reading.Place
		want       working.Verdict
	}{
		{"wall_thin", "25.8", reading.WallLeast, working.Good}, {"wall_thin", "25.9", reading.WallLeast, working.Good},
		{"wall_thin", "25.95", reading.WallLeast, working.Stop},
		{"wall_thick", "26.8", reading.WallMost, working.Good}, {"wall_thick", "26.7", reading.WallMost, working.Good},
		{"wall_thick", "26.65", reading.WallMost, working.Stop},
	} {
		if _, f := solved(t, trailer(t, map[reading.Place]string{c.place: c.limit})); f[c.key].Verdict != c.want ||
			!strings.Contains(f[c.key].Sentence, "that the frame takes") {
			t.Errorf("%s against %s: %+v", c.key, c.limit, f[c.key])
		}
	}
}
