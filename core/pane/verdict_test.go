package pane

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/exposure"
	"freshshard/core/strength"
	"freshshard/core/value"
	"freshshard/core/working"
)

func must(t *testing.T, id string) Material {
	t.Helper()
	m, err := Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

// Each gate just inside, at and just outside its limit, and the words that a
// person reads.
func TestGateVerdicts(t *testing.T) {
	sees := func(change func(*exposure.Exposure)) Need {
		n := Need{Exposure: exposure.Exposure{Steady: 20, Short: 20, Room: 20, FrameHot: 20}}
		change(&n.Exposure)
		return n
	}
	tough, ceramic, annealed := must(t, "toughened"), must(t, "glass-ceramic"), must(t, "annealed")
	for _, c := range []struct {
		name string
		m    Material
		n    Need
		gate string // empty: open
		says string
	}{
		{"steady below", tough, sees(func(e *exposure.Exposure) { e.Steady = 249 }), "", ""},
		{"steady at", tough, sees(func(e *exposure.Exposure) { e.Steady, e.Short = 250, 250 }), "", ""},
		{"steady above", tough, sees(func(e *exposure.Exposure) { e.Steady, e.Short = 251, 251 }), "steady",
			"251 °C is above the 250 °C"},
		{"peak at", tough, sees(func(e *exposure.Exposure) { e.Short = 300 }), "", ""},
		{"no peak on file, at its steady heat", must(t, "wired"), sees(func(e *exposure.Exposure) { e.Short = 110 }), "", ""},
		{"no peak on file, above it", must(t, "wired"), sees(func(e *exposure.Exposure) { e.Short = 111 }), "peak",
			"what it stands then is not on file: look it up on its sheet"},
		{"peak above", tough, sees(func(e *exposure.Exposure) { e.Short = 301 }), "peak",
			"a peak of 301 °C is above the 300 °C"},
		{"sudden at", tough, sees(func(e *exposure.Exposure) { e.Sudden = 200 }), "", ""},
		{"sudden above", tough, sees(func(e *exposure.Exposure) { e.Sudden = 201 }), "sudden",
			"a sudden change of 201 K is above the 200 K"},
		{"life below the first row", ceramic, sees(func(e *exposure.Exposure) { e.Steady, e.Short, e.Hours = 559, 559, 1e6 }),
			"", ""},
		{"an hour at a peak is not one of steady use", ceramic,
			sees(func(e *exposure.Exposure) { e.Steady, e.Short, e.Hours, e.Cleaning = 300, 655, 6000, 1 }), "", ""},
		{"its life in cleanings", ceramic, sees(func(e *exposure.Exposure) {
			e.Steady, e.Short, e.Hours, e.Cleaning = 300,
				660, 6000, 100
		}), "", ""},
		{"one more", ceramic, sees(func(e *exposure.Exposure) {
			e.Steady, e.Short, e.Hours, e.Cleaning = 300, 660, 6000,
				101
		}), "life", "101 h at 660 °C use up 1.01 of its life"},
		{"half of both", ceramic, sees(func(e *exposure.Exposure) {
			e.Steady, e.Short, e.Hours, e.Cleaning = 560, 660, 2500,
				50
		}), "", ""},
		{"more than half of both", ceramic, sees(func(e *exposure.Exposure) {
			e.Steady, e.Short, e.Hours, e.Cleaning = 560,
				660, 3000, 60
		}), "life", "3000 h at 560 °C and 60 h at 660 °C use up 1.2 of its life"},
		{"cleaning below the table", ceramic, sees(func(e *exposure.Exposure) {
			e.Steady, e.Short, e.Hours, e.Cleaning = 240,
				500, 6000, 900
		}), "", ""},
		{"life at the first row", ceramic, sees(func(e *exposure.Exposure) { e.Steady, e.Short, e.Hours = 560, 560, 5000 }),
			"", ""},
		{"an hour more at the first row", ceramic,
			sees(func(e *exposure.Exposure) { e.Steady, e.Short, e.Hours = 560, 560, 5001 }), "life",
			"more than the 5000 h that it lasts at 560 °C"},
		{"between two rows the hotter counts", ceramic,
			sees(func(e *exposure.Exposure) { e.Steady, e.Short, e.Hours = 561, 561, 1001 }), "life",
			"1000 h that it lasts at 610 °C"},
		{"at the second row", ceramic, sees(func(e *exposure.Exposure) { e.Steady, e.Short, e.Hours = 610, 610, 1000 }), "",
			""},
		{"at the last row", ceramic, sees(func(e *exposure.Exposure) { e.Steady, e.Short, e.Hours = 710, 710, 10 }), "", ""},
		{"above the last row", ceramic, sees(func(e *exposure.Exposure) { e.Steady, e.Short = 711, 711 }), "steady",
			"711 °C"},
		{"people fall against it", annealed, Need{Strike: true}, "safety", "not safety glazing"},
		{"people fall against what is safe", tough, Need{Strike: true}, "", ""},
		{"nobody falls against it", annealed, Need{}, "", ""},
		{"a windscreen in one piece", tough, Need{Duty: Duty{Windscreen: true}}, "vehicle", "a windscreen is laminated"},
		{"blades in a vehicle", annealed, Need{Vehicle: true}, "vehicle", "breaks into daggers"},
		{"dice in a vehicle", tough, Need{Vehicle: true}, "", ""},
		{"blades over food", annealed, Need{Duty: Duty{Food: true}}, "food", "splinters"},
		{"a frame as deep as its thinnest", annealed, Need{Depth: annealed.Thicknesses[0]}, "", ""},
		{"a frame not so deep", annealed, Need{Depth: annealed.Thicknesses[0] - 0.1}, "depth", "its thinnest pane is"},
		{"a frame that nobody read", annealed, Need{Depth: 0}, "", ""},
		{"toughened under pressure, rated", tough, Need{Duty: Duty{Pressure: 1}}, "", ""},
		{"annealed under pressure", annealed, Need{Duty: Duty{Pressure: 1}}, "pressure", "not made with a rating"},
		{"no tube of it", tough, Need{Tube: true}, "shape", "not to be had as a tube"},
		{"no mirror", annealed, Need{Like: mirror}, "shape", "it is no mirror"},
	} {
		got := gating{c.m}.gate(c.n)
		switch {
		case c.gate == "" && got != nil:
			t.Errorf("%s: closed by %s: %s", c.name, got.Gate, got.Sentence)
		case c.gate != "" && (got == nil || got.Gate != c.gate || !strings.Contains(got.Sentence, c.says)):
			t.Errorf("%s: %+v, want the gate %s saying %q", c.name, got, c.gate, c.says)
		case got != nil && (got.Figure.Verdict != working.Stop || got.Figure.Margin >= 0 || got.Material != c.m.ID):
			t.Errorf("%s: its figure is %s by %v", c.name, got.Figure.Verdict, got.Figure.Margin)
		}
	}
}

// What a material may carry, briefly and for good.
func TestAllowable(t *testing.T) {
	for _, c := range []struct {
		id      string
		lasting strength.Lasting
		want    float64
	}{
		{"polycarbonate", strength.Gust, 62 * 0.5}, // half of its yield; common practice, no source
		{"polycarbonate", strength.Permanent, 10},  // design; data sheet, from memory
		{"acrylic", strength.Gust, 70 * 0.5},
		{"annealed", strength.Permanent, 7.25}, // EN 16612, from memory
		{"annealed", strength.Gust, 18.5},
		{"toughened", strength.Permanent, 69.75},
	} {
		if got, _ := must(t, c.id).allowable(c.lasting); math.Abs(got-c.want) > 0.01 {
			t.Errorf("%s %s: %v MPa, want %v", c.id, c.lasting, got, c.want)
		}
	}
}

// A load just below, at and just above what a thickness carries.
func TestCarriesToItsLimit(t *testing.T) {
	m := must(t, "annealed")
	l := Load{W: 600, H: 600, Even: 1}
	b, err := bending{m}.bend(l, l.actions(m, 6)[0], 6)
	if err != nil {
		t.Fatal(err)
	}
	may, _ := m.allowable(strength.Permanent)
	at := may / b.Stress
	for _, c := range []struct {
		share float64
		ok    bool
	}{{0.999, true}, {1.001, false}} {
		l.Even = at * c.share
		if _, _, ok, err := (bending{m}).passes(l, 6); ok != c.ok || err != nil {
			t.Errorf("at %v of its stress: %v, %v", c.share, ok, err)
		}
	}
}

// How much a judgement counts, and what makes it count more.
func TestWeights(t *testing.T) {
	plain := Need{}
	for _, c := range []struct {
		k    string
		n    Need
		more float64
	}{
		{"warp", Need{Load: Load{Warp: 0.1}}, 8}, {"warp", Need{}, 0},
		{"touch", Need{Stack: Stack{Here: 1}}, 5}, {"touch", Need{}, 0},
		{"uv", Need{Exposure: exposure.Exposure{Outdoors: true}}, 2}, {"uv", Need{}, 0},
		{"cost", Need{Load: Load{Warp: 1}, Stack: Stack{Here: 1}, Exposure: exposure.Exposure{Outdoors: true}}, 0},
	} {
		if got := c.n.weight(c.k) - plain.weight(c.k); got != c.more {
			t.Errorf("%s counts %v more, want %v", c.k, got, c.more)
		}
	}
	if got := (Need{Weights: map[string]float64{"cost": 7}}).weight("cost"); got != 7 {
		t.Errorf("what a person sets counts %v", got)
	}
}

// The first reason, a second one from eight points on, and what speaks against
// it below five.
func TestSentence(t *testing.T) {
	reason := func(why string, points, weight float64) Reason {
		return Reason{Why: why, Points: points, Weight: weight}
	}
	for _, c := range []struct {
		name    string
		reasons []Reason
		want    string
	}{
		{"a second at eight", []Reason{reason("b", 8, 1), reason("a", 10, 2), reason("c", 5, 1)}, "a; b"},
		{"a second below eight", []Reason{reason("b", 7.9, 1), reason("a", 10, 2), reason("c", 5, 1)}, "a"},
		{"against it below five", []Reason{reason("a", 10, 2), reason("b", 6, 1), reason("c", 4.9, 1)}, "a; against it: c"},
		{"not against it at five", []Reason{reason("a", 10, 2), reason("b", 6, 1), reason("c", 5, 1)}, "a"},
		{"what counts nothing is not against it", []Reason{reason("a", 10, 2), reason("c", 0, 0), reason("b", 6, 1)}, "a"},
		{"the weight decides", []Reason{reason("light", 10, 1), reason("heavy", 8, 3), reason("c", 5, 1)}, "heavy; light"},
	} {
		if got := (Ranked{Reasons: c.reasons}).sentence(false); got != c.want {
			t.Errorf("%s: %q, want %q", c.name, got, c.want)
		}
	}
}

// Heat comes first from 100 °C on: just below, at, just above; and degrees are said whole.
func TestHeatComesFirst(t *testing.T) {
	m, err := Book.ByID("glass-ceramic")
	if err != nil {
		t.Fatal(err)
	}
	for at, first := range map[float64]bool{99.9: false, 100: true, 100.4: true} {
		n := roomNeed(t, Load{})
		n.Exposure.Steady, n.Exposure.Short, n.Usual = at, at, "glass-ceramic"
		n.Weights = map[string]float64{"heat": 0.1, "usual": 9}
		r := ranking{m}.rank(n)
		want := fmt.Sprintf("%.0f °C left to its steady limit of %.0f °C", m.Steady.V-at, m.Steady.V)
		if got := strings.HasPrefix(r.Sentence, want); got != first {
			t.Errorf("at %v °C: %q", at, r.Sentence)
		}
	}
}

// A seat that nobody read, or a pane without a size, takes no stress of it.
func TestSeatWithoutASize(t *testing.T) {
	m, err := Book.ByID("annealed")
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		w, h, warp float64
		some       bool
	}{{300, 200, 1, true}, {0, 200, 1, false}, {300, 0, 1, false}, {300, 200, 0, false}, {0, 0, 0, false}} {
		if got := m.SeatStress(Load{W: c.w, H: c.h, Warp: c.warp}, 4); (got > 0) != c.some || got > 1000 {
			t.Errorf("%+v: %v", c, got)
		}
	}
}

