package fit

import (
	"math"
	"math/rand/v2"
	"testing"

	"gonum.org/v1/gonum/stat/distuv"

	"freshshard/core/length"
	"freshshard/core/odds"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/value"
)

// square is a bead-held opening read once each way, both with a doubt, and a
// ledge so wide that it always holds.
func square(t testing.TB, doubt float64) Problem {
	p := problem(t, "bead-brads", nil)
	p.Readings = map[reading.Place]length.Reading{reading.WidthTop: {Value: 300, Doubt: doubt},
		reading.HeightLeft: {Value: 200, Doubt: doubt},
		reading.Ledge:      {Value: 60, Doubt: 0.5}}
	p.Frame.Alpha, p.Pane.Alpha, p.Cutter, p.Draws = 0, 0, Saw, 20000
	return strict(p)
}

// strict must have what the trade likes.
func strict(p Problem) Problem {
	p.Limits = Limits{Clearance: p.Limits.Clearance, HotClearance: p.Limits.HotClearance, Bite: p.Limits.Bite}.whole()
	return p
}

// sharesOf are the shares of a size, drawn as the program does.
func sharesOf(t testing.TB, p Problem, size outline.Size, draws int) (in, hold, free, all float64) {
	t.Helper()
	s := solver{p: p}
	s.band = bandOf(p.Cutter, p.Thickness)
	r := Result{}
	w, h, ok, err := s.axes(&r)
	if err != nil || !ok {
		t.Fatal(err)
	}
	return odds.Shares(doubting{s}.sampler(w, h, draws, 0).Draw(), size)
}

// An even opening against a triangular pane has a closed form: the pane goes in
// when opening − 2c ≥ pane. With doubt d and band b the difference is the sum
// of an even and a triangular number. gonum's distributions integrate it.
func TestShareAgainstClosedForm(t *testing.T) {
	p := square(t, 1)
	band := distuv.NewTriangle(-0.5, 0.5, 0, nil)
	for _, size := range []float64{295.6, 296.4, 297, 297.6, 298.2} {
		// P(300 + u − 3 ≥ size + v), u even in ±1, v triangular in ±0.5.
		want, steps := 0.0, 4000
		for i := range steps {
			v := -0.5 + (float64(i)+0.5)/float64(steps)
			want += band.Prob(v) / float64(steps) * math.Max(0, math.Min(1, (1-(size+v-297))/2))
		}
		in, _, _, _ := sharesOf(t, p, outline.Size{W: size, H: 100}, 200000)
		// Four times the error of the share.
		if off := math.Abs(in - want); off > 4*math.Sqrt(math.Max(want*(1-want), 1e-4)/200000)+1e-9 {
			t.Errorf("size %v: %v, want %v", size, in, want)
		}
	}
}

// Two independent directions multiply.
func TestDirectionsMultiply(t *testing.T) {
	p := square(t, 1)
	w, _, _, _ := sharesOf(t, p, outline.Size{W: 297.2, H: 100}, 200000)
	h, _, _, _ := sharesOf(t, p, outline.Size{W: 100, H: 196.8}, 200000)
	both, _, _, _ := sharesOf(t, p, outline.Size{W: 297.2, H: 196.8}, 200000)
	if math.Abs(both-w*h) > 0.006 {
		t.Errorf("%v × %v is not %v", w, h, both)
	}
}

// The search is never worse than a fine grid over everything near.
func TestBestIsNeverWorseThanAGrid(t *testing.T) {
	r := rand.New(rand.NewPCG(12, 3))
	for range 25 {
		p := problem(t, "clip-heat", nil)
		d := 0.3 + 1.2*r.Float64()
		p.Readings = map[reading.Place]length.Reading{reading.WidthTop: {Value: 260 + 20*r.Float64(), Doubt: d},
			reading.WidthBottom: {Value: 262 + 15*r.Float64(), Doubt: d}, reading.HeightLeft: {Value: 240, Doubt: d},
			reading.HeightRight: {Value: 241, Doubt: d},
			reading.Reach:       {Value: 10 + 7*r.Float64(), Doubt: 0.5}}
		p.Draws = 1500
		p.Cutter = []Cutter{HandCut, ShopCut, Toughened}[r.IntN(3)]
		res := solve(t, p)
		s := solver{p: p, band: res.Band}
		w, h, _, err := s.axes(&Result{})
		if err != nil {
			t.Fatal(err)
		}
		draws := doubting{s}.sampler(w, h, p.Draws, 0).Draw()
		for dw := -12.0; dw <= 12; dw++ {
			for dh := -12.0; dh <= 12; dh++ {
				try := outline.Size{W: res.Chance.Best.W + dw*0.5, H: res.Chance.Best.H + dh*0.5}
				if v := odds.All(draws, try); v > res.Chance.Most+1e-9 {
					t.Fatalf("%v does %v, the best %v only %v", try, v, res.Chance.Best, res.Chance.Most)
				}
			}
		}
	}
}

