package price

import (
	"fmt"
	"math/big"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"freshshard/core/fault"
)

// onePane is broken, and nobody measured it.
var onePane = []float64{0}

var rates = Rates{Hour: 4800, CallOut: 3500, Disposal: 600, Least: 0, Margin: 2000, Tax: 2000, Behind: 40, Days: 30}

func lines(s Sheet) string {
	out := []string{}
	for _, l := range s.Lines {
		t := fmt.Sprintf("%s %d..%d..%d", l.Key, l.Low, l.Cents, l.High)
		if l.Off {
			t += " off"
		}
		if l.Open {
			t += " open"
		}
		out = append(out, t)
	}
	return strings.Join(out, "; ")
}

// By hand, in cents: 10 + 2 × 20 minutes at 48.00 make 40.00, from nine tenths to 1.4
// times while nobody knows what is behind; a pane of 50.00 to 80.00 with a fifth on it;
// 2.5 m of rope at 3.33, 4.00 with the margin, 9.99 and a half to 10.00.
func TestReckon(t *testing.T) {
	j := Job{Works: []Work{{"measure", 10, 1, false}, {"set", 20, 2, false}, {"prove", 30, 1, true}},
		Materials: []Material{{Key: "pane", Text: "the pane", Milli: 1000, Unit: "pc", Low: 5000, Each: 6000, High: 8000,
			Known: true}, {Key: "rope", Text: "rope", Milli: 2500, Unit: "m", Low: 333, Each: 333, High: 333, Known: true}},
		Site: true, Broken: []float64{0, 0}}
	for _, c := range []struct {
		name   string
		change func(*Job, *Rates)
		lines  string
		total  Amount
		says   string
	}{
		{"as planned", func(*Job, *Rates) {}, "measure 720..800..1120; set 2880..3200..4480; pane 6000..7200..9600; " +
			"rope 1000..1000..1000; call-out 3500..3500..3500; disposal 1200..1200..1200",
			Amount{18360, 20280, 25080}, "From 183.60 to 250.80, 202.80 is likely, 20 % tax in it. It narrows when"},
		{"stripped", func(j *Job, _ *Rates) { j.Stripped = true }, "measure 720..800..920; set 2880..3200..3680; " +
			"pane 6000..7200..9600; rope 1000..1000..1000; call-out 3500..3500..3500; disposal 1200..1200..1200",
			Amount{18360, 20280, 23880}, "From 183.60 to 238.80, 202.80 is likely, 20 % tax in it."},
		{"what it took, and a price by hand", func(j *Job, _ *Rates) {
			j.Done, j.Adjust = true, Adjust{Minutes: map[string]int{"set": 61, "hold": 0, "refit": 7},
				Prices: map[string]int64{"pane": 6600}}
		}, "measure 800..800..800; set 4880..4880..4880; refit 560..560..560; pane 7920..7920..7920; rope " +
			"1000..1000..1000; " +
			"call-out 3500..3500..3500; disposal 1200..1200..1200", Amount{23832, 23832, 23832}, "238.32, 20 % tax in it."},
		{"left out, put in, a discount", func(j *Job, _ *Rates) {
			j.Done, j.Site = true, false
			j.Adjust = Adjust{Off: []string{"measure", "pane", "disposal"}, Own: []Own{{"ferry", 2000, 450}, {"goodwill", 1000,
				-500}}, Discount: 1250}
		}, "measure 800..800..800 off; set 3200..3200..3200; pane 6000..7200..9600 off; rope 1000..1000..1000; " +
			"disposal 1200..1200..1200 off; own-1 900..900..900; own-2 -500..-500..-500; discount -575..-575..-575",
			Amount{4830, 4830, 4830}, "48.30, 20 % tax in it."},
		{"up to the least", func(j *Job, r *Rates) {
			*j, r.Least = Job{Works: j.Works[:1], Done: true}, 4500
		}, "measure 800..800..800; least 3700..3700..3700", Amount{5400, 5400, 5400}, "54.00"},
		{"at the least", func(j *Job, r *Rates) {
			*j, r.Least = Job{Works: j.Works[:1], Done: true}, 800
		}, "measure 800..800..800", Amount{960, 960, 960}, "9.60"},
		{"no price yet", func(j *Job, r *Rates) {
			*j, r.Tax = Job{Works: j.Works[:1], Done: true, Materials: []Material{{Key: "pane", Text: "the pane", Milli: 1000}}},
				0
		}, "measure 800..800..800; pane 0..0..0 open", Amount{800, 800, 800},
			"8.00, without the pane: it has no price yet."},
		{"two without a price", func(j *Job, _ *Rates) {
			*j = Job{Materials: []Material{{Key: "a", Text: "a", Milli: 1}, {Key: "b", Text: "b", Milli: 1}}}
		}, "a 0..0..0 open; b 0..0..0 open", Amount{}, "0.00, 20 % tax in it, without 2 things that have no price yet."},
		{"nothing", func(j *Job, r *Rates) { *j, r.Least = Job{}, 4500 }, "", Amount{}, "0.00"},
	} {
		job, r := j, rates
		c.change(&job, &r)
		s, err := Reckon(job, r)
		if err != nil {
			t.Fatalf("%s: %v", c.name, err)
		}
		if got := lines(s); got != c.lines {
			t.Errorf("%s:\n%s\nwant\n%s", c.name, got, c.lines)
		}
		if s.Total != c.total || !strings.HasPrefix(s.Says, c.says) {
			t.Errorf("%s: %v, %q", c.name, s.Total, s.Says)
		}
		if f := s.Figure; f.Value*100 != float64(s.Total.Cents) || f.Working.Values == "" {
			t.Errorf("%s: %+v", c.name, f)
		}
	}
}