// The nearest misses its limit by the least share; what a guard makes right comes
// before any number, and what nothing makes right is never named.
func TestNearest(t *testing.T) {
	number := func(v, limit float64) Closed {
		return Closed{Gate: "steady", Figure: working.Figure{Value: v, Unit: "°C",
			Limit: working.Most(limit, "°C", value.Custom())}.Judge(working.Stop)}
	}
	yes := func(gate string) Closed { return *never(gate, "", "it") }
	for _, c := range []struct {
		name       string
		one, other []Closed
		like       string
		first      bool
	}{
		{"less far", []Closed{number(300, 250)}, []Closed{number(500, 250)}, "", true},
		{"a share, not a number", []Closed{number(1105, 1000)}, []Closed{number(111, 100)}, "", true},
		{"the worst of several", []Closed{number(300, 290), number(300, 100)}, []Closed{number(300, 250)}, "", false},
		{"a guard before a number", []Closed{yes("safety")}, []Closed{number(251, 250)}, "", true},
		{"one thing to meet before two", []Closed{yes("safety")}, []Closed{yes("safety"), yes("food")}, "", true},
		{"like the old one", []Closed{yes("safety")}, []Closed{yes("safety")}, "one", true},
		{"like the old one, the other way", []Closed{yes("safety")}, []Closed{yes("safety")}, "other", false},
	} {
		one, other := (Material{ID: "one"}).near(c.one), (Material{ID: "other"}).near(c.other)
		if one.before(other, c.like) != c.first || c.first && other.before(one, c.like) {
			t.Errorf("%s: %+v, %+v", c.name, one, other)
		}
	}
	for gate, refused := range map[string]bool{"safety": false, "food": false, "vehicle": true, "pressure": true,
		"shape": true} {
		if k := (Material{}).near([]Closed{yes(gate), number(1, 2)}); k.refused != refused {
			t.Errorf("%s: refused %v", gate, k.refused)
		}
	}
}

