package cutting

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"freshshard/core/fault"
)

func barTask(seed uint64, n int, bar float64, kerf float64) BarTask {
	r := rand.New(rand.NewPCG(seed, 3))
	t := BarTask{Bars: []Bar{{ID: "bar", Length: bar, Count: n}}, Kerf: kerf, Keep: 150}
	for i := range n {
		t.Wants = append(t.Wants, Stretch{ID: fmt.Sprintf("w%d", i+1), Length: float64(100+r.IntN(int(bar/2))) +
			0.5*float64(r.IntN(2))})
	}
	return t
}

// Up to 40 stretches: no plan cuts into fewer bars; 500 within one bar of the bound, short
// ones, middling ones and those of which two lie in a bar.
func TestBarsAreBest(t *testing.T) {
	for _, c := range []struct {
		n, over, least, most int
	}{{8, 0, 100, 850}, {20, 0, 100, 850}, {40, 0, 100, 850}, {40, 0, 300, 700}, {500, 1, 100, 850}, {500, 1, 60, 300},
		{500, 1, 300, 900}, {500, 1, 450, 800}, {500, 1, 380, 560}, {500, 1, 200, 500}} {
		for seed := range uint64(8 - c.n/100) {
			task := barTask(seed, c.n, 1500, 3*float64(seed%2))
			r := rand.New(rand.NewPCG(seed, 4))
			for i := range task.Wants {
				task.Wants[i].Length = float64(c.least+r.IntN(c.most-c.least)) + 0.5*float64(r.IntN(2))
			}
			p, err := SolveBars(context.Background(), task)
			if err != nil {
				t.Fatal(err)
			}
			if b := VerifyBars(task, p); len(b) > 0 {
				t.Fatalf("%d, seed %d: %v", c.n, seed, b)
			}
			low := int(math.Round(p.Bound / 1.5))
			if len(p.Left) > 0 || len(p.Bars) > low+c.over || p.Proved != (len(p.Bars) == low) {
				t.Errorf("%d of %d to %d, seed %d: %d bars, bound %d, left %v", c.n, c.least, c.most, seed, len(p.Bars), low,
					p.Left)
			}
		}
	}
}

// someBars are stretches with tubes of several lengths and prices, few of some.
func someBars(seed uint64, n int) BarTask {
	r := rand.New(rand.NewPCG(seed, 21))
	t := BarTask{Kerf: float64(r.IntN(2)) * 2, Dress: float64(r.IntN(2)) * 4, Keep: 120}
	for k := range 2 + r.IntN(4) {
		long := float64(500 + 50*r.IntN(30))
		b := Bar{ID: fmt.Sprint("tube", k), Length: long, Count: 1 + r.IntN(4),
			Cost: math.Round(long*(0.5+r.Float64())) / 100}
		if k < 2 {
			b.Count = n
			b.Length = 1200 + 300*float64(k)
		}
		t.Bars = append(t.Bars, b)
	}
	for i := range n {
		t.Wants = append(t.Wants, Stretch{ID: fmt.Sprint("w", i), Length: float64(120+r.IntN(480)) + 0.5*float64(r.IntN(2))})
	}
	return t
}

// cheapest looks through every way to part a few stretches among bars: another way to the
// same answer.
func cheapest(t BarTask) float64 {
	var bars []Bar
	for _, b := range t.Bars {
		for range min(max(1, b.Count), len(t.Wants)) {
			bars = append(bars, Bar{ID: b.ID, Length: b.Length - 2*t.Ends + t.Kerf, Cost: b.price()})
		}
	}
	free, best := make([]float64, len(bars)), math.Inf(1)
	for i, b := range bars {
		free[i] = b.Length
	}
	var walk func(i int, cost float64)
	walk = func(i int, cost float64) {
		if cost >= best-1e-9 {
			return
		}
		if i == len(t.Wants) {
			best = cost
			return
		}
		long, tried := t.Wants[i].Length+t.Dress+t.Kerf, map[string]bool{}
		for k := range bars {
			is := fmt.Sprint(bars[k].ID, free[k])
			if free[k] < long-1e-9 || tried[is] {
				continue
			}
			tried[is] = true
			more := 0.0
			if free[k] == bars[k].Length {
				more = bars[k].Cost
			}
			free[k] -= long
			walk(i+1, cost+more)
			free[k] += long
		}
	}
	walk(0, 0)
	return best
}

