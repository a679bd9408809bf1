package pane

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/fault"
	"freshshard/core/outline"
	"freshshard/core/strength"
)

// at moves a path of a hole.
func at(p outline.Path, x, y float64) outline.Path {
	out := append(outline.Path{}, p...)
	for i := range out {
		out[i].X, out[i].Y = out[i].X+x, out[i].Y+y
	}
	return out
}

// What each use rules out. Common practice, no source.
func TestUseGates(t *testing.T) {
	flat := roomNeed(t, Load{W: 500, H: 400})
	for _, c := range []struct {
		name       string
		change     func(*Need)
		gate       string
		shut, open []string
	}{
		{"windscreen", func(n *Need) { n.Duty.Windscreen = true }, "vehicle",
			[]string{"annealed", "toughened", "polycarbonate", "acrylic"}, []string{"laminated"}},
		{"vehicle", func(n *Need) { n.Vehicle = true }, "vehicle", []string{"annealed", "wired", "borosilicate",
			"glass-ceramic", "acrylic"}, []string{"laminated", "toughened", "polycarbonate"}},
		{"machine", func(n *Need) { n.Vehicle, n.Moves = true, Machine }, "vehicle", []string{"annealed", "acrylic"},
			[]string{"laminated", "toughened", "polycarbonate"}},
		{"trailer", func(n *Need) { n.Vehicle, n.Moves = true, Trailer }, "vehicle", []string{"annealed", "wired"},
			[]string{"laminated", "toughened", "polycarbonate", "acrylic"}},
		{"boat", func(n *Need) { n.Boat = true }, "vehicle", []string{"annealed", "cast"},
			[]string{"laminated", "toughened", "polycarbonate", "acrylic"}},
		{"food", func(n *Need) { n.Duty.Food = true }, "food", []string{"annealed", "cast", "heat-strengthened"},
			[]string{"toughened", "laminated", "polycarbonate"}},
		{"plant", func(n *Need) { n.Duty.Pressure = 4 }, "pressure", []string{"annealed", "laminated", "polycarbonate"},
			[]string{"borosilicate", "toughened"}},
		{"tube", func(n *Need) { n.Tube, n.Outside = true, 20 }, "shape", []string{"annealed", "toughened", "glass-ceramic"},
			[]string{"borosilicate", "acrylic"}},
		{"bent", func(n *Need) { n.Bent = true }, "shape", []string{"wired", "cast"},
			[]string{"annealed", "toughened", "polycarbonate"}},
	} {
		n := flat
		c.change(&n)
		got := choose(t, n)
		for _, id := range c.shut {
			if g := gateOf(t, got, id); g == nil || g.Gate != c.gate || g.Figure.Limit == nil || g.Sentence == "" {
				t.Errorf("%s: %s: %+v", c.name, id, g)
			}
		}
		for _, id := range c.open {
			if g := gateOf(t, got, id); g != nil {
				t.Errorf("%s: %s is ruled out: %s", c.name, id, g.Sentence)
			}
		}
	}
}

// A gauge tube of 12.7 mm with a wall of 2.5 mm at 60 bar takes
// 6·(6.35² + 3.85²)/(6.35² − 3.85²) = 12.975 MPa at its bore and holds 7.25 for
// good.
func TestHoopGate(t *testing.T) {
	n := roomNeed(t, Load{})
	n.Tube, n.Outside, n.Thickness, n.Duty.Pressure = true, 12.7, 2.5, 60
	g := gateOf(t, choose(t, n), "borosilicate")
	if g == nil || g.Gate != "pressure" || math.Abs(g.Figure.Value-12.975294) > 1e-6 ||
		math.Abs(g.Figure.Limit.Value-7.25) > 1e-9 {
		t.Fatalf("%+v", g)
	}
	if want := "at 60 bar a wall of 2.5 mm takes 13 MPa round and holds 7.2 for good"; g.Sentence != want {
		t.Errorf("%q, want %q", g.Sentence, want)
	}
	n.Duty.Pressure = 10
	if g := gateOf(t, choose(t, n), "borosilicate"); g != nil {
		t.Errorf("10 bar: %s", g.Sentence)
	}
}