// What comes nearest is safe: a stove where somebody may fall keeps its
// glass-ceramic behind a guard, a tube for 60 bar is not one of plastic, a mirror
// that is struck is a mirror with a film, and nothing is named for a windscreen
// that is too thin for any.
func TestTheNearestIsSafe(t *testing.T) {
	for _, c := range []struct {
		name string
		n    Need
		says []string
		not  []string
	}{
		{"a stove where somebody may fall", Need{Exposure: exposed(t, "fire"), Thickness: 4, Strike: true},
			[]string{"The nearest is glass-ceramic, with a guard"}, []string{"borosilicate"}},
		{"a tube for 60 bar", Need{Exposure: exposed(t, "boiler"), Thickness: 2.5, Tube: true, Outside: 12.7,
			Duty: Duty{Pressure: 60}}, []string{"The nearest is borosilicate: at 60 bar"}, []string{"polycarbonate", "acrylic"}},
		{"a mirror that is struck", Need{Exposure: exposed(t, "room"), Thickness: 4, Strike: true, Like: "mirror"},
			[]string{"The nearest is mirror, with a guard", "safety film"}, []string{"annealed"}},
		{"a windscreen too thin for any", Need{Exposure: exposed(t, "weather"), Thickness: 4, Depth: 2, Vehicle: true,
			Duty: Duty{Windscreen: true}}, []string{"laminated", "its thinnest pane"},
			[]string{"polycarbonate", "acrylic", "annealed"}},
	} {
		got, err := Choose(c.n)
		if err != nil || len(got.Open) != 0 {
			t.Errorf("%s: %d open, %v", c.name, len(got.Open), err)
			continue
		}
		for _, w := range c.says {
			if !strings.Contains(got.Advice, w) {
				t.Errorf("%s: %q does not say %q", c.name, got.Advice, w)
			}
		}
		for _, w := range c.not {
			if strings.Contains(got.Advice, w) {
				t.Errorf("%s: %q names %s", c.name, got.Advice, w)
			}
		}
	}
}