// Bars of several lengths and prices: up to 40 stretches nothing costs less, in whatever order
// they are listed; seven are held against every way there is.
func TestBarsOfSeveralLengths(t *testing.T) {
	for seed := range uint64(60) {
		n := []int{7, 7, 14, 25, 40}[seed%5]
		task := someBars(seed, n)
		p, err := SolveBars(context.Background(), task)
		if err != nil {
			t.Fatal(err)
		}
		if b := VerifyBars(task, p); len(b) > 0 {
			t.Fatalf("seed %d: %v", seed, b)
		}
		if len(p.Left) > 0 || !p.Proved || p.Bound > p.Cost+1e-6 {
			t.Errorf("seed %d, %d stretches: costs %v, bound %v, proved %v, left %v", seed, n, p.Cost, p.Bound, p.Proved, p.Left)
		}
		if n == 7 {
			if want := cheapest(task); math.Abs(want-p.Cost) > 1e-6 {
				t.Errorf("seed %d: costs %v, the best of all ways %v", seed, p.Cost, want)
			}
		}
		slices.Reverse(task.Bars)
		slices.Reverse(task.Wants)
		if q, err := SolveBars(context.Background(), task); err != nil || math.Abs(q.Cost-p.Cost) > 1e-6 {
			t.Errorf("seed %d: %v in one order, %v in the other", seed, p.Cost, q.Cost)
		}
	}
}

// A rest that is long enough is cut before a new tube is begun.
func TestRestsBeforeNewTubes(t *testing.T) {
	p, err := SolveBars(context.Background(), BarTask{Bars: []Bar{{ID: "new", Length: 1500, Count: 5, Cost: 12},
		{ID: "rest", Length: 640, Cost: 5.12}, {ID: "short", Length: 300, Cost: 2.4}},
		Wants: []Stretch{{ID: "gauge", Length: 300}, {ID: "other", Length: 630}}})
	if err != nil || len(p.Bars) != 2 || p.Cost != 7.52 || !p.Proved {
		t.Errorf("%+v, %v", p, err)
	}
}

// Perfect sets: bars cut up at random and put together again.
func TestBarsPutTogether(t *testing.T) {
	for seed := range uint64(10) {
		r := rand.New(rand.NewPCG(seed, 8))
		task := BarTask{Bars: []Bar{{ID: "tube", Length: 1000, Count: 40}}}
		for b := range 9 {
			at := 0
			for k := 0; at < 1000; k++ {
				n := min(1000-at, 90+r.IntN(300))
				if 1000-at-n < 60 {
					n = 1000 - at
				}
				task.Wants = append(task.Wants, Stretch{ID: fmt.Sprintf("b%d.%d", b, k), Length: float64(n)})
				at += n
			}
		}
		p, err := SolveBars(context.Background(), task)
		if err != nil || len(VerifyBars(task, p)) > 0 || len(p.Bars) != 9 || !p.Proved {
			t.Errorf("seed %d: %d bars of 9, proved %v, %v", seed, len(p.Bars), p.Proved, err)
		}
	}
}

// By hand: a tube of 1200 gives 266.5 four times with 4 mm of dressing each, and keeps
// 118; remnants of the rack go first; what no bar is long enough for is said.
func TestBarsByHand(t *testing.T) {
	task := BarTask{Bars: []Bar{{ID: "tube", Length: 1200, Count: 3}, {ID: "rest", Length: 280, Cost: 0.1}},
		Wants: []Stretch{{ID: "gauge", Length: 266.5, Count: 5}, {ID: "long", Length: 1300}}, Dress: 4, Keep: 100}
	p, err := SolveBars(context.Background(), task)
	if err != nil {
		t.Fatal(err)
	}
	if b := VerifyBars(task, p); len(b) > 0 {
		t.Fatal(b)
	}
	if len(p.Bars) != 2 || p.Bars[0].Bar != "rest" || p.Bars[0].Remnant != 9.5 || p.Bars[0].Keep ||
		p.Bars[1].Remnant != 118 ||
		!p.Bars[1].Keep || p.Bars[1].At[3] != 1082 {
		t.Errorf("%+v", p.Bars)
	}
	if len(p.Left) != 1 || p.Left[0].Why != "it is longer than every bar" {
		t.Errorf("%+v", p.Left)
	}
}