// A hole too near the edge cannot be toughened, but can be drilled in plastic.
// EN 12150-1, from memory: two thicknesses to the edge.
func TestHoleGate(t *testing.T) {
	outer, err := outline.RoundedRect(400, 300, 0)
	if err != nil {
		t.Fatal(err)
	}
	hole, err := outline.Circle(12)
	if err != nil {
		t.Fatal(err)
	}
	n := roomNeed(t, Load{W: 400, H: 300})
	n.Outline = &outline.Outline{Outer: outer, Holes: []outline.Path{at(hole, 194, 8)}}
	c := choose(t, n)
	g := gateOf(t, c, "toughened")
	if g == nil || g.Gate != "hole" || math.Abs(g.Figure.Value-8) > 0.05 || g.Figure.Limit.Value != 12 ||
		!strings.Contains(g.Sentence, "before it is toughened") {
		t.Fatalf("%+v", g)
	}
	for _, id := range []string{"polycarbonate", "annealed", "laminated"} {
		if g := gateOf(t, c, id); g != nil {
			t.Errorf("%s: %s", id, g.Sentence)
		}
	}
	n.Outline.Holes[0] = at(hole, 194, 144)
	if g := gateOf(t, choose(t, n), "toughened"); g != nil {
		t.Errorf("in the middle: %s", g.Sentence)
	}
}

// What has to be looked up goes with the material that it is about.
func TestAsks(t *testing.T) {
	n := roomNeed(t, Load{W: 500, H: 400})
	n.Vehicle, n.Boat, n.Strike, n.Bent, n.Duty.Food = true, true, true, true, true
	for _, r := range choose(t, n).Open {
		all := strings.Join(r.Asks, " ")
		m, _ := Book.ByID(r.Material)
		for _, c := range []struct {
			says string
			want bool
		}{{"Plastic only where", m.Plastic}, {"the mark that local law", !m.Plastic}, {"scantling rule", true},
			{"which class", true}, {"over food", m.Plastic}, {"times its thickness", m.ColdBend != nil}, {"rating", false}} {
			if strings.Contains(all, c.says) != c.want {
				t.Errorf("%s: %q is %v in %q", r.Material, c.says, !c.want, all)
			}
		}
		if strings.Contains(all, "legal") || strings.Contains(all, "approved") {
			t.Errorf("%s: says what only a rule can say: %q", r.Material, all)
		}
	}
	afloat := roomNeed(t, Load{W: 500, H: 400})
	afloat.Boat, afloat.Duty.Windscreen = true, true
	if a := strings.Join(choose(t, afloat).Open[0].Asks, " "); strings.Contains(a, "vehicle") ||
		!strings.Contains(a, "scantling") {
		t.Errorf("a wheelhouse: %q", a)
	}
	if r := choose(t, roomNeed(t, Load{})).Open[0]; len(r.Asks) != 0 {
		t.Errorf("asks without a reason: %v", r.Asks)
	}
}

// A question is raised where it stands, with what each answer comes to.
func TestSchools(t *testing.T) {
	ids := func(n Need) (out []string) {
		for _, s := range choose(t, n).Schools {
			out = append(out, s.ID)
			if len(s.Sides) != 2 || len(s.Sides[0].For) < 2 || len(s.Sides[1].For) < 2 {
				t.Errorf("%s: one-sided: %+v", s.ID, s)
			}
		}
		return out
	}
	n := roomNeed(t, Load{W: 300, H: 300})
	if got := ids(n); len(got) != 0 {
		t.Errorf("%v without a reason", got)
	}
	n.Boat, n.Maker, n.Like, n.Weights = true, true, "acrylic", map[string]float64{"like": 0}
	if got := strings.Join(ids(n), " "); got != "like boat maker" {
		t.Errorf("raised: %s", got)
	}
	c := choose(t, n)
	if s := c.Schools[0].Sides; !strings.Contains(s[0].Here, "acrylic") || !strings.Contains(s[1].Here, c.Open[0].Name) {
		t.Errorf("%+v", s)
	}
	n.Strike = true
	if s := choose(t, n).Schools[0].Sides[0].Here; !strings.Contains(s, "ruled out") {
		t.Errorf("acrylic where people strike it: %q", s)
	}
	// What is best already raises no question.
	n.Like = choose(t, n).Open[0].Material
	for _, id := range ids(n) {
		if id == "like" {
			t.Error("like or better, where like is best")
		}
	}
	// A shop's page of both answers stays as it is in the file.
	if strings.Contains(schools[0].Sides[0].Here, "Here") {
		t.Error("a choice wrote into the catalogue")
	}
}

