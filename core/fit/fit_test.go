package fit

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/frame"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

func near(a, b, tol float64) bool { return math.Abs(a-b) <= tol }

// problem is a family's usual case with the given readings.
func problem(t testing.TB, id string, texts map[reading.Place]string) Problem {
	t.Helper()
	f, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	e, err := exposure.Book.ByID(f.Exposure)
	if err != nil {
		t.Fatal(err)
	}
	fr, err := frame.Book.ByID(f.Frame)
	if err != nil {
		t.Fatal(err)
	}
	r, err := reading.FromTexts(texts, length.MM)
	if err != nil {
		t.Fatal(err)
	}
	return Problem{
		Asked: reading.Asked{Sizing: f.Sizing, Readings: r}, Limits: LimitsOf(f, e.Outdoors), Thickness: 4, Exposure: e,
		Cutter: ShopCut,
		Unit:   length.MM, OffCentre: DefaultOffCentre,
		Pane:  Body{Name: "glass-ceramic", Alpha: 0, Origin: value.Sheet("glass-ceramic")},
		Frame: Body{Name: fr.Name, Alpha: fr.Alpha, Origin: fr.Source()}, Gasket: Gasket{Kind: None},
	}
}

func stove() map[reading.Place]string {
	return map[reading.Place]string{
		reading.WidthTop: "270 ±0.3", reading.WidthMiddle: "269.5 ±0.3", reading.WidthBottom: "268.4 ±0.3",
		reading.HeightLeft: "242 ±0.3", reading.HeightRight: "242.4 ±0.3", reading.Ledge: "14 ±0.5",
		reading.Reach: "16 ±0.5",
	}
}

func figure(t *testing.T, r Result, key string) working.Figure {
	t.Helper()
	for _, f := range r.Figures {
		if f.Key == key {
			return f
		}
	}
	t.Fatalf("no figure %q in %d", key, len(r.Figures))
	return working.Figure{}
}

