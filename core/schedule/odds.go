package schedule

import (
	"context"
	"math"
	"math/rand/v2"
	"slices"
)

// usualSpread is the standard deviation of a step's minutes, as a share, where nobody has
// learnt better. Judgement, no source.
const usualSpread = 0.3

// Slip is a delivery that may come late, and with it the step that waits for it.
type Slip struct {
	Step    string  `json:"step" maxLength:"60"`
	Chance  float64 `json:"chance" minimum:"0" maximum:"1"`
	Minutes int     `json:"minutes" minimum:"0" doc:"By how much"`
}

// Odds are when a job is ready, played out many times.
type Odds struct {
	Job  string  `json:"job"`
	Kept float64 `json:"kept" doc:"Chance that its promise is kept; 1 where it has none"`
	Half int     `json:"half" doc:"As likely sooner as later"`
	Nine int     `json:"nine" doc:"Kept 9 times in 10"`
	Sure int     `json:"sure" doc:"Kept 99 times in 100"`
	runs []int
}

// KeptBy is the chance that the job is ready by a minute.
func (o Odds) KeptBy(at int) float64 {
	n, _ := slices.BinarySearch(o.runs, at+1)
	return float64(n) / math.Max(1, float64(len(o.runs)))
}

// Play plays a plan out: every step takes its minutes with their spread (log-normal, its
// mean the book's), deliveries slip by their odds, everybody goes on in the order of the
// plan, sooner where they can. It says for each job how surely it is ready when.
func Play(ctx context.Context, p Problem, plan Plan, slips []Slip, runs int, seed uint64) ([]Odds, error) {
	rng := rand.New(rand.NewPCG(seed, 7))
	b := newBuilder(p)
	out := make([]Odds, len(p.Jobs))
	for j := range out {
		out[j].Job = p.Jobs[j].ID
	}
	number := map[string]int{}
	for i := range b.steps {
		number[b.steps[i].ID] = i
		b.steps[i].Pin = nil // it is begun when it can be, not before its hour
	}
	pinned := map[int]int{}
	for _, j := range p.Jobs {
		for _, s := range j.Steps {
			if s.Pin != nil {
				pinned[number[s.ID]] = s.Pin.At
			}
		}
	}
	book, not := make([]int, len(b.steps)), make([]int, len(b.steps))
	longest := longestDay(p.People)
	for i, s := range b.steps {
		book[i], not[i] = s.Minutes, max(s.Not, pinned[i])
	}
	for range runs {
		if err := ctx.Err(); err != nil {
			return nil, err
		}
		b.clear()
		for i := range b.steps {
			s := &b.steps[i]
			s.Minutes, s.Not = drawn(rng, book[i], s.Spread, longest), not[i]
		}
		for _, k := range slips {
			if i, ok := number[k.Step]; ok && rng.Float64() < k.Chance {
				b.steps[i].Not = max(b.steps[i].Not, not[i]+k.Minutes)
			}
		}
		for _, d := range plan.Steps {
			i := number[d.Step]
			b.assign(i, b.numbers(d.People))
		}
		for j := range p.Jobs {
			out[j].runs = append(out[j].runs, b.ready(j))
		}
	}
	for j := range out {
		out[j].sum(p.Jobs[j].Promise)
	}
	return out, nil
}

// longestDay is the longest stretch that somebody works, minutes.
func longestDay(people []Person) int {
	longest := 0
	for _, w := range people {
		for _, h := range w.Hours {
			longest = max(longest, h.To-h.From)
		}
	}
	return longest
}

// sum says when the job is ready, from all runs of it, and in how many the promise is kept.
func (o *Odds) sum(promise *int) {
	slices.Sort(o.runs)
	at := func(share float64) int {
		return o.runs[min(len(o.runs)-1, int(math.Ceil(share*float64(len(o.runs))))-1)]
	}
	o.Half, o.Nine, o.Sure, o.Kept = at(0.5), at(0.9), at(0.99), 1
	if promise != nil {
		o.Kept = o.KeptBy(*promise)
	}
}

// Shown are the odds with -1 for what does not come within the hours that are given.
func (o Odds) Shown() Odds {
	for _, at := range []*int{&o.Half, &o.Nine, &o.Sure} {
		if *at >= never {
			*at = -1
		}
	}
	return o
}

// drawn is how long a step takes this time.
func drawn(rng *rand.Rand, minutes int, spread float64, most int) int {
	if spread == 0 {
		spread = usualSpread
	}
	v := math.Log(1 + spread*spread)
	x := math.Exp(rng.NormFloat64()*math.Sqrt(v) - v/2)
	return min(most, max(1, int(math.Round(float64(minutes)*x))))
}
