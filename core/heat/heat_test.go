package heat

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/fault"
)

// bare is plain float glass.
func bare(t float64) Pane { return Pane{Name: "glass", T: t, Lambda: 1, Hot: 0.837, Cold: 0.837} }

// window is a glazing under the conditions of EN 673: hi 7.7, he 25.
func window(gaps []float64, panes ...Pane) Pack {
	return Pack{Cavity: 17.5, Room: 2.5, Inside: 7.7, Outside: 25, Panes: panes, Gaps: gaps, Slope: Upright}
}

// U-values of EN 673, from memory: single 4 mm 5.75, said as 5.8; 4-12-4 with
// air 2.85, said as 2.9; with a coat of 0.04 and 16 mm of air 1.4 or less.
func TestUValues(t *testing.T) {
	for _, c := range []struct {
		name     string
		p        Pack
		from, to float64
	}{
		{"single 4", window(nil, bare(4)), 5.74, 5.76}, {"4-12-4", window([]float64{12}, bare(4), bare(4)), 2.80, 2.90},
		{"4-12-4-12-4", window([]float64{12, 12}, bare(4), bare(4), bare(4)), 1.85, 2.0},
		{"4-16-4 coated", window([]float64{16}, bare(4), Pane{T: 4, Lambda: 1, Hot: 0.04, Cold: 0.837}), 1.25, 1.45},
	} {
		r, err := Solve(c.p)
		if err != nil || r.U < c.from || r.U > c.to {
			t.Errorf("%s: U %.3f, want %v to %v, %v", c.name, r.U, c.from, c.to, err)
		}
	}
	// The gap of 4-12-4 by hand at 10 °C and 15 K: radiation 3.70, air 2.08.
	if h := gases[Air].gap(12, 283.15+7.5, 283.15-7.5, 0.837, 0.837, Upright); math.Abs(h-5.78) > 0.02 {
		t.Errorf("gap %v", h)
	}
}

// The gases as EN 673 has them, from memory: air at 10 °C, argon at −10 and 20 °C.
func TestGases(t *testing.T) {
	for _, c := range []struct {
		gas     Gas
		k       float64
		d, v, l float64
	}{{Air, 283.15, 1.232, 1.761e-5, 0.02496}, {Argon, 263.15, 1.829, 2.038e-5, 0.01584},
		{Argon, 283.15, 1.699, 2.164e-5, 0.01684}, {Argon, 293.15, 1.640, 2.228e-5, 0.01734}} {
		d, v, l := gases[c.gas].at(c.k)
		if math.Abs(d-c.d) > 0.004 || math.Abs(v-c.v) > 4e-8 || math.Abs(l-c.l) > 4e-5 {
			t.Errorf("%s at %v K: %v %v %v", c.gas, c.k, d, v, l)
		}
	}
}

// Argon in the gap: 4-16-4 bare 2.6 (air 2.7), coated 1.1 (air 1.4). U-values of
// EN 673 as glazing tables round them, from memory; its 15 K lie between the faces
// of the gap, here between the airs, which makes it a little less.
func TestArgon(t *testing.T) {
	coat := Pane{T: 4, Lambda: 1, Hot: 0.04, Cold: 0.837}
	for _, c := range []struct {
		name     string
		p        Pack
		gas      Gas
		from, to float64
	}{
		{"bare, air", window([]float64{16}, bare(4), bare(4)), Air, 2.65, 2.80},
		{"bare, argon", window([]float64{16}, bare(4), bare(4)), Argon, 2.50, 2.65},
		{"coated, argon", window([]float64{16}, bare(4), coat), Argon, 1.02, 1.15},
	} {
		c.p.Gas = c.gas
		if r, err := Solve(c.p); err != nil || r.U < c.from || r.U > c.to {
			t.Errorf("%s: U %.3f, want %v to %v, %v", c.name, r.U, c.from, c.to, err)
		}
	}
	p := window([]float64{16}, bare(4), bare(4))
	p.Gas = "steam"
	if f := fault.Of(p.Check()); f == nil || f.Field != "gas" {
		t.Errorf("steam: %v", f)
	}
}

func oven() Pack {
	coat := Pane{Name: "coated", T: 4, Lambda: 1, Hot: 0.837, Cold: 0.15, Limit: 300}
	plain := Pane{Name: "toughened", T: 4, Lambda: 1, Hot: 0.837, Cold: 0.837, Limit: 250}
	return Pack{Cavity: 250, Room: 22, Inside: UsualInside, Outside: UsualOutside, Panes: []Pane{coat, plain, plain},
		Gaps: []float64{16, 20}, Slope: Upright}
}

