package cure

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/working"
)

var noon = time.Date(2027, 3, 26, 12, 0, 0, 0, time.UTC)

// steady is air that stays as it is for so many hours.
func steady(c, rh float64, hours int) []Air {
	return []Air{{noon, c, rh}, {noon.Add(time.Duration(hours) * time.Hour), c, rh}}
}

func cured(t *testing.T, b Bond, air []Air) Curing {
	t.Helper()
	if b.Since.IsZero() {
		b.Since = noon
	}
	c, err := Cure(b, air, b.Since)
	if err != nil {
		t.Fatal(err)
	}
	return c
}

// hours are those of a clock from when it was set, −1 for never.
func hours(at *time.Time) float64 {
	if at == nil {
		return -1
	}
	return at.Sub(noon).Hours()
}

// 23 °C and 50 % hold 10.3 g/m³; 20 °C saturated holds 17.3 (tables of saturated air,
// from memory).
func TestWater(t *testing.T) {
	for _, c := range []struct{ c, rh, want float64 }{{23, 50, 10.3}, {20, 100, 17.3}, {0, 100, 4.85}, {30, 100, 30.4}} {
		if got := Water(c.c, c.rh); math.Abs(got-c.want) > 0.01*c.want {
			t.Errorf("%v °C, %v %%: %v", c.c, c.rh, got)
		}
	}
	// Warming takes no water away; the air grows, so that a cubic metre holds less.
	a := Air{C: 8, RH: 80}.Warmed(20)
	if w := Water(8, 80); a.C != 20 || math.Abs(Water(a.C, a.RH)-w*281.15/293.15) > 0.01*w {
		t.Errorf("%+v: %v, want %v", a, Water(a.C, a.RH), w)
	}
	if a := (Air{C: 21, RH: 40}).Warmed(20); a.C != 21 || a.RH != 40 {
		t.Errorf("%+v", a)
	}
}

// The root law on the sheet's own day: a bead pressed to 6 mm with both edges open has to
// cure 3 mm deep; at 3 mm a day that is 24 h, at 4 mm 13.5 h; with one edge open 6 mm,
// four times as long.
func TestRootLaw(t *testing.T) {
	for _, c := range []struct {
		b          Bond
		fast, slow float64
	}{
		{Bond{Adhesive: "urethane", Width: 6, Edges: 2}, 13.5, 24}, {Bond{Adhesive: "urethane", Width: 6, Edges: 1}, 54, 96},
		{Bond{Adhesive: "urethane", Width: 6, Edges: 2, Depth24: 6}, 6, 6},
		{Bond{Adhesive: "neutral-silicone", Width: 8, Edges: 2}, 24 * 16.0 / 9, 24 * 16.0 / 4},
		{Bond{Adhesive: "epoxy"}, 12, 24}, {Bond{Adhesive: "butyl-tape"}, 0, 0}, {Bond{Adhesive: "cement"}, 18, 24},
		{Bond{Adhesive: "linseed-putty"}, 168, 504},
	} {
		r := cured(t, c.b, steady(23, 50, 1200)).Clocks[1]
		if math.Abs(hours(r.Earliest)-c.fast) > 0.02 || math.Abs(hours(r.Safe)-c.slow) > 0.02 {
			t.Errorf("%+v: %v to %v, want %v to %v", c.b, hours(r.Earliest), hours(r.Safe), c.fast, c.slow)
		}
	}
	// Half the water of the sheet's day, as warm: the plain law takes twice as long.
	r := cured(t, Bond{Adhesive: "urethane", Width: 6, Edges: 2}, steady(23, 25, 1200)).Clocks[1]
	if math.Abs(hours(r.Earliest)-27) > 0.05 || math.Abs(hours(r.Safe)-48) > 0.05 {
		t.Errorf("%v to %v", hours(r.Earliest), hours(r.Safe))
	}
	// Two-part: 10 K less, twice as long; 10 K more is no safe gain.
	for degrees, want := range map[float64]float64{13: 48, 33: 24} {
		if r = cured(t, Bond{Adhesive: "epoxy"}, steady(degrees, 50, 1200)).Clocks[1]; math.Abs(hours(r.Safe)-want) > 0.05 {
			t.Errorf("epoxy at %v: %v", degrees, hours(r.Safe))
		}
	}
}