// The better score stands first, whatever order the book has.
func TestBestIsFirst(t *testing.T) {
	e, err := exposure.Book.ByID("room")
	if err != nil {
		t.Fatal(err)
	}
	c, err := Choose(Need{Exposure: e, Thickness: 4, Area: 2e5, Own: catalogue.Values{}})
	if err != nil || len(c.Open) < 4 {
		t.Fatalf("%d open, %v", len(c.Open), err)
	}
	for i := 1; i < len(c.Open); i++ {
		if c.Open[i].Score > c.Open[i-1].Score {
			t.Errorf("%s (%v) stands behind %s (%v)", c.Open[i].Material, c.Open[i].Score, c.Open[i-1].Material,
				c.Open[i-1].Score)
		}
	}
	if !strings.HasPrefix(c.Advice, working.Num(c.Open[0].Thickness, 1)+" mm "+c.Open[0].Name) {
		t.Errorf("the advice is %q, the best %s", c.Advice, c.Open[0].Name)
	}
}

// What a pane carries for good, a tube's pressure and a warped seat, against
// what the glass holds for good: just inside, at, just outside.
func TestWhatItCarriesForGood(t *testing.T) {
	m := must(t, "borosilicate")
	may, err := strength.Allowable(45, strength.Permanent) // EN 16612's annealed glass for good
	if err != nil {
		t.Fatal(err)
	}
	// A tube of 13 × 2.5: σ = p·(6.5² + 4²)/(6.5² − 4²), by Lamé.
	const bar = 0.1 * (6.5*6.5 + 16) / (6.5*6.5 - 16)
	for _, c := range []struct {
		share float64
		want  working.Verdict
	}{{0.999, working.Good}, {1, working.Good}, {1.001, working.Stop}} {
		f, ok := m.HoopFigure(Duty{Pressure: c.share * may / bar}, 13, 2.5)
		if !ok || f.Verdict != c.want || math.Abs(f.Value-c.share*may) > 1e-9 || math.Abs(f.Limit.Value-may) > 1e-9 ||
			!strings.Contains(f.Sentence, "round the tube at") || !strings.Contains(f.Sentence, "its rating says") {
			t.Errorf("a tube at %v of what it holds: %v, %+v", c.share, ok, f)
		}
		// A seat out of flat by w: σ = E·t·w/(W·H)/(2(1 + ν)).
		w := c.share * may * 2 * (1 + 0.2) * 400 * 500 / (64000 * 4)
		seat := Load{W: 400, H: 500, Warp: w}
		f, ok = bending{m}.seatFigure(seat, 4)
		if !ok || f.Verdict != c.want || math.Abs(f.Value-c.share*may) > 1e-9 || f.Place != "seat_warp" ||
			!strings.Contains(f.Sentence, "for good when it is pressed onto the warped seat") {
			t.Errorf("a seat at %v of what it holds: %v, %+v", c.share, ok, f)
		}
	}
	if f, ok := m.HoopFigure(Duty{}, 13, 2.5); ok {
		t.Errorf("without a pressure: %+v", f)
	}
	if f, ok := m.HoopFigure(Duty{Pressure: 1}, 13, 2.5); !ok || f.Verdict != working.Good {
		t.Errorf("1 bar: %v %+v", ok, f)
	}
	if f, ok := m.HoopFigure(Duty{Pressure: 1}, 13, 0); ok {
		t.Errorf("a tube without a wall: %+v", f)
	}
	if f, ok := (bending{m}).seatFigure(Load{W: 400, H: 500}, 4); ok {
		t.Errorf("a flat seat: %+v", f)
	}
	// 2230 kg/m³ × 0.2 m² × 4 mm, by hand 1.784 kg, and the working says so.
	f := m.MassFigure(200000, 4)
	if math.Abs(f.Value-1.784) > 1e-9 || f.Verdict != working.Note {
		t.Errorf("%+v", f)
	}
	for _, i := range f.Working.Inputs {
		if i.Symbol == "A" && math.Abs(i.Value-0.2) > 1e-12 {
			t.Errorf("an area of 0.2 m² is written %v", i.Value)
		}
	}
}