// Loads of every way of holding: fewer sides never take a thinner pane, more
// load never a thinner one.
func TestHeldAndLoads(t *testing.T) {
	m, _ := Book.ByID("annealed")
	thin := func(l Load) float64 {
		c, _ := bending{m}.carries(l, 2, 0)
		return c
	}
	for _, l := range []Load{{W: 700, H: 500, Push: 500}, {W: 700, H: 500, Even: 1}, {W: 700, H: 500, Wind: 35},
		{W: 1400, H: 900, Lying: true}} {
		four := thin(l)
		l.Held = Three
		three := thin(l)
		// Two are held above and below, three on all but the top: the same span.
		turned := l
		turned.W, turned.H, turned.Held = l.H, l.W, Two
		if two := thin(turned); three < four || two < three {
			t.Errorf("%+v: %v, %v, %v mm", l, four, three, two)
		}
		l.Held = ""
		l.Push *= 2
		l.Even *= 2
		if more := thin(l); more < four {
			t.Errorf("%+v: twice the load asks for %v after %v", l, more, four)
		}
	}
	// 6 mm lying: 2500·0.006·9.81 = 147 Pa.
	a := Load{W: 1000, H: 1000, Lying: true}.actions(m, 6)
	if len(a) != 1 || math.Abs(a[0].q-0.14715) > 1e-9 {
		t.Errorf("own weight: %+v", a)
	}
	if d := (Duty{Water: 0.5, Even: 1, Pressure: 0.1}).Standing(); math.Abs(d-15.905) > 1e-9 {
		t.Errorf("half a metre of water, 1 kPa and 0.1 bar: %v", d)
	}
}

// What stands on a pane for good takes its share of what it holds; a push that
// it would carry alone is then too much. σ₁/f₁ + σ₂/f₂ ≤ 1 and w₁ + w₂ ≤ the
// limit. EN 16612, from memory.
func TestLoadsAddUp(t *testing.T) {
	m, _ := Book.ByID("annealed")
	r := rand.New(rand.NewPCG(3, 9))
	for range 200 {
		l := Load{W: 300 + 900*r.Float64(), H: 300 + 900*r.Float64(), Wind: 40 * r.Float64(), Push: 500 * r.Float64(),
			Even: 1.5 * r.Float64(), Warp: 2 * r.Float64()}
		thick := m.Thicknesses[r.IntN(len(m.Thicknesses))]
		forGood, _ := m.allowable(strength.Permanent)
		short, _ := m.allowable(strength.Gust)
		seat := m.SeatStress(l, thick) / forGood
		var standing strength.Bent
		ok := true
		all := l.actions(m, thick)
		if b, err := (bending{m}).bend(l, all[len(all)-1], thick); err == nil && all[len(all)-1].key == "standing" {
			standing = b
		}
		ok = seat+standing.Stress/forGood <= 1 && standing.Deflection <= bending{m}.deflectionLimit(l)
		for _, a := range all {
			if a.key == "standing" {
				continue
			}
			b, err := bending{m}.bend(l, a, thick)
			if err != nil {
				t.Fatal(err)
			}
			ok = ok && b.Stress/short+seat+standing.Stress/forGood <= 1 &&
				b.Deflection+standing.Deflection <= bending{m}.deflectionLimit(l)
		}
		if _, _, got, _ := (bending{m}).passes(l, thick); got != ok {
			t.Fatalf("%v mm under %+v: passes %v, by the shares %v", thick, l, got, ok)
		}
	}
	alone := m.LoadFigures(Load{W: 800, H: 600, Push: 300}, 6)[0]
	both := m.LoadFigures(Load{W: 800, H: 600, Push: 300, Even: 0.5}, 6)[0]
	if both.Limit.Value >= alone.Limit.Value || !strings.Contains(both.Working.Note, "that share is off the limit") ||
		alone.Working.Note != "" {
		t.Errorf("%+v and %+v", alone, both)
	}
}

