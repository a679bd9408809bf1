package fit

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// shaped is a bead-held opening of a shape, every measure ±0.5.
func shaped(t testing.TB, kind string, count int, m outline.Values) Problem {
	t.Helper()
	p := problem(t, "bead-brads", map[reading.Place]string{reading.Ledge: "12 ±0.3"})
	p.Shape = reading.Shape{Kind: kind, Count: count}
	p.Cutter = HandCut
	for k, v := range m {
		p.Readings[reading.ShapePlace(k)] = length.Reading{Value: v, Doubt: 0.5}
	}
	return p
}

// The clearance of 1.5 mm, half the doubt and half the hand's band of 1 mm go
// off each side; arcs keep their centres.
func TestShapeIsOffset(t *testing.T) {
	p := shaped(t, "rounded", 0, outline.Values{"width": 300, "height": 200, "radius": 20})
	r := solve(t, p)
	if !r.Ready || r.Form != "rounded corners" || r.Order.W != math.Round(r.Order.W*2)/2 {
		t.Fatalf("%+v", r.Order)
	}
	// Per side 1.5 + 0.5 + at most the doubt of a corner; rounded down to 0.5.
	if off := (300 - r.Order.W) / 2; off < 1.5+0.25+0.5 || off > 3.6 || math.Abs((200-r.Order.H)/2-off) > 1e-9 {
		t.Errorf("offset %v", off)
	}
	off := (300 - r.Order.W) / 2
	for _, d := range r.Makes {
		if d.Key == "radius" && math.Abs(d.Value-(20-off)) > 1e-6 {
			t.Errorf("radius %v after %v", d.Value, off)
		}
	}
	want, _ := outline.RoundedRect(300, 200, 20)
	inset, _ := want.Offset(off)
	if math.Abs(r.Pane.Area()-inset.Area()) > 1e-6 {
		t.Errorf("area %v, want %v", r.Pane.Area(), inset.Area())
	}
	if f := figure(t, r, "bite_cold"); f.Verdict != working.Good {
		t.Errorf("%+v", f)
	}
}

// A check that reads 8 mm off names itself; one within the doubts agrees.
func TestMisfitIsNamed(t *testing.T) {
	p := shaped(t, "round-top", 0, outline.Values{"width": 400, "spring": 500, "rise": 120})
	p.Readings[reading.ShapePlace("overall")] = length.Reading{Value: 628, Doubt: 0.5}
	p.Readings[reading.ShapePlace("crown")] = length.Reading{Value: math.Hypot(200, 620) + 0.4, Doubt: 0.5}
	r := solve(t, p)
	f := figure(t, r, "misfit_overall")
	// Limit: 0.5 for the spring, 0.5 for the rise, 0.5 for the check itself.
	if f.Verdict != working.Warn || math.Abs(f.Value-8) > 1e-9 || math.Abs(f.Limit.Value-1.5) > 1e-9 ||
		!strings.Contains(f.Sentence, "the rest says 620") {
		t.Errorf("%+v", f)
	}
	if f := figure(t, r, "misfit_crown"); f.Verdict != working.Good {
		t.Errorf("%+v", f)
	}
}

func TestShapeWaitsForItsMeasures(t *testing.T) {
	r := solve(t, shaped(t, "triangle", 0, outline.Values{"bottom": 400, "right": 300}))
	if r.Ready || len(r.Missing) != 1 || r.Missing[0].Place != "shape_left" {
		t.Errorf("%+v", r.Missing)
	}
	_, err := Solve(shaped(t, "triangle", 0, outline.Values{"bottom": 900, "right": 300, "left": 300}))
	if f := fault.Of(err); f == nil || f.Field != "shape_bottom" {
		t.Errorf("%v", err)
	}
	_, err = Solve(shaped(t, "raked", 0, outline.Values{"bottom": 400, "right": 300, "top": 400, "left": 300,
		"rising": 800}))
	if f := fault.Of(err); f == nil || f.Field != "shape_rising" {
		t.Errorf("%v", err)
	}
}

// Every kind is walked, sized, and smaller than its opening all round.
func TestEveryKindIsSized(t *testing.T) {
	for _, k := range outline.Kinds() {
		m := outline.Values{}
		for _, x := range k.Measures {
			m[x.Key] = map[string]float64{"width": 420, "height": 300, "radius": 25, "cut": 25, "spring": 350, "rise": 150,
				"diameter": 320, "bottom": 400, "right": 310, "top": 390, "left": 300, "rising": 500, "base": 500,
				"notch_from": 120, "notch_width": 90, "notch_depth": 60}[x.Key]
			if x.MayBeNothing() && x.Key != "notch_from" {
				m[x.Key] = 250
			}
		}
		if k.ID == "pointed" {
			m["rise"] = 260
		}
		if k.ID == outline.Points || k.ID == outline.Smooth {
			for i := range 6 {
				a := 2*math.Pi*float64(i)/6 - math.Pi*3/4
				q := outline.Point{X: 250 + 200*math.Cos(a), Y: 300 + 200*math.Sin(a)}
				m[fmt.Sprintf("p%d_a", i+1)], m[fmt.Sprintf("p%d_b", i+1)] = q.To(outline.Point{}), q.To(outline.Point{X: 500})
			}
		}
		r := solve(t, shaped(t, k.ID, 0, m))
		if !r.Ready || len(r.Makes) == 0 {
			t.Fatalf("%s: %+v", k.ID, r.Missing)
		}
		for _, q := range r.Pane.Flatten(0.1) {
			if !r.Opening.Outer.Inside(q) {
				t.Errorf("%s: %v of the pane lies outside", k.ID, q)
			}
		}
		if r.Asked != len(reading.Walk(family.Rebate, reading.Shape{Kind: k.ID})) {
			t.Errorf("%s: asked %d", k.ID, r.Asked)
		}
	}
}