// The same question gets the same answer, and a million draws say what some
// thousand say, within their error.
func TestOddsRepeat(t *testing.T) {
	p := problem(t, "clip-heat", stove())
	p.Draws = odds.OnScreen
	a, b := solve(t, p), solve(t, p)
	if a.Chance.All != b.Chance.All || a.Chance.Best != b.Chance.Best || a.Chance.Sentence != b.Chance.Sentence {
		t.Errorf("%+v\n%+v", a.Chance, b.Chance)
	}
	_, _, _, many := sharesOf(t, p, a.Order, 400000)
	if math.Abs(many-a.Chance.All) > 0.03 {
		t.Errorf("%v and %v", a.Chance.All, many)
	}
	if len(a.Chance.Strokes) != 50 {
		t.Errorf("%d strokes", len(a.Chance.Strokes))
	}
}

// What the worst case calls good happens always.
func TestGoodAtWorstIsSureByOdds(t *testing.T) {
	p := problem(t, "clip-heat", stove())
	p.Draws = odds.OnScreen
	p.Readings[reading.Reach] = length.Reading{Value: 20, Doubt: 0.5}
	r := solve(t, p)
	for _, k := range []string{"clearance_cold", "clearance_hot", "bite_cold", "bite_hot"} {
		if figure(t, r, k).Margin < 0 {
			t.Fatalf("%s is not good", k)
		}
	}
	if r.Chance.All != 1 || r.Chance.Sentence != "fits 100 of 100" || r.Chance.Help != nil {
		t.Errorf("%+v", r.Chance)
	}
}

// Nature is monotone: more doubt or a wider band never makes the best size more
// likely, a smaller pane never goes in worse, a larger one never holds worse.
func TestOddsAreMonotone(t *testing.T) {
	last := 2.0
	for d := 0.1; d < 4; d += 0.3 {
		p := problem(t, "clip-heat", stove())
		p.Draws = 3000
		for place, r := range p.Readings {
			p.Readings[place] = length.Reading{Value: r.Value, Doubt: math.Min(d, r.Value/5)}
		}
		now := solve(t, p).Chance.Most
		// The steps of the cutter make it uneven by a little.
		if now > last+0.02 {
			t.Fatalf("doubt %v makes it %v, less made it %v", d, now, last)
		}
		last = now
	}
	p := problem(t, "clip-heat", stove())
	inBefore, holdBefore := 2.0, -1.0
	for w := 255.0; w < 270; w += 0.5 {
		in, hold, _, _ := sharesOf(t, p, outline.Size{W: w, H: 230}, 3000)
		if in > inBefore || hold < holdBefore {
			t.Fatalf("at %v: in %v after %v, hold %v after %v", w, in, inBefore, hold, holdBefore)
		}
		inBefore, holdBefore = in, hold
	}
}

// The reading with the great doubt is the one that helps.
func TestHelpNamesTheReading(t *testing.T) {
	p := problem(t, "clip-heat", stove())
	p.Draws = odds.OnScreen
	p.Readings[reading.WidthBottom] = length.Reading{Value: 268.4, Doubt: 4}
	p.Readings[reading.Reach] = length.Reading{Value: 9, Doubt: 0.2}
	c := solve(t, p).Chance
	if c.Help == nil || c.Help.Place != reading.WidthBottom || c.Help.Least <= c.Most {
		t.Errorf("%+v", c.Help)
	}
	p = square(t, 0.1)
	p.Readings[reading.Ledge] = length.Reading{Value: 6.6, Doubt: 0.05}
	p.Cutter = Toughened
	if c = solve(t, p).Chance; c.Help == nil || c.Help.Place != "" {
		t.Errorf("the cutter's band of 2.5 is not what helps: %+v", c.Help)
	}
}

// Every rule has odds: shares between nothing and all, a size near the order.
func TestEveryRuleHasOdds(t *testing.T) {
	for _, c := range []struct {
		family string
		texts  map[reading.Place]string
	}{
		{"gauge-tube", map[reading.Place]string{reading.Faces: "250 ±0.5", reading.StopDepth: "14",
			reading.TubeOutside: "12.7"}},
		{"lift-drop", map[reading.Place]string{reading.WidthTop: "300", reading.HeightLeft: "400 ±0.3",
			reading.UpperPocket: "22", reading.LowerPocket: "8"}},
		{"ring-port", map[reading.Place]string{reading.Across0: "300", reading.Across45: "300", reading.Across90: "299.5",
			reading.Across135: "300", reading.Ledge: "14"}},
		{"locking-gasket", map[reading.Place]string{reading.WidthTop: "800", reading.HeightLeft: "500", reading.Web: "5",
			reading.Ledge: "9"}},
		{"flat-panel", map[reading.Place]string{reading.WidthTop: "800", reading.HeightLeft: "500", reading.Ledge: "22"}},
	} {
		p := problem(t, c.family, c.texts)
		p.Draws = 2000
		r := solve(t, p)
		o := r.Chance
		if o.All < 0 || o.All > 1 || o.All > math.Min(o.GoesIn, math.Min(o.Holds, o.Free))+1e-12 || o.Most < o.All-0.02 {
			t.Errorf("%s: %+v", c.family, o)
		}
		if math.Abs(o.Best.H-r.Order.H) > 12 {
			t.Errorf("%s: ordered %v, best %v", c.family, r.Order, o.Best)
		}
	}
}

