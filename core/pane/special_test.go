package pane

import (
	"math"
	"strings"
	"testing"
)

// A mirror and a sealed unit are offered only where the old pane was one; where
// a mirror was nothing else will do.
func TestOnlyWhereOneWas(t *testing.T) {
	n := roomNeed(t, Load{W: 500, H: 400})
	n.Thickness, n.Depth = 20, 40
	has := func(id string) (open, shut bool) {
		c := choose(t, n)
		for _, r := range c.Open {
			open = open || r.Material == id
		}
		return open, gateOf(t, c, id) != nil
	}
	for _, id := range []string{"mirror", "sealed-unit"} {
		if open, shut := has(id); open || shut {
			t.Errorf("%s is offered where none was", id)
		}
	}
	n.Like = "sealed-unit"
	if open, _ := has("sealed-unit"); !open {
		t.Error("a sealed unit is not offered where one was")
	}
	// Its groove is wide for one pane, and one pane sweats in the cold: an owner's to take on.
	if g := gateOf(t, choose(t, n), "annealed"); g == nil || g.Gate != "shape" ||
		!strings.Contains(g.Sentence, "sealed unit") {
		t.Errorf("one pane where a unit was: %+v", g)
	}
	n.Like = "polycarbonate"
	n.Strike = true
	if g := gateOf(t, choose(t, n), "toughened"); g == nil || g.Gate != "guard" ||
		!strings.Contains(g.Sentence, "catches") {
		t.Errorf("toughened where a guard was: %+v", g)
	}
	if open, _ := has("polycarbonate"); !open {
		t.Error("a guard of what it was is ruled out")
	}
	n.Strike = false
	if g := gateOf(t, choose(t, n), "toughened"); g != nil && g.Gate == "guard" {
		t.Errorf("a window of plastic is no guard: %+v", g)
	}
	n.Like = "mirror"
	c := choose(t, n)
	if len(c.Open) != 1 || c.Open[0].Material != "mirror" {
		t.Errorf("%d open", len(c.Open))
	}
	if g := gateOf(t, c, "annealed"); g == nil || g.Gate != "shape" {
		t.Errorf("%+v", g)
	}
}

// A sealed unit weighs its two panes of 4 mm, whatever its gap: 20 kg/m²; each
// carries half the load as a pane of 4 mm.
func TestSealedUnit(t *testing.T) {
	u, err := Book.ByID("sealed-unit")
	if err != nil {
		t.Fatal(err)
	}
	one, _ := Book.ByID("annealed")
	for _, thick := range u.Thicknesses {
		if kg := u.Weight(1e6, thick); math.Abs(kg-20) > 1e-9 {
			t.Errorf("%v mm: %v kg", thick, kg)
		}
		l := Load{W: 900, H: 700, Wind: 30}
		a, _ := bending{u}.bend(l, l.actions(u, thick)[0], thick)
		b, _ := bending{one}.bend(l, l.actions(one, 4)[0], 4)
		if math.Abs(a.Stress/b.Stress-0.5) > 1e-9 {
			t.Errorf("%v mm: %v against %v for a single pane", thick, a.Stress, b.Stress)
		}
	}
	if u.laminated() || (repeating{u}).toughened() {
		t.Error("two panes with air between are no laminated glass")
	}
	n := roomNeed(t, Load{})
	n.Like, n.Duty.Windscreen = "sealed-unit", true
	if g := gateOf(t, choose(t, n), "sealed-unit"); g == nil || g.Gate != "vehicle" {
		t.Errorf("a windscreen: %+v", g)
	}
	// Common practice, no source: 5 mm of edge clearance, 12 mm of bite.
	if u.Limits.Clearance.V != 5 || u.Limits.Bite.V != 12 {
		t.Errorf("%+v", u.Limits)
	}
}
