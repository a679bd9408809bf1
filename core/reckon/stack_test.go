package reckon

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/odds"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// deck is an oven's window: coated, plain, plain from the heat outwards.
func deck(t testing.TB, here int) Known {
	t.Helper()
	e, err := exposure.Book.ByID("oven")
	if err != nil {
		t.Fatal(err)
	}
	r, err := reading.FromTexts(map[reading.Place]string{reading.WidthTop: "420", reading.WidthBottom: "420",
		reading.HeightLeft:  "260",
		reading.HeightRight: "260", reading.Ledge: "12", reading.DepthTop: "49 ±0.2"}, length.MM)
	if err != nil {
		t.Fatal(err)
	}
	return Known{Object: Object{Exposure: e},
		Holding: Holding{Family: "window-pack", Gasket: fit.Gasket{Kind: fit.None},
			Stack: pane.Stack{Here: here, Gaps: []float64{16, 20},
				Panes: []pane.Coated{{Material: "toughened-coated", Thickness: 4, Coat: "cold"},
					{Material: "toughened", Thickness: 4, Coat: "none"}, {Material: "toughened", Thickness: 4, Coat: "none"}}}},
		Seen: Seen{Readings: r}, Unit: length.MM}
}

func reckoned(t testing.TB, k Known) (Reckoning, map[string]working.Figure) {
	t.Helper()
	r, err := Pane(k)
	if err != nil {
		t.Fatal(err)
	}
	out := map[string]working.Figure{}
	for _, f := range r.Figures {
		if _, twice := out[f.Key]; twice {
			t.Errorf("%s is there twice", f.Key)
		}
		out[f.Key] = f
	}
	return r, out
}

// Each place in a pack has its own heat: the inner pane is coated toughened, the
// outer one is cool enough for other panes, and only that one.
func TestPackGivesEachPaneItsHeat(t *testing.T) {
	last := 1000.0
	for here := 1; here <= 3; here++ {
		k := deck(t, here)
		k.Material, k.Thickness = "toughened", 4
		r, f := reckoned(t, k)
		g, ok := f["pack_here"]
		if !ok || g.Value >= last || g.Text == "" || r.Pack == nil || r.Pack.Here != here || len(r.Pack.Orders) == 0 {
			t.Fatalf("pane %d: %+v", here, g)
		}
		if want := math.Max(r.Pack.Result.Faces[here-1].Hot, r.Pack.Result.Faces[here-1].Cold); g.Value != want {
			t.Errorf("pane %d: %v, its faces %v", here, g.Value, want)
		}
		last = g.Value
		open := map[string]bool{}
		for _, o := range r.Choice.Open {
			open[o.Material] = true
		}
		if open["acrylic"] != (here == 3) || !open["toughened"] {
			t.Errorf("pane %d at %v °C: %v stand it", here, g.Value, open)
		}
	}
}

// What is settled for the pane on the table stands in its pack: plain glass in
// the coated one's place makes the outside hotter.
func TestPackFollowsTheChoice(t *testing.T) {
	k := deck(t, 1)
	k.Material, k.Thickness = "toughened-coated", 4
	_, coated := reckoned(t, k)
	k.Material = "toughened"
	_, plain := reckoned(t, k)
	if plain["pack_touch"].Value < coated["pack_touch"].Value+1 {
		t.Errorf("outside %v with the coat, %v without", coated["pack_touch"].Value, plain["pack_touch"].Value)
	}
	// Turned round it is told, with how much.
	if r, _ := reckoned(t, k); !strings.Contains(r.Pack.Says, "outside") {
		t.Errorf("%q", r.Pack.Says)
	}
}

// 49 − 0.2 of room, 12 of glass and 36 of gaps: 0.8 is left.
func TestStackDepth(t *testing.T) {
	k := deck(t, 0)
	r, f := reckoned(t, k)
	if g := f["stack"]; math.Abs(g.Value-0.8) > 1e-9 || g.Verdict != working.Good {
		t.Errorf("%+v", g)
	}
	if _, ok := f["pack_here"]; ok || r.Pack == nil {
		t.Error("nobody said which pane it is")
	}
	k.Stack.Gaps[1] = 24
	if _, f := reckoned(t, k); f["stack"].Verdict != working.Stop {
		t.Errorf("too thick: %+v", f["stack"])
	}
	k.Stack.Gaps[1] = 16
	if _, f := reckoned(t, k); f["stack"].Verdict != working.Stop || !strings.Contains(f["stack"].Sentence, "rattle") {
		t.Errorf("too thin: %+v", f["stack"])
	}
	k.Stack = pane.Stack{}
	if r, f := reckoned(t, k); f["stack"].Key != "" || r.Pack != nil {
		t.Error("a stack that nobody noted")
	}
}