// Changing weather against a fine step: the same law added up minute by minute.
func TestAgainstAFineStep(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 5))
	for range 60 {
		air := []Air{}
		for h := 0; h <= 400; h += 3 {
			air = append(air, Air{noon.Add(time.Duration(h) * time.Hour), 14 + 9*math.Sin(float64(h)/3.8) + r.Float64(),
				35 + 40*r.Float64()})
		}
		b := Bond{Adhesive: []string{"urethane", "neutral-silicone"}[r.IntN(2)], Since: noon, Width: 5 + 4*r.Float64(),
			Edges: 2}
		a, _ := Book.ByID(b.Adhesive)
		want := b.targets(a)[1].slow
		sum, fine := 0.0, noon
		for sum < want && fine.Sub(noon) < horizon {
			here, _ := at(air, rest(air), fine.Add(30*time.Second))
			sum += a.rate(here, true) / 60
			fine = fine.Add(time.Minute)
		}
		if got := cured(t, b, air).Clocks[1].Safe; got == nil || math.Abs(got.Sub(fine).Minutes()) > 4 {
			t.Errorf("%+v: %v, by the minute %v", b, got, fine)
		}
	}
}

// On a row and column of the table it is the sheet's own time; inside a cell the safe one
// is the slowest corner, never earlier than the sheet; outside it stands still or stays at
// the edge.
func TestTable(t *testing.T) {
	a, _ := Book.ByID("urethane-fast")
	for _, c := range []struct{ c, rh, safe float64 }{
		{5, 20, 480}, {5, 50, 360}, {23, 80, 60}, {35, 80, 60}, {15, 50, 180}, {15, 49.9, 240}, {15.1, 50, 180},
		{14.9, 50, 360},
		{23.1, 50, 60}, {40, 90, 60}, {35, 100, 60},
	} {
		if got := hours(cured(t, Bond{Adhesive: a.ID}, steady(c.c, c.rh, 900)).Clocks[1].Safe) * 60; math.Abs(
			got-c.safe) > 0.1 {
			t.Errorf("%v °C, %v %%: %v min, want %v", c.c, c.rh, got, c.safe)
		}
	}
	for _, cold := range []Air{{C: 4.9, RH: 50}, {C: 20, RH: 19.9}} {
		if got := cured(t, Bond{Adhesive: a.ID}, steady(cold.C, cold.RH, 900)).Clocks[1]; got.Safe != nil ||
			!strings.Contains(says(got), "not within sixty days") || got.Earliest == nil {
			t.Errorf("%+v: %v", cold, got.Safe)
		}
	}
	r := rand.New(rand.NewPCG(1, 7))
	for range 3000 {
		air := Air{C: 5 + 30*r.Float64(), RH: 20 + 60*r.Float64()}
		i, _ := cell(a.Degrees, air.C)
		j, _ := cell(a.Humidities, air.RH)
		if a.tableRate(air, true) > 60/a.Minutes[i+1][j+1]+1e-12 || a.tableRate(air, true) > a.tableRate(air, false)+1e-12 {
			t.Fatalf("%+v", air)
		}
	}
}

// Colder or drier is never sooner, a wider bead never sooner, the earliest never behind
// the safe time, and each clock never before the one in front.
func TestNeverSooner(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 2))
	later := func(a, b *time.Time) bool { return b == nil || a != nil && !a.After(b.Add(time.Second)) }
	for range 400 {
		a := Book.All()[r.IntN(len(Book.All()))]
		b := Bond{Adhesive: a.ID, Width: 4 + 10*r.Float64(), Edges: 1 + r.IntN(2)}
		c, rh := 2+35*r.Float64(), 10+85*r.Float64()
		base := cured(t, b, steady(c, rh, 900))
		cold := cured(t, b, steady(c-6*r.Float64(), rh, 900))
		dry := cured(t, b, steady(c, rh-9*r.Float64(), 900))
		wide := b
		wide.Width += 3
		broad := cured(t, wide, steady(c, rh, 900))
		for i := range base.Clocks {
			k := base.Clocks[i]
			for name, o := range map[string]Clock{"colder": cold.Clocks[i], "drier": dry.Clocks[i], "wider": broad.Clocks[i]} {
				if !later(k.Safe, o.Safe) {
					t.Fatalf("%s %s at %.1f °C, %.0f %%: %v, then %v", a.ID, name, c, rh, k.Safe, o.Safe)
				}
			}
			if !later(k.Earliest, k.Safe) || i > 0 && !later(base.Clocks[i-1].Safe, k.Safe) {
				t.Fatalf("%s %s: %v, %v", a.ID, k.Key, k.Earliest, k.Safe)
			}
		}
	}
}