// A million openings, both directions.
func BenchmarkMillionDraws(b *testing.B) {
	p := problem(b, "clip-heat", stove())
	s := solver{p: p}
	s.band = bandOf(p.Cutter, p.Thickness)
	w, h, _, err := s.axes(&Result{})
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		for batch := range 122 {
			odds.Shares(doubting{s}.sampler(w, h, 8192, batch).Draw(), outline.Size{W: 263, H: 236})
		}
	}
}

// What a screen waits for.
func BenchmarkChance(b *testing.B) {
	p := problem(b, "clip-heat", stove())
	p.Draws = odds.OnScreen
	for b.Loop() {
		if _, err := Solve(p); err != nil {
			b.Fatal(err)
		}
	}
}

// From cold to hot a steel frame runs away from a glass-ceramic pane: the gap
// opens, the bite falls, and what is below its limit is marked.
func TestSlide(t *testing.T) {
	p := problem(t, "clip-heat", stove())
	p.Draws = 100
	r := solve(t, p)
	if len(r.Slide) != 2*slideStops+1 {
		t.Fatalf("%d stops", len(r.Slide))
	}
	for i := 1; i < len(r.Slide); i++ {
		a, b := r.Slide[i-1], r.Slide[i]
		if b.Gap < a.Gap || b.Bite > a.Bite {
			t.Errorf("stop %d: %+v after %+v", i, b, a)
		}
	}
	mid, hot := r.Slide[slideStops], r.Slide[2*slideStops]
	if mid.Shift != 0 || mid.Gap != math.Min(r.Gap.W, r.Gap.H) || math.Abs(hot.Bite-r.HotBite) > 1e-9 {
		t.Errorf("%+v %+v, %v", mid, hot, r.HotBite)
	}
	p.Limits.Stays = Value{mid.Bite - 0.01, value.Custom()}
	p.OffCentre = 0
	r = solve(t, p)
	if hot := r.Slide[2*slideStops]; !hot.BiteLow || hot.Bite >= p.Limits.Stays.V {
		t.Errorf("%+v", r.Slide)
	}
}

// The same with a gasket wrapped round the pane, which takes its share of gap
// and bite, and of a frame that is higher than wide: hot as the sums say.
func TestSlideWithItsGasket(t *testing.T) {
	for _, higher := range []bool{false, true} {
		texts := stove()
		if higher {
			texts[reading.HeightLeft], texts[reading.HeightRight] = "470 ±0.3", "470.4 ±0.3"
		}
		p := problem(t, "clip-heat", texts)
		texts[reading.WidthTop], texts[reading.WidthMiddle], texts[reading.HeightRight] = texts[reading.WidthBottom],
			texts[reading.WidthBottom], texts[reading.HeightLeft]
		p = problem(t, "clip-heat", texts)
		p.Draws, p.Gasket, p.OffCentre = 100, Gasket{Kind: Wrapped, Free: 3}, 0
		r := solve(t, p)
		mid, hot := r.Slide[slideStops], r.Slide[2*slideStops]
		if r.Wrap <= 0 || math.Abs(hot.Bite-r.HotBite) > 1e-9 || math.Abs(mid.Bite-r.Bite) > 1e-9 ||
			math.Abs(hot.Gap-math.Min(r.HotGap.W, r.HotGap.H)) > 1e-9 {
			t.Errorf("higher %v: %+v %+v; bite %v, hot %v, hot gap %v", higher, mid, hot, r.Bite, r.HotBite, r.HotGap)
		}
		for _, c := range []struct {
			by  float64
			low bool
		}{{-0.01, false}, {0, false}, {0.01, true}} {
			q := p
			q.Limits.Stays = Value{hot.Bite + c.by, value.Custom()}
			s := solve(t, q).Slide[2*slideStops]
			if math.Abs(s.Bite-hot.Bite) < 1e-9 && s.BiteLow != c.low {
				t.Errorf("bite %v against %v: low %v", s.Bite, q.Limits.Stays.V, s.BiteLow)
			}
		}
	}
}