// Over 10,000 random jobs each line, the tax and the total are those of exact fractions
// (math/big), each rounded once, halves away from nothing; and no range is upside down.
func TestSumsToTheCent(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 1))
	half := big.NewRat(1, 2)
	round := func(v *big.Rat) int64 {
		a := new(big.Rat).Abs(v)
		a.Add(a, half)
		return int64(v.Sign()) * new(big.Int).Quo(a.Num(), a.Denom()).Int64()
	}
	frac := func(n, d int64) *big.Rat { return big.NewRat(n, d) }
	for n := range 10_000 {
		rt := Rates{Hour: r.Int64N(20_000), CallOut: r.Int64N(9000), Disposal: r.Int64N(2000), Least: r.Int64N(20_000),
			Margin: r.IntN(9000), Tax: r.IntN(3000), Behind: r.IntN(100), Days: 30}
		j := Job{Site: r.IntN(2) == 0, Broken: make([]float64, r.IntN(4)), Stripped: r.IntN(2) == 0, Done: r.IntN(2) == 0,
			Adjust: Adjust{Discount: r.IntN(4000)}}
		for i := range r.IntN(6) {
			j.Works = append(j.Works, Work{fmt.Sprint("s", i), r.IntN(200), 1 + r.IntN(2), r.IntN(9) == 0})
		}
		for i := range r.IntN(6) {
			low := r.Int64N(20_000)
			each := low + r.Int64N(5000)
			j.Materials = append(j.Materials, Material{fmt.Sprint("m", i), "m", r.Int64N(9000), "m", low, each,
				each + r.Int64N(9000), true, ""})
		}
		for range r.IntN(3) {
			j.Adjust.Own = append(j.Adjust.Own, Own{"o", 1 + r.Int64N(5000), r.Int64N(9000) - 3000})
		}
		s, err := Reckon(j, rt)
		if err != nil {
			t.Fatal(err)
		}
		net := int64(0)
		for _, l := range s.Lines {
			if l.Low > l.Cents || l.Cents > l.High {
				if l.Kind != Off && l.Kind != LeastOf {
					t.Fatalf("job %d: %+v", n, l)
				}
			}
			want := l.Cents
			switch l.Kind {
			case Labour:
				want = round(new(big.Rat).Mul(frac(l.Milli, 60_000), frac(rt.Hour, 1)))
			case Stuff:
				if l.Each != l.Cost+round(new(big.Rat).Mul(frac(l.Cost, 10_000), frac(int64(rt.Margin), 1))) {
					t.Fatalf("job %d: %+v", n, l)
				}
				want = round(new(big.Rat).Mul(frac(l.Milli, 1000), frac(l.Each, 1)))
			case Extra, Visit, Disposal:
				want = round(new(big.Rat).Mul(frac(l.Milli, 1000), frac(l.Each, 1)))
			case Off:
				want = -round(new(big.Rat).Mul(frac(max(0, net), 10_000), frac(int64(j.Adjust.Discount), 1)))
			case LeastOf:
				want = max(0, rt.Least-net)
			}
			if l.Cents != want {
				t.Fatalf("job %d: %+v, want %d", n, l, want)
			}
			net += l.Cents
		}
		tax := round(new(big.Rat).Mul(frac(net, 10_000), frac(int64(rt.Tax), 1)))
		if s.Net.Cents != net || s.Tax.Cents != tax || s.Total.Cents != net+tax {
			t.Fatalf("job %d: %+v, want %d and %d", n, s, net, tax)
		}
		if s.Total.Low > s.Total.Cents || s.Total.Cents > s.Total.High {
			t.Fatalf("job %d: %+v", n, s.Total)
		}
		if s.Total.Cents < 0 || len(s.Lines) == 0 {
			continue
		}
		b, err := s.Bill(j)
		if err != nil {
			t.Fatal(err)
		}
		sum := int64(0)
		for _, l := range b.Lines {
			sum += l.Cents
		}
		back := b.Back()
		if sum != b.Net || b.Net+b.Tax != b.Total || back.Total != -b.Total || back.Lines[0].Cents != -b.Lines[0].Cents {
			t.Fatalf("job %d: %+v", n, b)
		}
	}
}

