package sash

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/length"
)

func at(v, doubt float64) *length.Reading { return &length.Reading{Value: v, Doubt: doubt} }

func solve(t testing.TB, d Direction) Result {
	t.Helper()
	r, err := Solve(d, "column", "bar", "left stile", "right stile", "the sash's width")
	if err != nil {
		t.Fatal(err)
	}
	return r
}

// By hand: 900 − 2·50 − 2·20 − 250 − 260 = 250.
func TestInfersTheBrokenLight(t *testing.T) {
	r := solve(t, Direction{Lights: [][]length.Reading{{*at(250, 0.5)}, {}, {*at(260, 0.5)}},
		Bars: []*length.Reading{at(20, 0.5), at(20, 0.5)}, First: at(50, 0.5), Last: at(50, 0.5), Whole: at(900, 1)})
	if l := r.Lights[1]; !l.Known || l.Direct || math.Abs(l.Value-250) > 1e-6 {
		t.Errorf("%+v", l)
	}
	// σ² = (6 · 0.5² + 1²) / 3, doubt 1.96 σ.
	if want := z95 * math.Sqrt((6*0.25+1)/3); math.Abs(r.Lights[1].Doubt-want) > 1e-9 {
		t.Errorf("doubt %v, want %v", r.Lights[1].Doubt, want)
	}
	if r.Odd != nil || r.Settle != "" {
		t.Errorf("%+v, %q", r.Odd, r.Settle)
	}
	names := []string{}
	for _, p := range r.Parts {
		names = append(names, p.Name)
	}
	if got := strings.Join(names, ", "); got != "left stile, column 1, bar 1, column 2, bar 2, column 3, right stile" {
		t.Errorf("parts: %s", got)
	}
}

func TestTwoReadingsOfOneColumnHelp(t *testing.T) {
	one := solve(t, Direction{Lights: [][]length.Reading{{*at(250, 1)}}})
	two := solve(t, Direction{Lights: [][]length.Reading{{*at(250, 1), *at(251, 1)}}})
	if math.Abs(two.Lights[0].Value-250.5) > 1e-9 || two.Lights[0].Doubt >= one.Lights[0].Doubt {
		t.Errorf("%+v, %+v", one.Lights[0], two.Lights[0])
	}
}

func TestSaysWhatWouldSettle(t *testing.T) {
	d := Direction{Lights: [][]length.Reading{{*at(250, 1)}, {}, {*at(250, 1)}}, Bars: []*length.Reading{at(20, 1), nil},
		First: at(50, 1), Last: at(50, 1), Alike: true}
	r := solve(t, d)
	if r.Lights[1].Known || !(r.Settle == "the sash's width" || r.Settle == "column 2") {
		t.Errorf("%+v, settle %q", r.Lights[1], r.Settle)
	}
	d.Whole = at(890, 1)
	if r = solve(t, d); !r.Lights[1].Known || r.Settle != "" {
		t.Errorf("%+v, settle %q", r.Lights[1], r.Settle)
	}
	if r = solve(t, Direction{Lights: [][]length.Reading{{}, {}}, Bars: []*length.Reading{nil}}); r.Lights[0].Known ||
		r.Settle == "" {
		t.Errorf("with nothing read: %+v, settle %q", r.Lights, r.Settle)
	}
}

func TestNamesTheOddReading(t *testing.T) {
	d := Direction{Lights: [][]length.Reading{{*at(250, 0.5), *at(250.3, 0.5)},
		{*at(205, 0.5), *at(250, 0.5), *at(249.8, 0.5)}, {*at(250, 0.5)}}, Bars: []*length.Reading{at(20, 0.5), at(20, 0.5)},
		First: at(50, 0.5), Last: at(50, 0.5), Whole: at(890, 1)}
	r := solve(t, d)
	if r.Odd == nil || r.Odd.Value != 205 || math.Abs(r.Odd.Predicted-250) > 0.5 || r.Odd.Name != "column 2" {
		t.Errorf("%+v", r.Odd)
	}
}

// What the hat values predict for a reading is what a fit without it gives.
func TestPredictionIsLeavingOut(t *testing.T) {
	m := model{n: 3, alike: true}
	d := Direction{Lights: [][]length.Reading{{*at(250, 0.5), *at(250.9, 1)}, {*at(244, 0.5)}, {*at(260, 0.5)}},
		Bars: []*length.Reading{at(20, 0.5), at(20.4, 0.5)}, First: at(50, 1), Last: at(51, 1), Whole: at(897, 1),
		Alike: true}
	rows, err := m.rows(d, "column", "bar", "a", "b", "c")
	if err != nil {
		t.Fatal(err)
	}
	s := leastSquares(rows, m.size())
	for i, o := range rows {
		rest := leastSquares(append(append([]row(nil), rows[:i]...), rows[i+1:]...), m.size())
		want := 0.0
		for j, c := range o.coef {
			want += c * rest.parts[j].Value
		}
		if got := o.value - (o.value-s.fitted[i])/(1-s.hat[i]); math.Abs(got-want) > 1e-6 {
			t.Errorf("%s: predicted %v, without it %v", o.name, got, want)
		}
	}
}