// Where no thickness carries a load, the gate names the size that one does, and
// it does; a seat says how flat it would have to be.
func TestNearestThatWorks(t *testing.T) {
	n := roomNeed(t, Load{W: 6000, H: 5400, Wind: 90})
	g := gateOf(t, choose(t, n), "annealed")
	if g == nil || g.Gate != "load" {
		t.Fatalf("%+v", g)
	}
	var w, h float64
	at := strings.Index(g.Sentence, "one of ")
	if _, err := fmt.Sscanf(g.Sentence[at:], "one of %f × %f mm would carry it", &w, &h); err != nil {
		t.Fatalf("%q: %v", g.Sentence, err)
	}
	for _, c := range []struct {
		more float64
		shut bool
	}{{0, false}, {60, true}} {
		n.Load.W, n.Load.H = w+c.more, h+c.more
		if g := gateOf(t, choose(t, n), "annealed"); (g != nil) != c.shut {
			t.Errorf("%v × %v: %+v", n.Load.W, n.Load.H, g)
		}
	}
	n = roomNeed(t, Load{W: 250, H: 250, Held: Round, Warp: 1.2})
	if g := gateOf(t, choose(t, n), "annealed"); !strings.HasSuffix(g.Sentence, "up to 0.65 mm out of flat it would do") {
		t.Error(g.Sentence)
	}
	n = roomNeed(t, Load{W: 3000, H: 120, Push: 10000})
	if g := gateOf(t, choose(t, n), "cast"); g == nil || !strings.HasSuffix(g.Sentence, "no pane of this form would") {
		t.Errorf("%+v", g)
	}
}

// A pane that bends is drawn in at each side by 4w²/(3·span): 20 mm over 1200
// draws 0.44 mm out of each bite.
func TestDeflectionKeepsTheBite(t *testing.T) {
	l := Load{W: 1200, H: 2000}
	if (bending{Material{}}).deflectionLimit(l) != 20 {
		t.Errorf("%v", bending{Material{}}.deflectionLimit(l))
	}
	l.Spare = 4.0 * 100 / (3 * 1200) // drawn in when it bends by 10
	if math.Abs((bending{Material{}}).deflectionLimit(l)-10) > 1e-9 {
		t.Errorf("%v", bending{Material{}}.deflectionLimit(l))
	}
	l.Spare = 5
	if (bending{Material{}}).deflectionLimit(l) != 20 {
		t.Errorf("a wide bite: %v", bending{Material{}}.deflectionLimit(l))
	}
}

// One choice bends each plate once, and comes to what each sum gives by itself.
func TestPlatesAreKept(t *testing.T) {
	p := newPlates()
	for _, held := range []Held{"", Two, Three, Round} {
		for _, id := range []string{"annealed", "laminated", "polycarbonate"} {
			m, _ := Book.ByID(id)
			for _, thick := range []float64{4, 6, 10} {
				l := Load{W: 600, H: 450, Held: held, Wind: 30, Push: 400}
				for _, a := range l.actions(m, thick) {
					alone, err := bending{m}.bend(l, a, thick)
					l.known = p
					kept, err2 := bending{m}.bend(l, a, thick)
					l.known = nil
					if err != nil || err2 != nil || alone != kept || alone.Stress <= 0 {
						t.Fatalf("%s %s %v: %+v and %+v", held, id, thick, alone, kept)
					}
				}
			}
		}
	}
	if len(p.bent) != 16 { // four ways, two loads, two Poisson's ratios
		t.Errorf("%d plates", len(p.bent))
	}
}