func TestRefuses(t *testing.T) {
	for _, c := range []struct {
		field  string
		change func(*Job, *Rates)
		good   bool
	}{
		{"hour", func(_ *Job, r *Rates) { r.Hour = -1 }, false}, {"hour", func(_ *Job, r *Rates) { r.Hour = 0 }, true},
		{"call_out", func(_ *Job, r *Rates) { r.CallOut = 1e8 + 1 }, false},
		{"call_out", func(_ *Job, r *Rates) { r.CallOut = 1e8 }, true},
		{"disposal", func(_ *Job, r *Rates) { r.Disposal = -1 }, false}, {"least", func(_ *Job, r *Rates) { r.Least = -1 },
			false},
		{"margin", func(_ *Job, r *Rates) { r.Margin = 30_001 }, false},
		{"margin", func(_ *Job, r *Rates) { r.Margin = 30_000 }, true},
		{"tax", func(_ *Job, r *Rates) { r.Tax = 10_001 }, false}, {"tax", func(_ *Job, r *Rates) { r.Tax = 10_000 }, true},
		{"tax", func(_ *Job, r *Rates) { r.Tax = -1 }, false},
		{"behind", func(_ *Job, r *Rates) { r.Behind = 301 }, false}, {"behind", func(_ *Job, r *Rates) { r.Behind = 300 },
			true},
		{"behind", func(_ *Job, r *Rates) { r.Behind = -1 }, false},
		{"days", func(_ *Job, r *Rates) { r.Days = 0 }, false}, {"days", func(_ *Job, r *Rates) { r.Days = 1 }, true},
		{"days", func(_ *Job, r *Rates) { r.Days = 365 }, true}, {"days", func(_ *Job, r *Rates) { r.Days = 366 }, false},
		{"works[0].minutes", func(j *Job, _ *Rates) { j.Works = []Work{{"set", -1, 1, false}} }, false},
		{"works[0].minutes", func(j *Job, _ *Rates) { j.Works = []Work{{"set", 10_001, 1, false}} }, false},
		{"works[0].minutes", func(j *Job, _ *Rates) { j.Works = []Work{{"set", 10_000, 4, false}} }, true},
		{"works[0].minutes", func(j *Job, _ *Rates) { j.Works = []Work{{"set", 1, 0, false}} }, false},
		{"works[0].minutes", func(j *Job, _ *Rates) { j.Works = []Work{{"set", 1, 5, false}} }, false},
		{"works", func(j *Job, _ *Rates) { j.Works = slices.Repeat([]Work{{"set", 1, 1, false}}, 5001) }, false},
		{"works", func(j *Job, _ *Rates) { j.Works = slices.Repeat([]Work{{"set", 1, 1, false}}, 5000) }, true},
		{"materials[0].each", func(j *Job, _ *Rates) { j.Materials = []Material{{Low: 2, Each: 1, High: 2}} }, false},
		{"materials[0].each", func(j *Job, _ *Rates) { j.Materials = []Material{{Low: 2, Each: 2, High: 2}} }, true},
		{"materials[0].each", func(j *Job, _ *Rates) { j.Materials = []Material{{Low: -1, Each: 2, High: 2}} }, false},
		{"materials[0].each", func(j *Job, _ *Rates) { j.Materials = []Material{{High: 1, Milli: -1}} }, false},
		{"materials[0].each", func(j *Job, _ *Rates) { j.Materials = []Material{{High: 1e8 + 1}} }, false},
		{"lines.m", func(j *Job, _ *Rates) {
			j.Materials = []Material{{Key: "m", High: 1e8, Each: 1e8, Milli: 1000}}
		}, false},
		{"minutes.set", func(j *Job, _ *Rates) { j.Adjust.Minutes = map[string]int{"set": -1} }, false},
		{"minutes.set", func(j *Job, _ *Rates) { j.Adjust.Minutes = map[string]int{"set": 100_001} }, false},
		{"minutes.set", func(j *Job, _ *Rates) { j.Adjust.Minutes = map[string]int{"set": 100_000} }, true},
		{"prices.pane", func(j *Job, _ *Rates) { j.Adjust.Prices = map[string]int64{"pane": -1} }, false},
		{"prices.pane", func(j *Job, _ *Rates) { j.Adjust.Prices = map[string]int64{"pane": 1e8} }, true},
		{"own[0].text", func(j *Job, _ *Rates) { j.Adjust.Own = []Own{{"", 1000, 1}} }, false},
		{"own[0].milli", func(j *Job, _ *Rates) { j.Adjust.Own = []Own{{"x", 0, 1}} }, false},
		{"own[0].each", func(j *Job, _ *Rates) { j.Adjust.Own = []Own{{"x", 1, 1e8 + 1}} }, false},
		{"discount", func(j *Job, _ *Rates) { j.Adjust.Discount = 10_001 }, false},
		{"discount", func(j *Job, _ *Rates) { j.Adjust.Discount = 10_000 }, true},
	} {
		j, r := Job{}, rates
		c.change(&j, &r)
		_, err := Reckon(j, r)
		if f := fault.Of(err); (err == nil) != c.good || f != nil && f.Field != c.field {
			t.Errorf("%s: %v", c.field, err)
		}
	}
}

// Small panes are got rid of together: just up to a quarter of a square metre is one load, a hair
// above two; a large one, and one that nobody measured, is one by itself.
func TestLoads(t *testing.T) {
	for _, c := range []struct {
		areas []float64
		want  int
	}{
		{nil, 0}, {[]float64{0}, 1}, {[]float64{0, 0}, 2}, {[]float64{1.4}, 1}, {[]float64{0.25}, 1},
		{slices.Repeat([]float64{0.0125}, 9), 1}, // nine palm-sized lights
		{slices.Repeat([]float64{0.125}, 2), 1}, {[]float64{0.125, 0.126}, 2}, {[]float64{0.1, 0.7, 0}, 3},
	} {
		if got := Loads(c.areas); got != c.want {
			t.Errorf("%v are %d loads, want %d", c.areas, got, c.want)
		}
	}
}