// The clock counts real time: a night in which clocks are put forward is an hour shorter
// on the wall, and the bond does not know.
func TestSummerTime(t *testing.T) {
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Skip("no zones on this machine")
	}
	since := time.Date(2027, 3, 27, 18, 0, 0, 0, zone)
	c, err := Cure(Bond{Adhesive: "epoxy", Since: since}, []Air{{since, 23, 50}, {since.Add(100 * time.Hour), 23, 50}},
		since)
	if err != nil {
		t.Fatal(err)
	}
	if got := c.Clocks[1].Safe.In(zone); got.Format("Mon 15:04") != "Sun 19:00" {
		t.Error(got)
	}
}

// What was done is kept when the weather turns; behind the last forecast the coldest and
// driest of its last day holds, and the clock says so.
func TestWeatherTurns(t *testing.T) {
	b := Bond{Adhesive: "urethane", Width: 6, Edges: 2}
	front := []Air{{noon, 23, 50}, {noon.Add(12 * time.Hour), 23, 50}, {noon.Add(12*time.Hour + time.Minute), 3, 60},
		{noon.Add(36 * time.Hour), 3, 60}, {noon.Add(36*time.Hour + time.Minute), 23, 50}, {noon.Add(90 * time.Hour), 23, 50}}
	// Half of it by midnight, nothing in the cold below the sheet, the rest after.
	if got := hours(cured(t, b, front).Clocks[1].Safe); math.Abs(got-48) > 0.3 {
		t.Errorf("%v h", got)
	}
	short := []Air{{noon, 23, 50}, {noon.Add(10 * time.Hour), 13, 50}}
	k := cured(t, b, short).Clocks[1]
	if !k.Unsure || hours(k.Safe) < 30 {
		t.Errorf("%+v", k)
	}
	if k = cured(t, b, steady(23, 50, 100)).Clocks[1]; k.Unsure {
		t.Errorf("%+v", k)
	}
}