func solve(t *testing.T, p Problem) Result {
	t.Helper()
	r, err := Solve(p)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

// The rule of each family by hand: least tight size − 2 × clearance. Common
// practice, no source: 2 mm heat pane, 3 mm outdoor putty, 1.5 mm indoor bead.
func TestNominal(t *testing.T) {
	for _, c := range []struct {
		family string
		w, h   float64
	}{
		{"clip-heat", 264.4, 238}, {"putty-points", 262.4, 236}, {"bead-brads", 265.4, 239},
	} {
		p := problem(t, c.family, stove())
		p.Sizing = family.Rebate
		delete(p.Readings, reading.Reach)
		// Glass in timber in room air, so that nothing but the rule counts.
		p.Exposure, _ = exposure.Book.ByID("room")
		r := solve(t, p)
		if !near(r.Nominal.W, c.w, 1e-9) || !near(r.Nominal.H, c.h, 1e-9) {
			t.Errorf("%s: nominal %v, want %v × %v", c.family, r.Nominal, c.w, c.h)
		}
	}
}

// By hand: least width at its low end 268.1, less 2 × 2 clearance, less the
// cutter's 1.6, is 262.5; the height 241.7 − 4 − 1.6 = 236.1, down to 236.0.
func TestOrderKeepsWorstCase(t *testing.T) {
	r := solve(t, problem(t, "clip-heat", stove()))
	if r.Order != (outline.Size{W: 262.5, H: 236}) {
		t.Errorf("order %v", r.Order)
	}
	for _, k := range []string{"clearance_cold", "clearance_hot", "bite_cold", "bite_hot"} {
		if f := figure(t, r, k); f.Verdict != working.Good {
			t.Errorf("%s: %s %v, margin %v", k, f.Verdict, f.Value, f.Margin)
		}
	}
	// 2.95 as read, 2 at the worst.
	if f := figure(t, r, "clearance_cold"); f.Value < 2 || f.Value > 2.6 || !strings.Contains(f.Sentence, "as read") {
		t.Errorf("clearance %v: %s", f.Value, f.Sentence)
	}
}

// Steel runs away from glass-ceramic: at 400 K over 268.4 mm by
// 12e-6 × 400 × 268.4 / 2 = 0.644 mm a side. The growth of steel is a trade
// value; the formula is linear expansion.
func TestHotFrameRunsAway(t *testing.T) {
	r := solve(t, problem(t, "clip-heat", stove()))
	if got := r.HotGap.W - r.Gap.W; !near(got, 0.644, 0.001) {
		t.Errorf("gap grows by %v", got)
	}
	if got := r.Bite - r.HotBite; got < 0.55 || got > 0.7 {
		t.Errorf("bite falls by %v", got)
	}
}

// For soda-lime in a cool frame it is the reverse: the pane grows into its gap.
func TestSodaLimeInCoolFrame(t *testing.T) {
	p := problem(t, "clip-heat", stove())
	p.Pane = Body{Name: "soda-lime", Alpha: 9, Origin: value.Sheet("soda-lime")}
	p.Exposure.FrameHot = 60
	r := solve(t, p)
	if r.HotGap.W >= r.Gap.W {
		t.Errorf("gap %v cold, %v hot", r.Gap.W, r.HotGap.W)
	}
}

// 1000 mm of polycarbonate over 40 K grows 2.7 mm (68e-6 × 1000 × 40 = 2.72;
// typical data sheet): the gap on one side loses 1.36 mm.
func TestPlasticGrowth(t *testing.T) {
	p := problem(t, "bead-brads", map[reading.Place]string{reading.WidthTop: "1000", reading.HeightLeft: "500"})
	p.Pane = Body{Name: "polycarbonate", Alpha: 68, Origin: value.Sheet("polycarbonate")}
	p.Frame.Alpha = 0
	p.Exposure = exposure.Exposure{Steady: 60, Short: 60, Room: 20, Coldest: 20, FrameHot: 60}
	p.Limits.HotClearance.V = 1.5
	if g := p.growth(1000, 60, 60); !near(g, -1.36, 1e-9) {
		t.Errorf("growth %v", g)
	}
	r := solve(t, p)
	if want := 1000 - 2*(1.5+1.36); !near(r.Nominal.W, want, 1e-9) {
		t.Errorf("nominal %v, want %v", r.Nominal.W, want)
	}
}

// Pane = recess − 2 × (wrap seated + clearance); seated at most 75 % of free.
func TestWrappedGasket(t *testing.T) {
	p := problem(t, "clip-heat", stove())
	p.Gasket = Gasket{Kind: Wrapped, Free: 4}
	r := solve(t, p)
	if want := 268.4 - 2*(3+2); !near(r.Nominal.W, want, 1e-9) {
		t.Errorf("nominal %v, want %v", r.Nominal.W, want)
	}
	g := figure(t, r, "gasket_length")
	if want := 2 * (r.Order.W + r.Order.H) * 1.02; !near(g.Value, want, 1e-9) {
		t.Errorf("gasket %v, want %v", g.Value, want)
	}
}

func TestSkewTakenOff(t *testing.T) {
	texts := stove()
	texts[reading.WidthBottom] = "270 ±0.3"
	texts[reading.WidthMiddle] = "270 ±0.3"
	texts[reading.HeightRight] = "242 ±0.3"
	// A parallelogram of 270 × 242 with sin θ = 0.02.
	w, h, sin := 270.0, 242.0, 0.02
	texts[reading.Rising] = working.Num(math.Sqrt(w*w+h*h+2*w*h*sin), 3)
	texts[reading.Falling] = working.Num(math.Sqrt(w*w+h*h-2*w*h*sin), 3)
	p := problem(t, "clip-heat", texts)
	r := solve(t, p)
	want := 270 - 4 - 0.02*238/math.Sqrt(1-0.02*0.02)
	if !near(r.Nominal.W, want, 0.01) {
		t.Errorf("nominal %v, want %v", r.Nominal.W, want)
	}
	p.Raked = true
	if raked := solve(t, p); !near(raked.Nominal.W, 266, 1e-9) {
		t.Errorf("raked nominal %v", raked.Nominal.W)
	}
}

// A swapped digit must not move the size: it is left out until read again.
func TestOddReadingIsLeftOut(t *testing.T) {
	texts := stove()
	good := solve(t, problem(t, "clip-heat", texts))
	texts[reading.WidthMiddle] = "296.5"
	r := solve(t, problem(t, "clip-heat", texts))
	if r.Order != good.Order || len(r.Odd) != 1 {
		t.Errorf("with an odd reading %v, without %v", r.Order, good.Order)
	}
}

// Tight at the bad end but right as read is a warning; wrong as read is a stop.
func TestVerdicts(t *testing.T) {
	for _, c := range []struct {
		reach string
		want  working.Verdict
		bite  working.Verdict
	}{{"12 ±0.5", working.Note, working.Good}, {"9.2 ±0.5", working.Note, working.Good},
		{"8.4 ±0.5", working.Note, working.Good}, {"8 ±0.5", working.Warn, working.Warn},
		{"6 ±0.5", working.Stop, working.Stop}} {
		texts := stove()
		texts[reading.Reach] = c.reach
		r := solve(t, problem(t, "clip-heat", texts))
		if f, b := figure(t, r, "order_width"), figure(t, r, "bite_hot"); f.Verdict != c.want || b.Verdict != c.bite {
			t.Errorf("reach %s: %s %s; %s %s %v", c.reach, f.Verdict, f.Sentence, b.Verdict, b.Sentence, b.Value)
		}
	}
}

func TestOldPane(t *testing.T) {
	texts := stove()
	// The least width is 268.4: with a millimetre a side, in the cold, 266.34 goes
	// in, read to ±1. The brackets reach 16 over an opening of 270: hot, 0.645 off
	// each side, half a millimetre off the middle, a pane keeps its 4 mm of bite from
	// 248.29 on.
	for _, c := range []struct {
		old  string
		want working.Verdict
		says string
	}{
		{"262.5", working.Good, "it was right"}, {"266.4", working.Good, "it was right"},
		{"267.3", working.Good, "it was right"}, {"267.4", working.Warn, "too big"},
		{"250", working.Good, "it was right"}, {"247.3", working.Good, "it was right"}, {"247.2", working.Warn, "too small"},
	} {
		texts[reading.OldWidth] = c.old
		if f := figure(t, solve(t, problem(t, "clip-heat", texts)), "old_width"); f.Verdict != c.want ||
			!strings.Contains(f.Sentence, c.says) {
			t.Errorf("%s: %s %v against %v, %s", c.old, f.Verdict, f.Value, f.Limit.Value, f.Sentence)
		}
	}
}

func TestDepth(t *testing.T) {
	texts := stove()
	texts[reading.DepthLeft] = "3"
	r := solve(t, problem(t, "clip-heat", texts))
	if f := figure(t, r, "depth"); f.Verdict != working.Warn || !near(f.Value, -1, 1e-9) {
		t.Errorf("%+v", f)
	}
}

func TestNoSizeKeepsBoth(t *testing.T) {
	texts := stove()
	texts[reading.Reach] = "6 ±0.5"
	r := solve(t, problem(t, "clip-heat", texts))
	if f := r.Figures[0]; f.Verdict != working.Stop || !strings.Contains(f.Sentence, "no ") {
		t.Errorf("first is %+v", f)
	}
}

func TestIncomplete(t *testing.T) {
	r := solve(t, problem(t, "clip-heat", map[reading.Place]string{reading.WidthTop: "270"}))
	if r.Ready || len(r.Missing) != 5 || r.Read != 1 || r.Asked != 18 {
		t.Errorf("%+v", r)
	}
	r = solve(t, problem(t, "clip-heat", map[reading.Place]string{reading.WidthTop: "270", reading.HeightLeft: "240"}))
	if !r.Ready || len(r.Missing) != 4 {
		t.Errorf("%+v", r)
	}
}

func TestRefuse(t *testing.T) {
	good := problem(t, "clip-heat", stove())
	with := func(change func(*Problem)) Problem {
		p := problem(t, "clip-heat", stove())
		change(&p)
		return p
	}
	if _, err := Solve(good); err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		field string
		p     Problem
	}{
		{"height_left", with(func(p *Problem) { p.Readings[reading.HeightLeft] = length.Reading{Value: 40000} })},
		{"ledge", with(func(p *Problem) { p.Readings[reading.Ledge] = length.Reading{Value: 0.2} })},
		{"width_top", with(func(p *Problem) { p.Readings[reading.WidthTop] = length.Reading{Value: 100, Doubt: 60} })},
		{"diagonal_rising", with(func(p *Problem) {
			p.Readings[reading.Rising], p.Readings[reading.Falling] = length.Reading{Value: 700}, length.Reading{Value: 360}
		})},
		{"diagonal_falling", with(func(p *Problem) { p.Readings[reading.Falling] = length.Reading{Value: 700} })},
		{"place", with(func(p *Problem) { p.Readings["girth"] = length.Reading{Value: 100} })},
		{"thickness", with(func(p *Problem) { p.Thickness = math.NaN() })},
		{"cutter", with(func(p *Problem) { p.Cutter = "uncle" })},
		{"short", with(func(p *Problem) { p.Exposure.Short = 10 })},
		{"width_bottom", with(func(p *Problem) {
			p.Readings = map[reading.Place]length.Reading{reading.WidthBottom: {Value: 16}, reading.HeightLeft: {Value: 100}}
			p.Limits.Clearance.V = 9
		})},
	} {
		_, err := Solve(c.p)
		if f := fault.Of(err); f == nil || f.Field != c.field || f.Cure == "" {
			t.Errorf("want a fault at %s, got %v", c.field, err)
		}
	}
}