// Soda-lime takes 0.63 MPa a kelvin at its covered edge; a frame as warm as the
// pane takes it away.
func TestEdgeFigure(t *testing.T) {
	m, _ := Book.ByID("annealed")
	e := exposure.Exposure{Steady: 60, FrameHot: 40}
	f, ok := m.EdgeFigure(e)
	if !ok || math.Abs(f.Value-12.6) > 1e-9 || math.Abs(f.Limit.Value-14.5) > 1e-9 || f.Verdict != "good" {
		t.Errorf("%+v", f)
	}
	e.Steady = 80
	if f, _ := m.EdgeFigure(e); f.Verdict != "warn" {
		t.Errorf("%+v", f)
	}
	for hot, want := range map[float64]bool{79.5: true, 79: true, 80: false, 80.5: false} {
		e.FrameHot = hot
		if f, ok := m.EdgeFigure(e); ok != want || ok && math.Abs(f.Value-0.63*(80-hot)) > 1e-9 {
			t.Errorf("pane at 80, frame at %v: %v, %v", hot, ok, f.Value)
		}
	}
	plastic, _ := Book.ByID("acrylic")
	if _, ok := plastic.EdgeFigure(exposure.Exposure{Steady: 60, FrameHot: 20}); ok {
		t.Error("plastic gives way")
	}
}