// A reading that is wrong leaves the other lights alone; where several may be it,
// nothing is surer than they disagree; and a sum that leaves a light less than
// nothing is refused.
func TestOneWrongReadingStaysWhereItIs(t *testing.T) {
	d := Direction{Lights: [][]length.Reading{{*at(250, 0.5), *at(250, 0.5)},
		{*at(205, 0.5), *at(250, 0.5), *at(250, 0.5)}, {}}, Bars: []*length.Reading{at(20, 0.5), at(20, 0.5)},
		First: at(50, 0.5), Last: at(50, 0.5), Whole: at(890, 1)}
	r := solve(t, d)
	if r.Odd == nil || !r.Odd.LeftOut || r.Odd.Value != 205 {
		t.Fatalf("%+v", r.Odd)
	}
	for i, l := range r.Lights {
		if math.Abs(l.Value-250) > 0.01 || l.Doubt > 2.5 {
			t.Errorf("light %d: %v ± %v", i+1, l.Value, l.Doubt)
		}
	}
	// One light and its whole: 890 is not 250 + 2 × 50 by 540, and nobody can say
	// which of the four is wrong.
	d = Direction{Lights: [][]length.Reading{{*at(250, 1)}}, First: at(50, 1), Last: at(50, 1), Whole: at(370, 1)}
	if r = solve(t, d); r.Odd == nil || r.Odd.LeftOut || r.Lights[0].Doubt < 19 ||
		!strings.Contains(r.Odd.Sentence, "any of them may be wrong") {
		t.Errorf("%+v, %+v", r.Odd, r.Lights)
	}
	d = Direction{Lights: [][]length.Reading{{*at(250, 1)}, {}}, Bars: []*length.Reading{at(20, 1)}, First: at(50, 1),
		Last: at(50, 1), Whole: at(360, 1)}
	_, err := Solve(d, "column", "bar", "left stile", "right stile", "width")
	if f := fault.Of(err); f == nil || !strings.Contains(f.Why, "leaves −10.0 mm for column 2") {
		t.Errorf("%v", err)
	}
}

// 200 random sashes with known truth and noise: the truth lies inside the
// stated doubt in about 95 of 100 lights.
func TestTruthInsideTheDoubt(t *testing.T) {
	r := rand.New(rand.NewPCG(21, 4))
	inside, all := 0, 0
	for range 200 {
		n := 2 + r.IntN(5)
		truth := make([]float64, n)
		d := Direction{Bars: make([]*length.Reading, n-1), Alike: true}
		read := func(v, doubt float64) *length.Reading { return at(v+doubt*(2*r.Float64()-1), doubt) }
		sum, bar := 0.0, 15+10*r.Float64()
		for i := range truth {
			truth[i] = 150 + 300*r.Float64()
			sum += truth[i]
			readings := []length.Reading{}
			if i > 0 { // the first is broken
				readings = append(readings, *read(truth[i], 1), *read(truth[i], 1))
			}
			d.Lights = append(d.Lights, readings)
		}
		for i := range d.Bars {
			d.Bars[i] = read(bar, 0.5)
			sum += bar
		}
		d.First, d.Last, d.Whole = read(45, 1), read(45, 1), read(sum+90, 1)
		for i, l := range solve(t, d).Lights {
			if !l.Known {
				t.Fatalf("light %d of %d is open", i+1, n)
			}
			all++
			if math.Abs(l.Value-truth[i]) <= l.Doubt {
				inside++
			}
		}
	}
	// Sums of uniform errors are a little narrower than normal ones.
	if rate := float64(inside) / float64(all); rate < 0.93 || rate > 0.995 {
		t.Errorf("the truth is inside in %.1f of 100", 100*rate)
	}
}

func TestRefuses(t *testing.T) {
	for field, d := range map[string]Direction{
		"lights":       {},
		"bars":         {Lights: [][]length.Reading{{}, {}}},
		"lights[0][0]": {Lights: [][]length.Reading{{{Value: -1}}}},
		"whole":        {Lights: [][]length.Reading{{}}, Whole: at(math.NaN(), 1)},
	} {
		_, err := Solve(d, "column", "bar", "a", "b", "c")
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
}

// A sash of 100 lights, ten by ten: both ways.
func BenchmarkSash100(b *testing.B) {
	d := Direction{Alike: true, First: at(50, 1), Last: at(50, 1), Whole: at(2780, 1)}
	for i := range 10 {
		readings := []length.Reading{}
		if i != 4 {
			for range 3 {
				readings = append(readings, *at(250, 1))
			}
		}
		d.Lights = append(d.Lights, readings)
	}
	for range 9 {
		d.Bars = append(d.Bars, at(20, 0.5))
	}
	for b.Loop() {
		for range 2 {
			if _, err := Solve(d, "column", "bar", "a", "b", "c"); err != nil {
				b.Fatal(err)
			}
		}
	}
}

// The odd one is told against what the others say without it: their mean and
// 1.96 σ/√2, by hand 250.2 ± 0.4 from 250.0 and 250.4, each ± 0.5.
func TestOddReadingIsToldAgainstTheOthers(t *testing.T) {
	r := solve(t, Direction{Lights: [][]length.Reading{{*at(250, 0.5), *at(250.4, 0.5), *at(260, 0.5)}}})
	if r.Odd == nil || r.Odd.Sentence != "column 1 reads 260.0 mm; the others say 250.2 ± 0.4 mm. Read it again." {
		t.Fatalf("%+v", r.Odd)
	}
	// Four sigmas of the reading and the others together: √(σ² + σ²/2), σ = 0.5/√3.
	sigma := 0.5 / math.Sqrt(3) * math.Sqrt(1.5)
	for _, c := range []struct {
		off  float64
		told bool
	}{{3.99 * sigma, false}, {4.01 * sigma, true}} {
		r := solve(t, Direction{Lights: [][]length.Reading{{*at(250, 0.5), *at(250, 0.5), *at(250+c.off, 0.5)}}})
		if (r.Odd != nil) != c.told {
			t.Errorf("%.3f mm off: %+v", c.off, r.Odd)
		}
	}
}