// Which panes of a stack stand in another frame: before the first, behind the last; 0 stands for
// all of them.
func TestOutsideItsFrame(t *testing.T) {
	for _, c := range []struct {
		first, last int
		outside     []int
	}{{0, 0, nil}, {2, 0, []int{1}}, {0, 2, []int{3, 4}}, {2, 3, []int{1, 4}}, {1, 4, nil}, {4, 4, []int{1, 2, 3}}} {
		var got []int
		for n := 1; n <= 4; n++ {
			st := Stack{First: c.first, Last: c.last}
			if st.outside(n) {
				got = append(got, n)
			}
			if in := st.In(n); st.outside(n) && (in.First != n || in.Last != n) || !st.outside(n) && (in.First != c.first ||
				in.Last != c.last) || in.Here != n {
				t.Errorf("pane %d of %+v: %+v", n, st, in)
			}
		}
		if !slices.Equal(got, c.outside) {
			t.Errorf("%+v: %v", c, got)
		}
	}
}

// A sudden change broke the old one: of an old pane that has no such limit, or that nobody
// knows, only the place is asked.
func TestSuddenOfAnUnknownPane(t *testing.T) {
	m, err := Book.ByID("annealed")
	if err != nil {
		t.Fatal(err)
	}
	for _, like := range []string{"", "acrylic", "polycarbonate", "board", "annealed", "glass-ceramic"} {
		n := roomNeed(t, Load{})
		n.Like, n.Exposure.Sudden = like, 0
		old, err := Book.ByID(like)
		want := err == nil && old.Sudden != nil && m.Sudden.V <= old.Sudden.V
		if got := (repeating{m}).againBy("sudden", n, 4); (got != "") != want {
			t.Errorf("after %q: %q", like, got)
		}
	}
}

