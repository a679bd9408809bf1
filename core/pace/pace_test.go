package pace

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"
	"time"
)

var nine = time.Date(2026, 6, 1, 9, 0, 0, 0, time.UTC)

func at(min float64) time.Time { return nine.Add(time.Duration(min * float64(time.Minute))) }

// What is a run: at each limit still, beyond it not.
func TestRuns(t *testing.T) {
	tick := func(who, job int64, book int, min float64) Tick {
		return Tick{who, job, "putty-points", "bench", book, at(min)}
	}
	for _, c := range []struct {
		name       string
		ticks      []Tick
		runs       int
		book, took float64
	}{
		{"one tick says nothing", []Tick{tick(1, 1, 30, 0)}, 0, 0, 0},
		{"two say the second", []Tick{tick(1, 1, 30, 0), tick(1, 1, 20, 25)}, 1, 20, 25},
		{"three in a row", []Tick{tick(1, 1, 30, 0), tick(1, 1, 20, 25), tick(1, 1, 10, 40)}, 1, 30, 40},
		{"out of order", []Tick{tick(1, 1, 10, 40), tick(1, 1, 30, 0), tick(1, 1, 20, 25)}, 1, 30, 40},
		{"all at once at the end", []Tick{tick(1, 1, 30, 0), tick(1, 1, 20, 0.1), tick(1, 1, 20, 0.2)}, 0, 0, 0},
		{"a quarter of the book, just", []Tick{tick(1, 1, 30, 0), tick(1, 1, 20, 5)}, 1, 20, 5},
		{"less than a quarter", []Tick{tick(1, 1, 30, 0), tick(1, 1, 20, 4.9)}, 0, 0, 0},
		{"four times the book, just", []Tick{tick(1, 1, 30, 0), tick(1, 1, 20, 80)}, 1, 20, 80},
		{"more than four times", []Tick{tick(1, 1, 30, 0), tick(1, 1, 20, 81)}, 0, 0, 0},
		{"overnight", []Tick{tick(1, 1, 30, 0), tick(1, 1, 20, 24*60)}, 0, 0, 0},
		{"another job in between", []Tick{tick(1, 1, 30, 0), tick(1, 2, 20, 10), tick(1, 1, 20, 30)}, 0, 0, 0},
		{"somebody else in between", []Tick{tick(1, 1, 30, 0), tick(2, 1, 20, 10), tick(1, 1, 20, 30)}, 1, 20, 30},
		{"too short to say anything", []Tick{tick(1, 1, 30, 0), tick(1, 1, 9, 9)}, 0, 0, 0},
		{"long enough, just", []Tick{tick(1, 1, 30, 0), tick(1, 1, 10, 10)}, 1, 10, 10},
	} {
		got := Runs(c.ticks)
		if len(got) != c.runs || c.runs == 1 && (got[0].Book != c.book || math.Abs(got[0].Took-c.took) > 1e-9) {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
}

// Before anything was seen the book holds.
func TestBookFirst(t *testing.T) {
	p := Learn(nil)
	if f, n := p.Takes("putty-points", "bench"); f != 1 || n != 0 {
		t.Errorf("%g after %d", f, n)
	}
	if math.Abs(p.Spread()-bookSpread) > 1e-9 {
		t.Errorf("spread %g", p.Spread())
	}
}

// One slow afternoon moves the book a little, thirty move it nearly there. Worked out by
// hand for one run of twice the book: the posterior mean of the sum of four effects is
// y · S/(S + v), S the sum of their variances.
func TestOneAndMany(t *testing.T) {
	v0 := math.Log(1 + bookSpread*bookSpread)
	s := shopSD*shopSD + familySD*familySD + placeSD*placeSD + whoSD*whoSD
	one := Learn([]Run{{1, "f", "bench", 60, 120}})
	want := math.Exp((math.Log(2) + v0/2) * s / (s + v0))
	if got := one.By(1, "f", "bench"); math.Abs(got-want) > 1e-9 {
		t.Errorf("one afternoon: %g, want %g", got, want)
	}
	var runs []Run
	for range 30 {
		runs = append(runs, Run{1, "f", "bench", 60, 120})
	}
	many := Learn(runs)
	if a, b := one.By(1, "f", "bench"), many.By(1, "f", "bench"); !(1 < a && a < b && b < 2.2 && b > 1.95) {
		t.Errorf("once %g, thirty times %g", a, b)
	}
	// What was never seen follows the shop a little.
	if f, n := many.Takes("other", "site"); n != 0 || f <= 1 || f >= many.By(1, "f", "bench") {
		t.Errorf("another way of holding: %g", f)
	}
}

// A made-up shop whose truth is known is found again from four hundred pieces of work.
func TestFindsTheTruth(t *testing.T) {
	rng := rand.New(rand.NewPCG(1, 2))
	family := map[string]float64{"a": 0.3, "b": -0.2, "c": 0}
	place := map[string]float64{"bench": 0, "site": 0.15}
	who := map[int64]float64{1: -0.1, 2: 0.2}
	const sd = 0.4
	var runs []Run
	for range 400 {
		f, w, pl := []string{"a", "b", "c"}[rng.IntN(3)], int64(1+rng.IntN(2)), []string{"bench", "site"}[rng.IntN(2)]
		book := 10 + float64(rng.IntN(80))
		mean := family[f] + place[pl] + who[w]
		runs = append(runs, Run{w, f, pl, book, book * math.Exp(mean-sd*sd/2+sd*rng.NormFloat64())})
	}
	p := Learn(runs)
	for f, v := range family {
		for pl, q := range place {
			for w, e := range who {
				want := math.Exp(v + q + e)
				if got := p.By(w, f, pl); math.Abs(got/want-1) > 0.15 {
					t.Errorf("%s at %s by %d: %.3f, truly %.3f", f, pl, w, got, want)
				}
			}
		}
	}
	if s := p.Spread(); math.Abs(s-math.Sqrt(math.Exp(sd*sd)-1)) > 0.05 {
		t.Errorf("spread %.3f", s)
	}
	if p.Seen() != 400 {
		t.Error(p.Seen())
	}
}

func TestSteady(t *testing.T) {
	for in, want := range map[float64]float64{1: 1, 1.024: 1, 1.026: 1.05, 0.974: 0.95, 0.001: 0.05} {
		if got := Steady(in); math.Abs(got-want) > 1e-9 {
			t.Errorf("%g: %g, want %g", in, got, want)
		}
	}
}

func BenchmarkLearn(b *testing.B) {
	for _, n := range []int{100, 1000, 4000} {
		var runs []Run
		for i := range n {
			runs = append(runs, Run{int64(i % 5), fmt.Sprint(i % 22), []string{"bench", "site"}[i%2], 30, float64(20 + i%30)})
		}
		b.Run(fmt.Sprint(n), func(b *testing.B) {
			for b.Loop() {
				Learn(runs)
			}
		})
	}
}

// The same by another way: what is believed of a run, given two others, is the covariance
// with them times the inverse of theirs, two by two. Numbers stand here as they are meant.
func TestTwoRuns(t *testing.T) {
	v0 := math.Log(1 + 0.3*0.3)
	cov := func(a, b Run) float64 {
		k := 0.25 * 0.25
		if a.Family == b.Family {
			k += 0.3 * 0.3
		}
		if a.Place == b.Place {
			k += 0.15 * 0.15
		}
		if a.Who == b.Who {
			k += 0.2 * 0.2
		}
		return k
	}
	r := []Run{{1, "f", "bench", 60, 120}, {2, "g", "site", 60, 45}}
	y := []float64{math.Log(2) + v0/2, math.Log(0.75) + v0/2}
	a, b, d := cov(r[0], r[0])+v0, cov(r[0], r[1]), cov(r[1], r[1])+v0
	det := a*d - b*b
	w := []float64{(d*y[0] - b*y[1]) / det, (a*y[1] - b*y[0]) / det}
	p := Learn(r)
	sum := 6 * v0
	for i, x := range r {
		m := cov(x, r[0])*w[0] + cov(x, r[1])*w[1]
		sum += (y[i] - m) * (y[i] - m)
	}
	for _, x := range []Run{{1, "f", "bench", 0, 0}, {2, "g", "site", 0, 0}, {1, "g", "bench", 0, 0},
		{2, "f", "site", 0, 0},
		{1, "f", "site", 0, 0}, {3, "h", "yard", 0, 0}} {
		want := math.Exp(cov(x, r[0])*w[0] + cov(x, r[1])*w[1])
		if got := p.By(x.Who, x.Family, x.Place); math.Abs(got-want) > 1e-9 {
			t.Errorf("%+v: %.6f, want %.6f", x, got, want)
		}
	}
	if want := math.Sqrt(math.Exp(sum/8) - 1); !(math.Abs(p.Spread()-want) < 1e-9) {
		t.Errorf("spread %.6f, want %.6f", p.Spread(), want)
	}
	if s := Learn(nil).Spread(); !(math.Abs(s-0.3) < 1e-12) {
		t.Errorf("the book's spread is %g", s)
	}
}

// A pause of an hour and a half is still work, of a minute more something else; a long step
// may take four times its minutes.
func TestPause(t *testing.T) {
	tick := func(book int, min float64) Tick { return Tick{1, 1, "f", "bench", book, at(min)} }
	for _, c := range []struct {
		name  string
		ticks []Tick
		book  float64
	}{
		{"ninety minutes", []Tick{tick(5, 0), tick(20, 10), tick(20, 100)}, 40},
		{"a minute more", []Tick{tick(5, 0), tick(20, 10), tick(20, 101)}, 20},
		{"four times an hour", []Tick{tick(5, 0), tick(60, 240)}, 60},
	} {
		if got := Runs(c.ticks); len(got) != 1 || got[0].Book != c.book {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
	if got := Runs([]Tick{tick(5, 0), tick(60, 240.1)}); len(got) != 0 {
		t.Errorf("more than four times an hour: %+v", got)
	}
}