// A traced opening: the line lies inside it by half the pen and the lean.
func TestTracedOutline(t *testing.T) {
	line, _ := outline.RoundedRect(298, 198, 9)
	p := problem(t, "bead-brads", map[reading.Place]string{reading.Ledge: "12 ±0.3", reading.ShapePlace("width"): "305"})
	p.Shape = reading.Shape{Kind: reading.Drawn, Drawn: &outline.Outline{Outer: line, Holes: []outline.Path{}},
		Trace: &outline.Trace{Along: outline.InsideOpening, Pen: 1, Lean: 0.5}}
	r := solve(t, p)
	if b := r.Opening.Outer.Box(); math.Abs(b.Width()-300) > 1e-9 || r.Form != "as drawn" {
		t.Errorf("opening %v, %s", b, r.Form)
	}
	if f := figure(t, r, "misfit_width"); f.Verdict != working.Warn || math.Abs(f.Value-5) > 1e-9 {
		t.Errorf("%+v", f)
	}
}

func TestShapesRefused(t *testing.T) {
	for _, c := range []struct {
		family string
		shape  reading.Shape
		field  string
	}{
		{"bead-brads", reading.Shape{Kind: "cloud"}, "shape.kind"}, {"bead-brads", reading.Shape{Kind: "points", Count: 2},
			"shape.count"},
		{"bead-brads", reading.Shape{Kind: reading.Drawn}, "shape.drawn"},
		{"gauge-tube", reading.Shape{Kind: "circle"}, "shape.kind"}, {"ring-port", reading.Shape{Kind: "pill"}, "shape.kind"},
		{"lift-drop", reading.Shape{Kind: "triangle"}, "shape.kind"},
	} {
		p := problem(t, c.family, nil)
		p.Shape = c.shape
		_, err := Solve(p)
		if f := fault.Of(err); f == nil || f.Field != c.field {
			t.Errorf("%s %+v: %v", c.family, c.shape, err)
		}
	}
}

// Bent plastic: chord 1000, rise 50 gives R 2525, enough for 150 × 6 mm.
func TestBentPane(t *testing.T) {
	p := problem(t, "bead-brads", map[reading.Place]string{reading.WidthTop: "1000", reading.WidthBottom: "1000",
		reading.HeightLeft:  "400",
		reading.HeightRight: "400", reading.Ledge: "20", reading.ChordAcross: "1000", reading.RiseAcross: "50"})
	p.Shape.Curved, p.Thickness = true, 6
	f := figure(t, solve(t, p), "bend_across")
	if math.Abs(f.Value-2525) > 1e-9 || f.Limit != nil || f.Verdict != working.Warn {
		t.Errorf("glass: %+v", f)
	}
	p.ColdBend = &Value{V: 150}
	if f = figure(t, solve(t, p), "bend_across"); f.Verdict != working.Good || f.Limit.Value != 900 {
		t.Errorf("plastic: %+v", f)
	}
	p.Readings[reading.RiseAcross] = length.Reading{Value: 300, Doubt: 1}
	if f = figure(t, solve(t, p), "bend_across"); f.Verdict != working.Stop {
		t.Errorf("tight: %+v", f)
	}
}

// A hole too near the edge of a toughened pane is named, with its place.
func TestBrokenHoleRules(t *testing.T) {
	edge, _ := outline.RoundedRect(400, 300, 0)
	hole, _ := outline.Circle(10)
	for i := range hole {
		hole[i].X, hole[i].Y = hole[i].X+200, hole[i].Y+8
	}
	p := problem(t, "bead-brads", map[reading.Place]string{reading.Ledge: "12"})
	p.Shape = reading.Shape{Kind: reading.Drawn, Drawn: &outline.Outline{Outer: edge, Holes: []outline.Path{hole}},
		Doubt: 0.5}
	if r := solve(t, p); len(r.Broken) != 0 {
		t.Errorf("cut glass is held to the furnace's rules: %+v", r.Broken)
	}
	p.Cutter = Toughened
	r := solve(t, p)
	if len(r.Broken) != 1 || r.Broken[0].Rule != "edge" || figure(t, r, "hole_rule_1").Verdict != working.Stop {
		t.Errorf("%+v", r.Broken)
	}
}
