package schedule

import (
	"cmp"
	"context"
	"math"
	"math/rand/v2"
	"slices"
)

// Options are how long it is searched, and from where. The search is counted in tries and
// knows no clock: the same problem has the same plan on every machine.
type Options struct {
	Seed  uint64
	Tries int // orders that are tried; 0 for as many as are usual for the size
}

// What is usual: as many orders as lay so many steps in all, from the least to the most.
const (
	usualLays  = 100_000
	leastTries = 30
	mostTries  = 400
)

func (o Options) tries(steps int) int {
	if o.Tries > 0 {
		return o.Tries
	}
	return min(mostTries, max(leastTries, usualLays/max(1, steps)))
}

// exactly is up to how many steps every order and every choice of hands is looked through.
const exactly = 9

// mostLaid ends the full search: how many steps it lays.
const mostLaid = 3_000_000

// Solve plans until its tries are over or nothing can be better. It returns a *fault.Error
// for what cannot be planned, or where pins quarrel.
func Solve(ctx context.Context, p Problem, o Options) (Plan, error) {
	if err := p.Check(); err != nil {
		return Plan{}, err
	}
	b := newBuilder(p)
	if err := (bounds{b}).pinned(); err != nil {
		return Plan{}, err
	}
	s := &search{b: b, ctx: ctx, tries: o.tries(len(b.steps)), rng: rand.New(rand.NewPCG(o.Seed, 11))}
	bound := bounds{b}.bound()
	if len(b.steps) <= exactly {
		if plan, done := s.exact(); done {
			plan.Bound, plan.Proved = plan.Cost, true
			return plan, nil
		}
	}
	plan := s.orders(bound)
	plan.Bound = math.Min(bound, plan.Cost)
	plan.Proved = plan.Cost <= plan.Bound+1e-9
	return plan, nil
}

type search struct {
	b     *builder
	ctx   context.Context
	tries int
	count int
	rng   *rand.Rand
}

func (s *search) over() bool {
	s.count++
	return s.count > s.tries || s.ctx.Err() != nil
}

// starts are the orders that a person would try: the soonest promised, the least slack,
// the shortest, the weightiest for its work.
func (b searching) starts() [][]int {
	n := len(b.p.Jobs)
	due, slack, work, ratio := make([]float64, n), make([]float64, n), make([]float64, n), make([]float64, n)
	for j, job := range b.p.Jobs {
		due[j] = never
		if job.Promise != nil {
			due[j] = float64(*job.Promise)
		}
		path := 0
		for _, i := range b.order[j] {
			work[j] += float64(b.steps[i].Minutes * b.steps[i].need)
			path = max(path, b.steps[i].tail)
		}
		slack[j] = due[j] - float64(path)
		ratio[j] = work[j] / cmp.Or(job.Weight, 1)
	}
	by := func(keys ...[]float64) []int {
		out := make([]int, n)
		for i := range out {
			out[i] = i
		}
		slices.SortStableFunc(out, func(x, y int) int {
			for _, k := range keys {
				if c := cmp.Compare(k[x], k[y]); c != 0 {
					return c
				}
			}
			return 0
		})
		return out
	}
	return [][]int{by(due, work), by(slack, work), by(work), by(ratio, due)}
}

// orders searches over the order in which jobs are laid: the best of the plain rules, then
// some jobs taken out and put in elsewhere, again and again; a worse order is kept now and
// then, ever more seldom.
func (s *search) orders(bound float64) Plan {
	b := s.b
	var best []int
	bestCost := math.Inf(1)
	for _, o := range (searching{b}).starts() {
		if c := (tidying{b}).score(b.all(o)); c < bestCost {
			best, bestCost = slices.Clone(o), c
		}
	}
	now, nowCost := slices.Clone(best), bestCost
	b.all(now)
	heat := 0.02 * bestCost / math.Max(1, float64(len(now)))
	for len(now) > 1 && bestCost > bound+1e-9 && !s.over() {
		next := s.shaken(now)
		k := 0
		for k < len(now) && now[k] == next[k] {
			k++
		}
		if k == len(now) {
			continue
		}
		c := tidying{b}.score(searching{b}.again(now, next, k))
		if c < nowCost || s.rng.Float64() < math.Exp((nowCost-c)/math.Max(heat, 1e-9)) {
			now, nowCost = next, c
			if c < bestCost-1e-9 {
				best, bestCost = slices.Clone(next), c
			}
		} else {
			searching{b}.again(next, now, k)
		}
		heat *= 0.999
	}
	b.all(best)
	return b.plan()
}