// Numbers in sentences are said as a person would: pressure to a tenth, degrees and hours whole.
func TestNumbersInSentences(t *testing.T) {
	m, err := Book.ByID("borosilicate")
	if err != nil {
		t.Fatal(err)
	}
	f, ok := m.HoopFigure(Duty{Pressure: 7.26}, 12.7, 2.5)
	if !ok || !strings.HasPrefix(f.Sentence, "round the tube at 7.3 bar;") {
		t.Errorf("%q", f.Sentence)
	}
	for _, i := range f.Working.Inputs { // 7.26 bar is 0.726 N/mm²
		if want := map[string]float64{"p": 0.726, "R": 6.35, "r": 3.85}[i.Symbol]; math.Abs(i.Value-want) > 1e-9 {
			t.Errorf("%s is %v, want %v", i.Symbol, i.Value, want)
		}
	}
	e, ok := m.EdgeFigure(exposure.Exposure{Steady: 80.4, FrameHot: 40})
	if !ok || !strings.Contains(e.Sentence, "keeps 40 K cooler") {
		t.Errorf("%q", e.Sentence)
	}
}

// Where a sudden change broke an old pane that nobody knows, the new one stands half as much again
// as the place may bring: just under, at, above.
func TestSpareForASuddenChange(t *testing.T) {
	m, err := Book.ByID("borosilicate")
	if err != nil {
		t.Fatal(err)
	}
	for spare, flagged := range map[float64]bool{1.49: true, 1.5: false, 1.51: false} {
		n := roomNeed(t, Load{})
		n.Exposure.Sudden = m.Sudden.V / spare
		if got := (repeating{m}).againBy("sudden", n, 4); (got != "") != flagged {
			t.Errorf("%v times what may come: %q", spare, got)
		}
	}
}

// Where the seat broke it, half of what the new one holds for good is what the seat may take: just
// under and just over.
func TestHalfForTheSeat(t *testing.T) {
	m, err := Book.ByID("annealed")
	if err != nil {
		t.Fatal(err)
	}
	may, _ := m.allowable(strength.Permanent)
	at := m.SeatStress(Load{W: 400, H: 300, Warp: 0.1}, 4) / 0.1
	for share, flagged := range map[float64]bool{0.49: false, 0.51: true, 0.6: true} {
		n := roomNeed(t, Load{W: 400, H: 300, Warp: share * may / at})
		if got := (repeating{m}).againBy("seat", n, 4); (got != "") != flagged {
			t.Errorf("%v of what it holds: %q", share, got)
		}
	}
}

// Those that carry come first, the lighter before the heavier; those that do not, behind.
func TestCarriersInOrder(t *testing.T) {
	carry := 0
	all := Carriers(nil, Load{W: 900, H: 600, Held: Two, Wind: 30, Push: 500})
	for i, c := range all {
		if c.Thickness > 0 {
			carry++
		}
		if i == 0 {
			continue
		}
		if b := all[i-1]; c.Thickness > 0 && (b.Thickness == 0 || b.Mass > c.Mass) {
			t.Errorf("%s, %v kg, stands behind %s, %v kg", c.Name, c.Mass, b.Name, b.Mass)
		}
	}
	if carry == 0 || carry == len(all) {
		t.Errorf("%d of %d carry", carry, len(all))
	}
}