// Heat goes through all three panes, the folded frame holds the two inner ones:
// its room is against those, the temperatures are as they were.
func TestFrameHoldsItsOwnPanes(t *testing.T) {
	k := deck(t, 1)
	whole, all := reckoned(t, k)
	k.Stack.First, k.Stack.Last = 1, 2
	r, f := reckoned(t, k)
	out := k.Stack.Panes[2].Thickness + k.Stack.Gaps[1]
	if got := f["stack"].Value; math.Abs(got-(all["stack"].Value+out)) > 1e-9 ||
		f["pack_touch"].Value != all["pack_touch"].Value {
		t.Errorf("room %v, %v with all; outside %v and %v °C", got, all["stack"].Value, f["pack_touch"].Value,
			all["pack_touch"].Value)
	}
	if got, had := len(r.Section.Items), len(whole.Section.Items); got != had-2 { // without a pane and its pad
		t.Errorf("the section has %d parts, %d with all", got, had)
	}
	if !strings.HasSuffix(r.Packing, "; in this frame number 1 to 2") || strings.Contains(whole.Packing, "frame") {
		t.Errorf("%q, %q", r.Packing, whole.Packing)
	}
	k.Stack.Here, k.Stack.First, k.Stack.Last = 3, 3, 0
	if r, f := reckoned(t, k); math.Abs(f["stack"].Value-(48.8-k.Stack.Panes[2].Thickness)) > 1e-9 ||
		!strings.HasSuffix(r.Packing, "; in this frame number 3") {
		t.Errorf("the outermost alone: %+v, %q", f["stack"], r.Packing)
	}
	// Noted for all panes at once, each has the frame that it stands in.
	k.Stack.Here, k.Stack.First, k.Stack.Last = 0, 1, 2
	for here, want := range map[int][2]int{1: {1, 2}, 2: {1, 2}, 3: {3, 3}} {
		if got := k.Stack.In(here); got.Here != here || got.First != want[0] || got.Last != want[1] || got.Check() != nil {
			t.Errorf("pane %d: %+v, %v", here, got, got.Check())
		}
	}
}