// A wider opening never takes a smaller pane, and more doubt never a bigger one.
func TestMonotone(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 5))
	for range 400 {
		w, h := 150+r.Float64()*1500, 150+r.Float64()*1500
		p := problem(t, "bead-brads", map[reading.Place]string{reading.Ledge: "15"})
		set := func(w, h, doubt float64) Result {
			p.Readings[reading.WidthTop] = length.Reading{Value: w, Doubt: doubt}
			p.Readings[reading.HeightLeft] = length.Reading{Value: h, Doubt: doubt}
			return solve(t, p)
		}
		base, wider, vaguer := set(w, h, 0.5), set(w+3, h, 0.5), set(w, h, 1)
		if wider.Order.W < base.Order.W || wider.Order.H < base.Order.H {
			t.Fatalf("%v wide takes %v, 3 mm more takes %v", w, base.Order, wider.Order)
		}
		if vaguer.Order.W > base.Order.W {
			t.Fatalf("more doubt took a bigger pane: %v, %v", base.Order, vaguer.Order)
		}
		if base.Order.W > base.Nominal.W || base.Order.H > base.Nominal.H {
			t.Fatalf("order %v is above nominal %v", base.Order, base.Nominal)
		}
	}
}

// An order that is a middle opens as one, not as the usual sum.
func TestMiddleOpensAsOne(t *testing.T) {
	for _, c := range []struct {
		reach   string
		verdict working.Verdict
	}{{"9 ±0.5", working.Note}, {"8.15 ±0.5", working.Warn}, {"5 ±0.5", working.Stop}} {
		texts := stove()
		texts[reading.Reach] = c.reach
		f := figure(t, solve(t, problem(t, "clip-heat", texts)), "order_width")
		in := map[string]float64{}
		for _, i := range f.Working.Inputs {
			in[i.Symbol] = i.Value
		}
		// Within what goes in and stays where there is such a size, else in the
		// middle, rounded down.
		want := math.Floor(min((in["C"]+in["D"])/2, in["G"])/0.5+1e-9) * 0.5
		if in["C"] <= in["D"] {
			want = min(max(f.Value, in["C"]), in["D"])
		}
		if len(in) != 6 || f.Verdict != c.verdict || !near(f.Value, want, 1e-9) {
			t.Errorf("%s: %s, %s gives %v, the figure says %v", c.reach, f.Verdict, f.Working.Formula, want, f.Value)
		}
	}
}