func TestBarsRefuse(t *testing.T) {
	good := func() BarTask {
		return BarTask{Bars: []Bar{{ID: "a", Length: 1000}}, Wants: []Stretch{{ID: "a", Length: 100}}}
	}
	for field, spoil := range map[string]func(*BarTask){
		"wants":           func(t *BarTask) { t.Wants = nil },
		"bars":            func(t *BarTask) { t.Bars = nil },
		"bars[0].length":  func(t *BarTask) { t.Bars[0].Length = 0 },
		"bars[1].id":      func(t *BarTask) { t.Bars = append(t.Bars, t.Bars[0]) },
		"bars[0].cost":    func(t *BarTask) { t.Bars[0].Cost = -1 },
		"wants[0].count":  func(t *BarTask) { t.Wants[0].Count = -1 },
		"wants[0].length": func(t *BarTask) { t.Wants[0].Length = 10_001 },
		"kerf":            func(t *BarTask) { t.Kerf = 21 },
		"dress":           func(t *BarTask) { t.Dress = -1 },
		"ends":            func(t *BarTask) { t.Ends = 201 },
		"keep":            func(t *BarTask) { t.Keep = -1 },
	} {
		task := good()
		spoil(&task)
		_, err := SolveBars(context.Background(), task)
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
}

// Each way in which a plan of bars can be broken is seen.
func TestVerifyBarsSees(t *testing.T) {
	task := BarTask{Bars: []Bar{{ID: "bar", Length: 1000, Count: 2}}, Wants: []Stretch{{ID: "w", Length: 300, Count: 4}},
		Kerf: 3, Keep: 90}
	for name, spoil := range map[string]func(*BarPlan){
		"":               func(*BarPlan) {},
		"an unknown bar": func(p *BarPlan) { p.Bars[0].Bar = "other" },
		"a bar too many": func(p *BarPlan) { p.Bars[0].Copy = 3 },
		"twice the same": func(p *BarPlan) { p.Bars[1].Copy = p.Bars[0].Copy },
		"another length": func(p *BarPlan) { p.Bars[0].Length = 1100 },
		"a cut too few":  func(p *BarPlan) { p.Bars[0].At = p.Bars[0].At[1:] },
		"something else": func(p *BarPlan) { p.Bars[0].Cuts[0] = "x" },
		"a cut beside":   func(p *BarPlan) { p.Bars[0].At[0] += 1 },
		"a lost stretch": func(p *BarPlan) { p.Bars = p.Bars[:1] },
		"one past the end": func(p *BarPlan) {
			p.Bars[0].Cuts = append(p.Bars[0].Cuts, "w")
			p.Bars[0].At = append(p.Bars[0].At, 1209)
		},
		"a remnant too long":    func(p *BarPlan) { p.Bars[0].Remnant += 1 },
		"a remnant kept short":  func(p *BarPlan) { p.Bars[1].Keep, p.Bars[1].Remnant = true, 10 },
		"a left that was given": func(p *BarPlan) { p.Left = append(p.Left, Left{"w", 1, ""}) },
		"a left of nothing":     func(p *BarPlan) { p.Left = append(p.Left, Left{"x", 1, ""}) },
	} {
		p, err := SolveBars(context.Background(), task)
		if err != nil {
			t.Fatal(err)
		}
		spoil(&p)
		if b := VerifyBars(task, p); (len(b) == 0) != (name == "") {
			t.Errorf("%q: %v", name, b)
		}
	}
}