func TestStackRefuses(t *testing.T) {
	for field, change := range map[string]func(*pane.Stack){
		"stack.here":              func(s *pane.Stack) { s.Here = 4 },
		"stack.panes[1].material": func(s *pane.Stack) { s.Panes[1].Material = "ice" },
		"stack.gaps":              func(s *pane.Stack) { s.Gaps = s.Gaps[:1] },
		"stack.first":             func(s *pane.Stack) { s.First = 2 },
		"stack.cavity":            func(s *pane.Stack) { s.Cavity = -5 },
	} {
		k := deck(t, 1)
		change(&k.Stack)
		_, err := Pane(k)
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
}

// What it has to carry reaches the choice and the figures.
func TestDutyReachesTheChoice(t *testing.T) {
	k := deck(t, 3)
	k.Duty = pane.Duty{Push: 800, Even: 0.5, Food: true}
	r, f := reckoned(t, k)
	for _, key := range []string{"stress_push", "bend_push", "stress_standing", "bend_standing", "stress_edge"} {
		if g, ok := f[key]; !ok && key != "stress_edge" || ok && g.Limit == nil {
			t.Errorf("%s: %+v", key, g)
		}
	}
	for _, c := range r.Choice.Closed {
		if c.Material == "heat-strengthened" && c.Gate != "food" {
			t.Errorf("heat-strengthened over food: %s", c.Gate)
		}
	}
	if len(r.Choice.Schools) == 0 {
		t.Error("an oven's pane is the maker's or cut to size")
	}
}

// In a pack it counts how cool the outside stays: the coated pane comes before
// the plain one in the place of the heat, and says why.
func TestTouchCountsInAPack(t *testing.T) {
	rank := func(k Known, id string) (n int, why string, weight float64) {
		t.Helper()
		r, _ := reckoned(t, k)
		for i, o := range r.Choice.Open {
			for _, q := range o.Reasons {
				if o.Material == id && q.Judgement == "touch" {
					return i + 1, q.Why, q.Weight
				}
			}
		}
		t.Fatalf("%s is not open", id)
		return 0, "", 0
	}
	coated, why, weight := rank(deck(t, 1), "toughened-coated")
	plain, worse, _ := rank(deck(t, 1), "toughened")
	if coated >= plain || weight == 0 || !strings.Contains(why, "the outside gets") || why >= worse {
		t.Errorf("coated number %d (%s), plain number %d (%s), weight %v", coated, why, plain, worse, weight)
	}
	if _, _, weight := rank(deck(t, 0), "toughened-coated"); weight != 0 {
		t.Error("counts while nobody said which pane it is")
	}
}

// A thickness that nobody settled follows the loads, a settled one stays and is
// held against them.
func TestAssumedThicknessFollowsTheLoads(t *testing.T) {
	k := deck(t, 3)
	k.Material = "toughened"
	r, _ := reckoned(t, k)
	k.Duty.Push = 1500
	more, f := reckoned(t, k)
	if more.Thickness <= r.Thickness || f["stress_push"].Verdict != working.Good ||
		f["bend_push"].Verdict != working.Good || !strings.Contains(more.Order, more.First) || more.First == "" {
		t.Errorf("%v mm, then %v: %+v, %q", r.Thickness, more.Thickness, f["bend_push"], more.Order)
	}
	for _, o := range more.Choice.Open {
		if o.Material == "toughened" && o.Thickness != more.Thickness {
			t.Errorf("assumed %v, the choice says %v", more.Thickness, o.Thickness)
		}
	}
	k.Thickness = r.Thickness
	if set, f := reckoned(t, k); set.Thickness != r.Thickness || f["stress_push"].Verdict != working.Stop {
		t.Errorf("settled %v: %+v", set.Thickness, f["stress_push"])
	}
}

// A gauge tube under pressure says what goes round it.
func TestTubeUnderPressure(t *testing.T) {
	f, _ := family.Book.ByID("gauge-tube")
	e, _ := exposure.Book.ByID(f.Exposure)
	k := Known{Object: Object{Exposure: e, Duty: pane.Duty{Pressure: 10}},
		Holding: Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None}}, Seen: Seen{Readings: usually(t, f)},
		Settled: Settled{Material: "borosilicate", Thickness: 2.5}, Unit: length.MM}
	_, got := reckoned(t, k)
	// 1 N/mm² × (6.35² + 3.85²) / (6.35² − 3.85²), by Lamé.
	if g := got["stress_hoop"]; math.Abs(g.Value-2.162549) > 1e-6 || g.Verdict != working.Good {
		t.Errorf("%+v", g)
	}
	// On a flat pane the same pressure is a load for good: 1 bar is 100 kPa.
	flat := deck(t, 0)
	flat.Stack, flat.Duty.Pressure = pane.Stack{}, 1
	if _, g := reckoned(t, flat); !strings.Contains(g["stress_standing"].Sentence, "100 kPa for good") {
		t.Errorf("%+v", g["stress_standing"])
	}
	k.Duty.Pressure = 0
	if _, got = reckoned(t, k); got["stress_hoop"].Key != "" {
		t.Error("without a pressure")
	}
}

// A pane in tracks under a push, in a pack, with the odds: the slowest that a
// screen asks for.
func BenchmarkLoadedPane(b *testing.B) {
	k := deck(b, 3)
	k.Family, k.Draws = "lift-drop", odds.OnScreen
	k.Readings[reading.UpperPocket], k.Readings[reading.LowerPocket] = length.Reading{Value: 26, Doubt: 0.1},
		length.Reading{Value: 9, Doubt: 0.1}
	delete(k.Readings, reading.Ledge)
	k.Duty = pane.Duty{Push: 500, Even: 0.2}
	for b.Loop() {
		if _, err := Pane(k); err != nil {
			b.Fatal(err)
		}
	}
}
