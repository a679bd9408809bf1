package fit

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// What the trade likes is a least, as is what must be had.
func TestWishIsALeast(t *testing.T) {
	seen := 0
	r := solve(t, problem(t, "bead-brads", map[reading.Place]string{reading.WidthTop: "300", reading.WidthBottom: "300",
		reading.HeightLeft:  "200",
		reading.HeightRight: "200", reading.Ledge: "6"}))
	for _, f := range r.Figures {
		if f.Wish != nil {
			seen++
			if f.Wish.Sense != working.AtLeast || f.Limit.Sense != working.AtLeast || f.Wish.Value <= f.Limit.Value {
				t.Errorf("%s: likes %+v, must have %+v", f.Key, f.Wish, f.Limit)
			}
		}
	}
	if seen == 0 {
		t.Error("nothing is liked")
	}
}

// A tube that stands in each socket exactly as deep as it must, as read, asks to
// look again; a hair less and it stops.
func TestTubeAtItsLimit(t *testing.T) {
	for _, c := range []struct {
		stop string
		want working.Verdict
	}{{"10.5 ±0", working.Warn}, {"9.9 ±0", working.Stop}, {"20 ±0", working.Good}} {
		p := problem(t, "gauge-tube", map[reading.Place]string{reading.Faces: "250 ±0", reading.StopDepth: c.stop,
			reading.TubeOutside: "12.7 ±0",
			reading.TubeWall:    "2.4 ±0"})
		p.Limits.Bite.V, p.Limits.Stays.V = 5, 5
		r := solve(t, p)
		f := figure(t, r, "engage_ends")
		each := (r.Order.H - 250) / 2
		if f.Verdict != c.want {
			t.Errorf("stop of %s: %s, order %v, %v in each", c.stop, f.Verdict, r.Order.H, each)
		}
	}
	p := problem(t, "gauge-tube", map[reading.Place]string{reading.Faces: "250 ±0", reading.StopDepth: "14 ±0",
		reading.TubeOutside: "12.7 ±0",
		reading.TubeWall:    "2.4 ±0"})
	if r := solve(t, p); r.Nominal.H != 264 || figure(t, r, "nominal_length").Value != 264 {
		t.Errorf("nominal %v", r.Nominal.H)
	}
}

// A shape stands inside its opening by the larger of both offsets, and the number
// lies at a measure of the shape: the one that is called as the direction, or the
// first.
func TestOffsetOfAShape(t *testing.T) {
	for _, c := range []struct {
		kind  string
		m     outline.Values
		place reading.Place
	}{{"circle", outline.Values{"diameter": 300}, reading.ShapePlace("diameter")},
		{"round-top", outline.Values{"width": 300, "spring": 400, "rise": 150}, reading.ShapePlace("width")}} {
		p := shaped(t, c.kind, 0, c.m)
		r := solve(t, p)
		f := figure(t, r, "order_offset")
		w, h := r.Opening.Outer.Box().Width()-r.Order.W, r.Opening.Outer.Box().Height()-r.Order.H
		if f.Place != string(c.place) || math.Abs(f.Value-math.Max(w, h)/2) > 1e-6 {
			t.Errorf("%s: %v at %s; %v and %v off", c.kind, f.Value, f.Place, w, h)
		}
	}
}

// A drawn outline may be off by up to 50 mm a side, and by a traced line's doubt
// where nobody said.
func TestDrawnDoubt(t *testing.T) {
	path, err := outline.Circle(400)
	if err != nil {
		t.Fatal(err)
	}
	for d, good := range map[float64]bool{0: true, 50: true, 50.1: false, -0.1: false} {
		s := reading.Shape{Kind: reading.Drawn, Drawn: &outline.Outline{Outer: path, Holes: []outline.Path{}}, Doubt: d}
		if err := s.Check("rebate"); (err == nil) != good {
			t.Errorf("%v: %v", d, err)
		}
	}
	if drawnDoubt != length.Traced.Doubt(false) {
		t.Errorf("a drawn side is off by %v", drawnDoubt)
	}
}

// Leaning to the left and to the right are told apart.
func TestLeans(t *testing.T) {
	for side, diagonals := range map[string][2]string{"right": {"506", "494"}, "left": {"494", "506"}} {
		r := solve(t, problem(t, "putty-points", map[reading.Place]string{reading.WidthTop: "400",
			reading.WidthBottom: "400", reading.HeightLeft: "300",
			reading.HeightRight: "300", reading.Ledge: "12", reading.Rising: diagonals[0], reading.Falling: diagonals[1]}))
		if f := figure(t, r, "skew"); !strings.Contains(f.Sentence, "leaning to the "+side) {
			t.Errorf("%v: %s", diagonals, f.Sentence)
		}
	}
}

// A bonded pane lies below the face of its body or stands proud of it, by half a
// millimetre as by ten: 5 mm of glass on 5 of bead.
func TestBelowOrProud(t *testing.T) {
	for depth, want := range map[string]string{"10.5": "lies below", "10": "lies below", "9.5": "stands proud"} {
		p := problem(t, "bonded-fixed", map[reading.Place]string{reading.WidthTop: "600", reading.WidthBottom: "600",
			reading.HeightLeft:  "400",
			reading.HeightRight: "400", reading.Ledge: "20", reading.DepthTop: depth})
		p.Thickness = 5
		if f := figure(t, solve(t, p), "depth"); !strings.Contains(f.Sentence, want) || f.Value > 0.5+1e-9 {
			t.Errorf("depth %s: %v %s", depth, f.Value, f.Sentence)
		}
	}
}

// A flat gasket follows the middle of what the pane covers, a wrapped one its
// edge: the first is the shorter.
func TestGasketFollows(t *testing.T) {
	length := func(kind GasketKind) float64 {
		p := problem(t, "clip-heat", stove())
		p.Gasket = Gasket{Kind: kind, Free: 3}
		return figure(t, solve(t, p), "gasket_length").Value
	}
	r := solve(t, problem(t, "clip-heat", stove()))
	edge := 2 * (r.Order.W + r.Order.H) * 1.02
	if flat := length(Flat); flat > edge-20 || flat < edge-8*16 {
		t.Errorf("flat %v, the edge %v", flat, edge)
	}
	if wrapped := length(Wrapped); wrapped < edge-40 {
		t.Errorf("wrapped %v, the edge %v", wrapped, edge)
	}
}

// One draw is a draw.
func TestOneDraw(t *testing.T) {
	p := problem(t, "clip-heat", stove())
	p.Draws = 1
	if r := solve(t, p); r.Chance == nil {
		t.Error("no odds of one draw")
	}
	p.Draws = 0
	if r := solve(t, p); r.Chance != nil {
		t.Error("odds of none")
	}
}