func TestDutyRefuses(t *testing.T) {
	for field, d := range map[string]Duty{"duty.pressure": {Pressure: -1}, "duty.push": {Push: 1e6},
		"duty.water": {Water: math.NaN()}, "duty.even": {Even: -2}} {
		n := roomNeed(t, Load{})
		n.Duty = d
		_, err := Choose(n)
		if f := fault.Of(err); f == nil || f.Field != field || f.Cure == "" {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
}

// Where nothing stands it, the nearest is the one that misses its limit by the
// least, not the first of the list.
func TestNearestOfAll(t *testing.T) {
	n := roomNeed(t, Load{})
	n.Exposure.Steady, n.Exposure.Short = 730, 750
	if c := choose(t, n); len(c.Open) != 0 ||
		!strings.Contains(c.Advice, "The nearest is glass-ceramic: hot side 730 °C is above the 710 °C") {
		t.Errorf("%d open: %s", len(c.Open), c.Advice)
	}
	n = roomNeed(t, Load{})
	n.Vehicle, n.Depth = true, 1.8
	if c := choose(t, n); len(c.Open) != 0 || !strings.Contains(c.Advice, "its thinnest pane is 2 mm") {
		t.Errorf("%d open: %s", len(c.Open), c.Advice)
	}
}

// Duty and pack in words, as the table and the ticket say them.
func TestSays(t *testing.T) {
	if s := (Duty{}).Says(); s != "" {
		t.Errorf("nothing: %q", s)
	}
	if s := (Duty{Push: 400, Water: 0.5, Pressure: 1.2, Food: true}).Says(); s != "a push of 400 N, 0.5 m of water, 1.2 "+
		"bar, over food" {
		t.Error(s)
	}
	st := Stack{Here: 2, Gaps: []float64{9}, Panes: []Coated{{"toughened-coated", 4, "cold"}, {"toughened", 4, "none"}}}
	if s := st.Says(nil); s != "4 mm coated toughened, coat to the room, gap 9; 4 mm toughened (this one)" {
		t.Error(s)
	}
	st.Panes, st.Gaps = append(st.Panes, Coated{"toughened", 4, "none"}), []float64{9, 12}
	for last, want := range map[int]string{1: "; in this frame number 1", 2: "; in this frame number 1 to 2", 3: "",
		0: ""} {
		st.Last = last
		if _, s, _ := strings.Cut(st.Says(nil), "gap 12; 4 mm toughened"); s != want {
			t.Errorf("up to pane %d: %q", last, s)
		}
	}
}

// Over random needs: asking more of a pane, whatever it is, never opens a
// material that was ruled out, and never asks for a thinner pane.
func TestMoreAskedNeverOpens(t *testing.T) {
	r := rand.New(rand.NewPCG(21, 8))
	helds := []Held{"", Two, Three, Round}
	for range 60 {
		e := exposure.Exposure{Room: 20, Coldest: 0, Steady: 30 + 500*r.Float64()*r.Float64(),
			Sudden: 200 * r.Float64() * r.Float64(), Hours: 3000 * r.Float64()}
		e.Short, e.FrameHot = e.Steady+40*r.Float64(), 20+(e.Steady-20)*r.Float64()
		n := Need{Exposure: e, Thickness: 3 + 5*r.Float64(), Load: Load{W: 200 + 1200*r.Float64(), H: 200 + 1200*r.Float64(),
			Held: helds[r.IntN(4)], Wind: 50 * r.Float64() * r.Float64(), Push: 600 * r.Float64() * r.Float64(),
			Even: 3 * r.Float64() * r.Float64(), Warp: 2 * r.Float64() * r.Float64()}}
		if r.IntN(2) == 0 {
			n.Depth = 3 + 12*r.Float64()
		}
		before := choose(t, n)
		for what, more := range map[string]func(*Need){
			"hotter":         func(n *Need) { n.Exposure.Steady += 40; n.Exposure.Short += 40 },
			"a harder shock": func(n *Need) { n.Exposure.Sudden += 30 },
			"longer":         func(n *Need) { n.Exposure.Hours *= 2 }, "more wind": func(n *Need) { n.Load.Wind += 10 },
			"a harder push": func(n *Need) { n.Load.Push += 300 },
			"more for good": func(n *Need) { n.Load.Even++ }, "a worse seat": func(n *Need) { n.Load.Warp++ },
			"people": func(n *Need) { n.Strike = true },
			"food":   func(n *Need) { n.Duty.Food = true }, "a vehicle": func(n *Need) { n.Vehicle = true },
			"plant": func(n *Need) { n.Duty.Pressure = 2 },
		} {
			m := n
			more(&m)
			was := map[string]float64{}
			for _, o := range before.Open {
				was[o.Material] = o.Thickness
			}
			for _, o := range choose(t, m).Open {
				thick, open := was[o.Material]
				if !open || o.Thickness < thick-1e-9 {
					t.Fatalf("%s opens %s of %v mm (open before: %v, %v mm): %+v", what, o.Material, o.Thickness, open, thick, n)
				}
			}
		}
	}
}

// A round pane weighs what its circle does: 300 mm across, 4 mm of 2500 kg/m³.
func TestRoundPaneWeighsItsCircle(t *testing.T) {
	for _, c := range Carriers(nil, Load{W: 300, H: 300, Held: Round, Wind: 10}) {
		if c.Material == "annealed" {
			if want := math.Pi / 4 * 0.3 * 0.3 * c.Thickness / 1000 * 2500; c.Thickness == 0 || math.Abs(c.Mass-want) > 1e-9 {
				t.Errorf("%+v, want %v kg", c, want)
			}
			return
		}
	}
	t.Error("no plain glass carries a light wind")
}

// A word is said where it is due, and nowhere else: plastic on something hot from just over
// 60 °C on, and a pane that is not the maker's where an oven cleans itself at high heat.
func TestWordsOnHeat(t *testing.T) {
	for _, c := range []struct {
		name             string
		material         string
		steady, cleaning float64
		says             string
	}{{"a window", "polycarbonate", 60, 0, ""},
		{"the outermost pane of an oven", "polycarbonate", 60.1, 0, "plastic softens"},
		{"glass there", "toughened", 108, 0, ""}, {"an oven that cleans itself", "glass-ceramic", 240, 100, "cleans itself"},
		{"one that does not", "glass-ceramic", 240, 0, ""}} {
		m, err := Book.ByID(c.material)
		if err != nil {
			t.Fatal(err)
		}
		n := Need{Thickness: 4}
		n.Exposure.Steady, n.Exposure.Cleaning = c.steady, c.cleaning
		got := strings.Join(gating{m}.asks(n), " ")
		if c.says == "" && (strings.Contains(got, "plastic softens") || strings.Contains(got, "cleans itself")) ||
			!strings.Contains(got, c.says) {
			t.Errorf("%s: %q", c.name, got)
		}
	}
}