// What flows in flows out: each layer carries the same heat.
func TestHeatIsNotLost(t *testing.T) {
	p := oven()
	r, err := Solve(p)
	if err != nil {
		t.Fatal(err)
	}
	for i, f := range r.Faces {
		if q := (f.Hot - f.Cold) * p.Panes[i].Lambda / (p.Panes[i].T / 1000); math.Abs(q-r.Flow) > 0.01*r.Flow {
			t.Errorf("pane %d carries %v of %v", i+1, q, r.Flow)
		}
	}
	if q := (r.Touch - p.Room) * p.Outside; math.Abs(q-r.Flow) > 0.01*r.Flow {
		t.Errorf("the room takes %v of %v", q, r.Flow)
	}
	if left := r.Faces[0].Left; math.Abs(left-(300-r.Faces[0].Hot)) > 1e-9 {
		t.Errorf("margin %v", left)
	}
}

// A swapped pane or a coat turned round makes the outside hotter, and says by
// how much.
func TestSwappedPackIsHotterOutside(t *testing.T) {
	list, err := Orders(oven())
	if err != nil {
		t.Fatal(err)
	}
	var worst Arrangement
	built := 0
	for _, a := range list {
		if a.AsBuilt {
			built++
			if a.Hotter != 0 {
				t.Errorf("as built is %v hotter than itself", a.Hotter)
			}
		}
		if a.Hotter > worst.Hotter {
			worst = a
		}
	}
	if built != 1 || worst.Hotter < 2 || worst.Words == "" {
		t.Fatalf("%d as built, worst %+v", built, worst)
	}
	// The coated pane outermost with its coat to the room loses what it was for.
	last := list[len(list)-1]
	if !strings.Contains(last.Words, "coated") {
		t.Errorf("the hottest outside is %q", last.Words)
	}
	// Three places, a pane with two faces and two alike: 3 places × 2 facings.
	if len(list) != 6 {
		t.Errorf("%d arrangements", len(list))
	}
}

// Hotter inside is never cooler outside, another pane never hotter, a better
// coat never hotter.
func TestMonotone(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 3))
	touch := func(p Pack) float64 {
		s, err := Solve(p)
		if err != nil {
			t.Fatal(err)
		}
		return s.Touch
	}
	for range 200 {
		p := oven()
		p.Cavity = 60 + 400*r.Float64()
		p.Slope = []Slope{Upright, Leaning, Lying}[r.IntN(3)]
		p.Gaps = []float64{5 + 30*r.Float64(), 5 + 30*r.Float64()}
		before := touch(p)
		hot := p
		hot.Cavity += 20
		if touch(hot) < before {
			t.Fatalf("hotter inside, cooler outside: %+v", p)
		}
		less := p
		less.Panes, less.Gaps = p.Panes[:2], p.Gaps[:1]
		if touch(less) < before-1e-6 {
			t.Fatalf("a pane fewer, cooler outside: %+v", p)
		}
		worse := p
		worse.Panes = append([]Pane{}, p.Panes...)
		worse.Panes[0].Cold = 0.5
		if touch(worse) < before-1e-6 {
			t.Fatalf("a worse coat, cooler outside: %+v", p)
		}
	}
}

// Soda-lime takes 0.63 MPa a kelvin.
func TestEdgeStress(t *testing.T) {
	if s := EdgeStress(70, 9, 1); math.Abs(s-0.63) > 1e-9 {
		t.Errorf("%v", s)
	}
}

func TestRefuses(t *testing.T) {
	for field, change := range map[string]func(*Pack){
		"panes": func(p *Pack) { p.Panes = nil }, "gaps": func(p *Pack) { p.Gaps = nil },
		"cavity": func(p *Pack) { p.Cavity = 5000 }, "room": func(p *Pack) { p.Room = 90 },
		"inside": func(p *Pack) { p.Inside = 0 }, "gaps[1]": func(p *Pack) { p.Gaps[1] = -2 },
		"panes[0].t": func(p *Pack) { p.Panes[0].T = 0 }, "panes[2].hot": func(p *Pack) { p.Panes[2].Hot = 1.2 },
		"slope": func(p *Pack) { p.Slope = "over" },
	} {
		p := oven()
		change(&p)
		if f := fault.Of(func() error { _, err := Solve(p); return err }()); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, f)
		}
		if _, err := Orders(p); err == nil {
			t.Errorf("%s: arranged all the same", field)
		}
	}
}

// A pack of four with all orders and facings.
func BenchmarkOrders(b *testing.B) {
	p := oven()
	p.Panes = append(p.Panes, Pane{Name: "borosilicate", T: 3.3, Lambda: 1.2, Hot: 0.85, Cold: 0.3})
	p.Panes[1].Hot, p.Panes[2].T = 0.5, 5
	p.Gaps = append(p.Gaps, 10)
	for b.Loop() {
		if _, err := Orders(p); err != nil {
			b.Fatal(err)
		}
	}
}

// Temperatures that do not come to rest are no answer.
func TestNotAtRest(t *testing.T) {
	for steps, rest := range map[int]bool{1: true, mostRounds: true, mostRounds + 1: false} {
		if err := (Result{Steps: steps}).atRest(); (err == nil) != rest {
			t.Errorf("after %d rounds: %v", steps, err)
		}
	}
}