func TestClockInWords(t *testing.T) {
	b := Bond{Adhesive: "urethane", Since: noon, Width: 6, Edges: 2}
	for _, c := range []struct {
		after time.Duration
		says  string
		over  bool
	}{{0, "Ready in 24 h 00 min: not before.", false}, {23*time.Hour + 59*time.Minute, "Ready in 1 min: not before.",
		false},
		{24 * time.Hour, "Ready: refit it, move it, use it gently.", true},
		{25 * time.Hour, "Ready: refit it, move it, use it gently.", true}} {
		got, err := Cure(b, steady(23, 50, 900), noon.Add(c.after))
		if err != nil || got.Says != c.says || got.Clocks[1].Over != c.over || got.Need != "3.0 mm through" &&
			got.Need != "3 mm through" {
			t.Errorf("%v: %q, %q, %v", c.after, got.Says, got.Need, err)
		}
	}
	for want, minutes := range map[string]int{"59 min": 59, "1 h 00 min": 60, "47 h 59 min": 2879, "2 days": 2880,
		"3 days": 2881} {
		if got := span(minutes); got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
	c := cured(t, b, steady(23, 50, 900))
	if f := c.Clocks[1].Figure; math.Abs(f.Value-24) > 0.01 || !strings.Contains(f.Working.Values, "24 ×") ||
		len(c.Curve) < 20 || len(c.Curve) > mostPoints+2 || c.LetGoAt != handlingShare {
		t.Errorf("%+v, %d points", f, len(c.Curve))
	}
}

// Putty is handled on its skin: its step does not wait three weeks for paint.
func TestOpens(t *testing.T) {
	for id, want := range map[string]Key{"linseed-putty": LetGo, "urethane": Ready, "urethane-fast": Ready, "epoxy": Ready,
		"cement": Ready, "butyl-tape": Ready} {
		c := cured(t, Bond{Adhesive: id, Width: 8, Edges: 2}, steady(23, 50, 1400))
		if c.Opens != want || c.Opened().Key != want {
			t.Errorf("%s: %s", id, c.Opens)
		}
	}
	if c := cured(t, Bond{Adhesive: "linseed-putty"}, steady(23, 50, 1400)); c.Says != "Skin in 24 h 00 min: not before." {
		t.Errorf("%q", c.Says)
	}
}

func TestRefuses(t *testing.T) {
	good := Bond{Adhesive: "urethane", Since: noon, Width: 6, Edges: 2}
	for _, c := range []struct {
		field  string
		change func(*Bond)
		air    []Air
	}{
		{"adhesive", func(b *Bond) { b.Adhesive = "spit" }, nil}, {"since", func(b *Bond) { b.Since = time.Time{} }, nil},
		{"since", func(b *Bond) { b.Since = noon.Add(time.Hour) }, nil}, {"edges", func(b *Bond) { b.Edges = 0 }, nil},
		{"edges", func(b *Bond) { b.Edges = 3 }, nil}, {"width", func(b *Bond) { b.Width = 0.9 }, nil},
		{"width", func(b *Bond) { b.Width = 60.1 }, nil}, {"depth24", func(b *Bond) { b.Depth24 = 10.1 }, nil},
		{"", func(b *Bond) { b.Width, b.Depth24 = 1, 10 }, nil}, {"", func(b *Bond) { b.Width = 60 }, nil},
		{"air", func(*Bond) {}, []Air{}}, {"air", func(*Bond) {}, []Air{{noon, 61, 50}}},
		{"air", func(*Bond) {}, []Air{{noon, 20, 0.5}}},
		{"air", func(*Bond) {}, []Air{{noon, 20, 50}, {noon.Add(-time.Minute), 20, 50}}},
	} {
		b, air := good, c.air
		c.change(&b)
		if air == nil {
			air = steady(23, 50, 9)
		}
		_, err := Cure(b, air, noon)
		if f := fault.Of(err); (f == nil) != (c.field == "") || f != nil && f.Field != c.field {
			t.Errorf("%q: %v", c.field, err)
		}
	}
}

// Just inside, at and just outside each gate.
func TestGates(t *testing.T) {
	base := Opening{Adhesive: "urethane", C: 20, RH: 50, Surface: 18, Now: noon}
	for _, c := range []struct {
		name   string
		change func(*Opening)
		stops  string
	}{
		{"a mild bench", func(*Opening) {}, ""}, {"as cold as the sheet", func(o *Opening) { o.C, o.Surface = 5, 5 }, ""},
		{"colder", func(o *Opening) { o.C, o.Surface = 4.9, 5 }, "cure_cold"},
		{"a cold flange", func(o *Opening) { o.Surface, o.RH = 4.9, 20 }, "cure_cold"},
		{"as hot as the sheet", func(o *Opening) { o.C, o.Surface = 35, 35 }, ""},
		{"hotter", func(o *Opening) { o.Surface = 35.1 }, "cure_hot"},
		{"damp", func(o *Opening) { o.Surface = 12.1 }, "dew_margin"}, {"dry enough", func(o *Opening) { o.Surface = 12.4 },
			""},
		{"its last day", func(o *Opening) { o.Expires = noon }, ""},
		{"past it", func(o *Opening) { o.Expires = noon.Add(-time.Minute) }, "cure_expires"},
		{"opened yesterday", func(o *Opening) { o.Opened = noon.Add(-24 * time.Hour) }, ""},
		{"and a minute", func(o *Opening) { o.Opened = noon.Add(-24*time.Hour - time.Minute) }, "cure_opened"},
		{"an epoxy keeps", func(o *Opening) { o.Adhesive, o.Opened = "epoxy", noon.AddDate(0, 0, -9) }, ""},
	} {
		o := base
		c.change(&o)
		f, err := Gates(o)
		if err != nil {
			t.Fatal(err)
		}
		stops := []string{}
		for _, g := range f {
			if g.Verdict == working.Stop {
				stops = append(stops, g.Key)
			}
			if g.Text == "" || g.Limit == nil {
				t.Errorf("%s: %+v", c.name, g)
			}
		}
		if strings.Join(stops, " ") != c.stops {
			t.Errorf("%s: %v", c.name, stops)
		}
	}
	for field, o := range map[string]Opening{"adhesive": {Adhesive: "spit"}, "air": {Adhesive: "epoxy", C: 61, RH: 50}} {
		if _, err := Gates(o); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// Every one of the book's can be reckoned, and its pairs are the right way round.
func TestAdhesives(t *testing.T) {
	for _, a := range Book.All() {
		if a.Name == "" || a.Least >= a.Most || a.Skin[0] > a.Skin[1] || a.Full[0] > a.Full[1] ||
			a.Handling[0] > a.Handling[1] ||
			a.Ready[0] > a.Ready[1] || a.Depth[0] > a.Depth[1] || (a.Kind == Moisture) != (a.Depth[0] > 0) ||
			(a.Kind == Table) != (len(a.Minutes) > 0) || len(a.Minutes) != len(a.Degrees) {
			t.Errorf("%+v", a)
		}
		for i, row := range a.Minutes {
			for j := range row {
				if len(row) != len(a.Humidities) || i > 0 && row[j] > a.Minutes[i-1][j] || j > 0 && row[j] > row[j-1] {
					t.Errorf("%s: row %v", a.ID, row)
				}
			}
		}
		if c := cured(t, Bond{Adhesive: a.ID, Width: 12, Edges: 2}, steady(20, 55, 1400)); len(c.Clocks) != 3 ||
			c.Says == "" {
			t.Errorf("%s: %+v", a.ID, c)
		}
	}
}

func BenchmarkCure(b *testing.B) {
	air := []Air{}
	for h := range 240 {
		air = append(air, Air{noon.Add(time.Duration(h) * time.Hour), 14 + 6*math.Sin(float64(h)/4), 60})
	}
	for b.Loop() {
		if _, err := Cure(Bond{Adhesive: "urethane", Since: noon, Width: 12, Edges: 2}, air, noon); err != nil {
			b.Fatal(err)
		}
	}
}

// The air at a moment: before the first reading it is as the first, between two it runs straight
// from one to the other, behind the last nobody knows. Air that is warmed dries; air that is not
// warmed stays as it is.
func TestAirAtAMoment(t *testing.T) {
	from := time.Date(2026, 3, 2, 8, 0, 0, 0, time.UTC)
	all := []Air{{from, 10, 80}, {from.Add(4 * time.Hour), 18, 60}}
	rest := Air{C: 5, RH: 90}
	for h, want := range map[float64]struct {
		c, rh float64
		sure  bool
	}{-1: {10, 80, true}, 0: {10, 80, true}, 1: {12, 75, true}, 3: {16, 65, true}, 4: {18, 60, true}, 4.1: {5, 90,
		false}} {
		a, sure := at(all, rest, from.Add(time.Duration(h*float64(time.Hour))))
		if math.Abs(a.C-want.c) > 1e-9 || math.Abs(a.RH-want.rh) > 1e-9 || sure != want.sure {
			t.Errorf("after %v h: %+v, %v", h, a, sure)
		}
	}
	a := Air{C: 10, RH: 80}
	for _, c := range []float64{-5, 9.9, 10} {
		if got := a.Warmed(c); got != a {
			t.Errorf("warmed to %v °C: %+v", c, got)
		}
	}
	if got := a.Warmed(20); got.C != 20 || got.RH >= 45 || got.RH <= 40 { // 9.4 of 17.3 g/m³ at 80 %
		t.Errorf("%+v", got)
	}
}
