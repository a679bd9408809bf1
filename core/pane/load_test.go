package pane

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/strength"
	"freshshard/core/working"
)

func roomNeed(t testing.TB, l Load) Need {
	t.Helper()
	e, err := exposure.Book.ByID("room")
	if err != nil {
		t.Fatal(err)
	}
	return Need{Exposure: e, Thickness: 6, Area: l.W * l.H, Load: l}
}

func gateOf(t *testing.T, c Choice, id string) *Closed {
	t.Helper()
	for i := range c.Closed {
		if c.Closed[i].Material == id {
			return &c.Closed[i]
		}
	}
	return nil
}

// A ring 1.2 mm out on a plate: 6 mm glass of 250 takes 70000·6·0.6/(1.22·125²)
// = 13.2 MPa and holds 7.25; plastic takes a thirtieth and stays.
func TestWarpedRingLeadsToPlastic(t *testing.T) {
	c, err := Choose(roomNeed(t, Load{W: 250, H: 250, Held: Round, Warp: 1.2}))
	if err != nil {
		t.Fatal(err)
	}
	g := gateOf(t, c, "annealed")
	if g == nil || g.Gate != "warp" || math.Abs(g.Figure.Value-13.22) > 0.01 ||
		math.Abs(g.Figure.Limit.Value-7.25) > 1e-9 {
		t.Fatalf("%+v", g)
	}
	if !strings.Contains(g.Sentence,
		"the seat is 1.2 mm out of flat; 6 mm would take 13.2 MPa there for good and holds 7.3") &&
		!strings.Contains(g.Sentence, "holds 7.2") {
		t.Error(g.Sentence)
	}
	if gateOf(t, c, "polycarbonate") != nil {
		t.Error("polycarbonate is ruled out")
	}
	if first, err := Book.ByID(c.Open[0].Material); err != nil || !first.Plastic ||
		!strings.Contains(c.Open[0].Sentence, "pressed onto the seat it takes") {
		t.Errorf("first is %s: %s", c.Open[0].Name, c.Open[0].Sentence)
	}
	flat, _ := Choose(roomNeed(t, Load{W: 250, H: 250, Held: Round}))
	if gateOf(t, flat, "annealed") != nil {
		t.Error("a flat seat rules annealed glass out")
	}
}

// A large pane outdoors is made as thick as the gust asks, and no thinner one
// would pass.
func TestThicknessByWind(t *testing.T) {
	n := roomNeed(t, Load{W: 1800, H: 1400, Wind: 40})
	n.Thickness = 3
	c, err := Choose(n)
	if err != nil {
		t.Fatal(err)
	}
	m, _ := Book.ByID("annealed")
	for _, r := range c.Open {
		if r.Material != "annealed" {
			continue
		}
		b, _ := bending{m}.bend(n.Load, n.Load.actions(m, r.Thickness)[0], r.Thickness)
		may, _ := m.allowable(strength.Gust)
		if b.Stress > may || b.Deflection > strength.DeflectionLimit(1400) || r.Thickness <= 3 {
			t.Errorf("%v mm: %+v against %v", r.Thickness, b, may)
		}
		if t2, ok := (bending{m}).carries(n.Load, 2, 0); !ok || t2 != r.Thickness {
			t.Errorf("the thinnest that carries it is %v, taken %v", t2, r.Thickness)
		}
	}
	n.Load = Load{W: 6000, H: 5000, Wind: 60}
	c, err = Choose(n)
	if err != nil || gateOf(t, c, "annealed") == nil || gateOf(t, c, "annealed").Gate != "load" {
		t.Errorf("a wall of glass: %+v, %v", gateOf(t, c, "annealed"), err)
	}
}

// Two plies that slide carry half each: a laminated pane of 6 is stressed as
// two of 3 under half the load, twice what one of 6 takes.
func TestLaminatedIsReckonedByPly(t *testing.T) {
	lam, _ := Book.ByID("laminated")
	one, _ := Book.ByID("annealed")
	l := Load{W: 900, H: 700, Wind: 30}
	a, _ := bending{lam}.bend(l, l.actions(lam, 6)[0], 6)
	b, _ := bending{one}.bend(l, l.actions(one, 6)[0], 6)
	if math.Abs(a.Stress/b.Stress-2) > 1e-9 || math.Abs(a.Deflection/b.Deflection-4) > 1e-9 {
		t.Errorf("%+v and %+v", a, b)
	}
}

func TestLoadFigures(t *testing.T) {
	m, _ := Book.ByID("annealed")
	got := m.LoadFigures(Load{W: 900, H: 700, Wind: 30, Warp: 4}, 4)
	if len(got) != 3 || got[0].Key != "stress_gust" || got[0].Verdict != working.Good || got[1].Key != "bend_gust" ||
		got[2].Verdict != working.Good {
		t.Fatalf("%+v", got)
	}
	for _, f := range got {
		if f.Working.Formula == "" || !strings.Contains(f.Working.Values, " = ") || f.Limit == nil {
			t.Errorf("%+v", f)
		}
	}
	if len(m.LoadFigures(Load{}, 4)) != 0 {
		t.Error("numbers without a load")
	}
}

// More wind never asks for less glass, a worse seat never opens a gate.
func TestLoadsAreMonotone(t *testing.T) {
	m, _ := Book.ByID("annealed")
	last := 0.0
	for v := 5.0; v < 60; v += 2.5 {
		c, ok := bending{m}.carries(Load{W: 1200, H: 900, Wind: v}, 2, 0)
		if !ok {
			break
		}
		if c < last {
			t.Fatalf("%v m/s asks for %v after %v", v, c, last)
		}
		last = c
	}
	shut := false
	for w := 0.0; w < 12; w += 0.25 {
		now := bending{m}.warpGate(roomNeed(t, Load{W: 400, H: 300, Warp: w})) != nil
		if shut && !now {
			t.Fatalf("%v mm out of flat opens the gate again", w)
		}
		shut = now
	}
	if !shut {
		t.Error("12 mm out of flat is taken")
	}
}

// A strip is reckoned as any pane is: 26 × 244 mm in a gust, ten times as high as it is wide
// and more, bends like a beam across its width.
func TestStripsAreReckoned(t *testing.T) {
	m, err := Book.ByID("annealed")
	if err != nil {
		t.Fatal(err)
	}
	last := 0.0
	for _, h := range []float64{230, 234, 234.1, 244, 400, 900} {
		l := Load{W: 26, H: h, Wind: 30}
		c, err := Choose(roomNeed(t, l))
		if err != nil {
			t.Fatal(err)
		}
		for _, k := range c.Closed {
			if k.Material == m.ID && strings.Contains(k.Sentence, "cannot be reckoned") {
				t.Errorf("%g mm high: %s", h, k.Sentence)
			}
		}
		b, err := newPlates().bend(l, action{q: 1}, unit(0.22))
		if err != nil || b.Stress < last*0.98 {
			t.Errorf("%g mm high: %+v after %v, %v", h, b, last, err)
		}
		last = b.Stress
	}
}
