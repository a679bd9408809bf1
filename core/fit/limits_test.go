package fit

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

func asked(v float64) *value.Value {
	return &value.Value{V: v, Origin: value.From{Origin: value.Custom()}}
}

// What a material asks for counts where the frame does not give, and where it is
// more; what the shop has set stays. Common practice, no source: plastic keeps
// 1.5 mm when it has grown and 6 mm of bite when it has shrunk.
func TestWhatAMaterialAsks(t *testing.T) {
	plastic := Asks{HotClearance: asked(1.5), Bite: asked(6)}
	bead, err := family.Book.ByID("bead-brads")
	if err != nil {
		t.Fatal(err)
	}
	l := LimitsOf(bead, false)
	if l.HotClearance.V != 0.75 || l.Bite.V != 5 {
		t.Fatalf("%+v", l)
	}
	if got := l.With(plastic, family.Rebate); got.HotClearance.V != 1.5 || got.Bite.V != 6 ||
		got.Clearance != l.Clearance {
		t.Errorf("%+v", got)
	}
	if got := l.With(plastic, family.Track); got.HotClearance.V != 1.5 || got.Bite.V != 5 {
		t.Errorf("pockets have their own rule: %+v", got)
	}
	for _, s := range []family.Sizing{family.Port, family.Groove, family.Bonded, family.Ring, family.Tube} {
		if got := l.With(plastic, s); got != l {
			t.Errorf("%s gives: %+v", s, got)
		}
	}
	l.Bite = Value{5.5, value.Own("house rule")}
	if got := l.With(plastic, family.Rebate); got.Bite.V != 5.5 {
		t.Errorf("the shop's own: %+v", got.Bite)
	}
	if got := l.With(Asks{}, family.Rebate); got != l {
		t.Errorf("%+v", got)
	}
}

// 1000 mm of polycarbonate set at 15 °C draws back by 68·30·1000/2 = 1.02 mm on
// each side at −15 °C: its bite falls, and the cold has a number of its own.
func TestPlasticShrinksOutOfItsBite(t *testing.T) {
	p := problem(t, "putty-points", map[reading.Place]string{reading.WidthTop: "1000 ±0.3",
		reading.WidthBottom: "1000 ±0.3",
		reading.HeightLeft:  "600 ±0.3", reading.HeightRight: "600 ±0.3", reading.Ledge: "16 ±0.3"})
	p.Pane.Alpha, p.Frame.Alpha = 68, 0
	_, f := solved(t, p)
	cold, ok := f["bite_coldest"]
	if !ok || !near(f["bite_cold"].Value-cold.Value, 1.02, 0.001) || !strings.Contains(cold.Sentence, "in the coldest") {
		t.Fatalf("%+v and %+v", f["bite_cold"], cold)
	}
	p.Limits.Stays = Value{cold.Value + 0.1, value.Custom()}
	if _, f := solved(t, p); f["bite_coldest"].Verdict == working.Good {
		t.Errorf("%+v", f["bite_coldest"])
	}
	p.Pane.Alpha = 9
	p.Frame.Alpha = 12
	if _, f := solved(t, p); f["bite_coldest"].Key != "" {
		t.Error("glass in steel does not draw back in the cold")
	}
}

// What a problem may hold, at its bounds and just beyond, and the field that a
// refusal names.
func TestProblemBounds(t *testing.T) {
	for _, c := range []struct {
		field      string
		set        func(*Problem, float64)
		in, beyond []float64
	}{
		{"limits.clearance", func(p *Problem, v float64) { p.Limits.Clearance.V = v }, []float64{0, 50},
			[]float64{-0.1, 50.1, math.NaN()}},
		{"limits.hot_clearance", func(p *Problem, v float64) { p.Limits.HotClearance.V = v }, []float64{0, 50},
			[]float64{-0.1, 50.1, math.NaN()}},
		{"limits.bite", func(p *Problem, v float64) { p.Limits.Bite.V = v }, []float64{0, 100},
			[]float64{-0.1, 100.1, math.NaN()}},
		{"thickness", func(p *Problem, v float64) { p.Thickness = v }, []float64{0.1, 60}, []float64{0, 60.1, math.NaN()}},
		{"pane.alpha", func(p *Problem, v float64) { p.Pane.Alpha = v }, []float64{-1, 300},
			[]float64{-1.1, 300.1, math.NaN()}},
		{"frame.alpha", func(p *Problem, v float64) { p.Frame.Alpha = v }, []float64{-1, 300},
			[]float64{-1.1, 300.1, math.NaN()}},
		{"gasket.free", func(p *Problem, v float64) { p.Gasket.Free = v }, []float64{0, 40},
			[]float64{-0.1, 40.1, math.NaN()}},
		{"off_centre", func(p *Problem, v float64) { p.OffCentre = v }, []float64{0, 20}, []float64{-0.1, 20.1, math.NaN()}},
		{"draws", func(p *Problem, v float64) { p.Draws = int(v) }, []float64{0, 1e6}, []float64{-1, 1e6 + 1}},
	} {
		for _, v := range c.in {
			p := problem(t, "clip-heat", stove())
			c.set(&p, v)
			if err := p.Check(); err != nil {
				t.Errorf("%s %v: %v", c.field, v, err)
			}
		}
		for _, v := range c.beyond {
			p := problem(t, "clip-heat", stove())
			c.set(&p, v)
			if f := fault.Of(p.Check()); f == nil || f.Field != c.field {
				t.Errorf("%s %v: %v", c.field, v, p.Check())
			}
		}
	}
}