// The section's two numbers are those of the answer.
func TestDrawnNumbers(t *testing.T) {
	p := problem(t, "clip-heat", stove())
	p.Gasket = Gasket{Kind: Wrapped, Free: 3}
	r := solve(t, p)
	if f := figure(t, r, "clearance_drawn"); !near(f.Value, math.Min(r.Gap.W, r.Gap.H), 1e-9) {
		t.Errorf("%v of %v", f.Value, r.Gap)
	}
	if f := figure(t, r, "bite_drawn"); !near(f.Value, 16-math.Min(r.Gap.W, r.Gap.H)-r.Wrap, 1e-9) {
		t.Errorf("%v", f.Value)
	}
}

func TestEveryFigureOpens(t *testing.T) {
	texts := stove()
	texts[reading.OldWidth], texts[reading.DepthTop], texts[reading.Rising], texts[reading.Falling] = "262", "9", "364",
		"361"
	p := problem(t, "clip-heat", texts)
	p.Gasket = Gasket{Kind: Flat, Free: 3}
	for _, f := range solve(t, p).Figures {
		if f.Working.Formula == "" || f.Working.Values == "" || len(f.Working.Inputs) == 0 || f.Sentence == "" {
			t.Errorf("%s does not open: %+v", f.Key, f.Working)
		}
		if strings.Contains(f.Working.Values, "{") {
			t.Errorf("%s: a letter was left: %s", f.Key, f.Working.Values)
		}
		for _, i := range f.Working.Inputs {
			if i.Origin.Check() != nil || i.Source == "" {
				t.Errorf("%s: input %s without a source", f.Key, i.Symbol)
			}
		}
	}
}

func BenchmarkSolve(b *testing.B) {
	p := problem(b, "clip-heat", stove())
	for b.Loop() {
		if _, err := Solve(p); err != nil {
			b.Fatal(err)
		}
	}
}