// again lays a new order that is the old one up to a place.
func (b searching) again(old, next []int, same int) float64 {
	if len(b.fixed) > 0 || b.across() {
		return b.all(next)
	}
	for _, j := range old[same:] {
		for _, i := range b.order[j] {
			b.lift(i)
			b.to[i] = 0
		}
	}
	for _, j := range next[same:] {
		for _, i := range b.order[j] {
			b.one(i)
		}
	}
	return b.cost()
}

// across says whether a step waits for one of another job.
func (b searching) across() bool {
	for _, s := range b.steps {
		for _, a := range s.after {
			if b.steps[a.step].job != s.job {
				return true
			}
		}
	}
	return false
}

// shaken is an order with one to four jobs elsewhere: late ones rather forwards.
func (s *search) shaken(order []int) []int {
	next := slices.Clone(order)
	for range 1 + s.rng.IntN(min(4, len(next))) {
		from := s.rng.IntN(len(next))
		j := next[from]
		to := s.rng.IntN(len(next))
		if p := s.b.p.Jobs[j].Promise; p != nil && s.b.ready(j) > *p && s.rng.IntN(3) > 0 {
			to = s.rng.IntN(from + 1)
		}
		next = slices.Delete(next, from, from+1)
		next = slices.Insert(next, min(to, len(next)), j)
	}
	return next
}

// exact looks through every order and every choice of hands of a few steps, leaving what
// cannot be better than the best so far; false where that is too much.
func (s *search) exact() (Plan, bool) {
	b := s.b
	b.clear()
	best, left, laid := math.Inf(1), false, 0
	var plan Plan
	for _, o := range (searching{b}).starts() {
		if c := b.all(o); c < best {
			best, plan = c, b.plan()
		}
	}
	b.clear()
	var walk func(done int)
	walk = func(done int) {
		if left || (searching{b}).atLeast() >= best-1e-9 {
			return
		}
		if done == len(b.steps) {
			best, plan = b.cost(), b.plan()
			return
		}
		if laid++; laid > mostLaid || laid%1024 == 0 && s.ctx.Err() != nil {
			left = true
			return
		}
		for i := range b.steps {
			if b.at[i] >= 0 || b.to[i] == never || !(searching{b}).open(i) {
				continue
			}
			for who := range combos(b.steps[i].may, b.steps[i].need) {
				if b.assign(i, who) {
					walk(done + 1)
					b.lift(i)
				}
				b.to[i], b.why[i] = 0, ""
			}
		}
	}
	walk(0)
	return plan, !left
}

// open says whether all that a step waits for is laid.
func (b searching) open(i int) bool {
	for _, a := range b.steps[i].after {
		if b.at[a.step] < 0 {
			return false
		}
	}
	return true
}

// atLeast is what a half-laid plan costs at least: each job ready no sooner than what
// stands behind the steps that are laid.
func (b searching) atLeast() float64 {
	sum := 0.0
	for j := range b.p.Jobs {
		ready := 0
		for _, i := range b.order[j] {
			if b.at[i] >= 0 {
				ready = max(ready, b.at[i]+b.steps[i].tail)
			} else {
				e := b.steps[i].Not
				for _, a := range b.steps[i].after {
					if b.at[a.step] >= 0 {
						e = max(e, b.to[a.step]+a.wait)
					}
				}
				ready = max(ready, e+b.steps[i].tail)
			}
		}
		sum += b.p.Jobs[j].cost(ready)
	}
	return sum
}

// combos are the ways to take so many out of some.
func combos(of []int, n int) func(func([]int) bool) {
	return func(yield func([]int) bool) {
		var walk func(from int, got []int) bool
		walk = func(from int, got []int) bool {
			if len(got) == n {
				return yield(slices.Clone(got))
			}
			for i := from; i < len(of); i++ {
				if !walk(i+1, append(got, of[i])) {
					return false
				}
			}
			return true
		}
		walk(0, nil)
	}
}

// ByHand is how a person would plan: the soonest promised first, each job whole.
func ByHand(p Problem) Plan {
	b := newBuilder(p)
	b.all(searching{b}.starts()[0])
	return b.plan()
}
