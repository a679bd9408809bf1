package cutting

import (
	"context"
	"math"
	"math/rand/v2"
	"slices"
)

// Options are how long is searched. It is counted in plans and knows no clock: the same
// task has the same plan on every machine.
type Options struct {
	Steps int // plans to try at most; 0 for as many as are usual for the size
	Seed  uint64
	Best  func(Plan) // told of each better plan; may be nil
}

// What is usual: as many plans as lay so many pieces in all, from the least to the most.
const (
	usualLays  = 400_000
	leastSteps = 400
	mostSteps  = 20_000
)

func (o Options) steps(pieces int) int {
	if o.Steps > 0 {
		return o.Steps
	}
	return min(mostSteps, max(leastSteps, usualLays/max(1, pieces)))
}

// Solve searches a plan until its steps are done, the context ends or no plan can be
// better. What it has then is valid; whether all pieces have a place
// is in Left. It returns a *fault.Error for a task that cannot be.
func Solve(ctx context.Context, t Task, o Options) (Plan, error) {
	if err := t.Check(); err != nil {
		return Plan{}, err
	}
	s := newSearch(ctx, t, o)
	s.run()
	return s.finish(), nil
}

type search struct {
	ctx   context.Context
	o     Options
	r     *rand.Rand
	b     *builder
	plain []*block
	bound bound
	steps int
	best  *genome
	value float64
}

func newSearch(ctx context.Context, t Task, o Options) *search {
	s := &search{ctx: ctx, o: o, r: rand.New(rand.NewPCG(o.Seed, 7)), b: newBuilder(t), plain: blocksOf(t),
		value: math.Inf(1)}
	s.o.Steps = o.steps(len(s.plain))
	s.bound = boundOf(t, s.b)
	return s
}

// over says whether to stop: also as soon as nothing can be better.
func (s *search) over() bool {
	if s.best != nil && s.done() {
		return true
	}
	return s.steps >= s.o.Steps || s.ctx.Err() != nil
}

// done says that the best so far meets the bound: no stock can be saved, and none of
// it is left in a shape that could be better.
func (s *search) done() bool {
	return s.value <= s.bound.net-perFull*s.bound.gross+perPiece*4*float64(len(s.plain))+1e-9
}

// try builds a genome and keeps it where it is better than the best.
func (s *search) try(g *genome) float64 {
	s.steps++
	v := s.b.build(g)
	if v < s.value-1e-12 {
		s.best, s.value = g.clone(), v
		if s.o.Best != nil {
			s.o.Best(s.finish())
		}
	}
	return v
}

func (g *genome) clone() *genome {
	return &genome{slices.Clone(g.order), slices.Clone(g.units), slices.Clone(g.flip), g.rule, g.blocks}
}

// run starts from pieces in the usual orders and from pieces that find together, and
// betters the best of them.
func (s *search) run() {
	starts := s.starts(s.plain)
	for _, g := range starts {
		if s.try(g); s.over() {
			return
		}
	}
	s.together()
	for !s.over() {
		for _, blocks := range s.sets() {
			s.anneal(blocks)
		}
	}
}

// sets are what is betters in turn: single pieces, and joined ones where that leaves
// fewer.
func (s *search) sets() [][]*block {
	out := [][]*block{s.plain}
	if len(s.best.blocks) < len(s.plain) {
		out = append([][]*block{s.best.blocks}, out...)
	}
	return out
}

// Of the tries, what goes into joining alike sides: a part, and most of them where nearly
// all pieces find together.
const (
	joiningPart = 0.25
	joiningMost = 0.9
	joinsWell   = 0.4
	patience    = 120 // joints opened in vain before it begins anew
)

// together joins alike sides, breaks the worst of it open and joins again, for a share
// of the tries.
func (s *search) together() {
	blocks := s.b.merge(s.plain, s.r)
	if len(blocks) == len(s.plain) {
		return // no two sides are alike
	}
	least, stuck := len(s.plain), 0
	for n := 0; !s.over(); n++ {
		if len(blocks) < least {
			least = len(blocks)
			for _, g := range s.starts(blocks) {
				if s.try(g); s.over() {
					return
				}
			}
		}
		share := joiningPart
		if float64(least) < joinsWell*float64(len(s.plain)) {
			share = joiningMost
		}
		if float64(n) > share*float64(s.o.Steps) {
			return
		}
		open := blocks
		for range 1 + s.r.IntN(3) {
			open = explode(open, s.r)
		}
		next := s.b.merge(open, s.r)
		switch {
		case len(next) < len(blocks):
			blocks, stuck = next, 0
		case len(next) == len(blocks), len(next) <= len(blocks)+2 && s.r.IntN(30) == 0:
			blocks = next
			stuck++
		default:
			stuck++
		}
		if stuck > patience { // from the beginning, another way
			blocks, stuck = s.b.merge(s.plain, s.r), 0
		}
	}
}

// starts are the orders that are tried first: by area, height, width, longest side and
// round, the sooner due before the later.
func (s *search) starts(blocks []*block) []*genome {
	keys := []func(*block) int{
		func(b *block) int { return b.w * b.h },
		func(b *block) int { return max(b.w, b.h) },
		func(b *block) int { return b.h },
		func(b *block) int { return b.w },
		func(b *block) int { return b.w + b.h },
	}
	var out []*genome
	for _, key := range keys {
		for rule := range rules {
			g := &genome{order: numbers(len(blocks)), units: numbers(len(s.b.units)), flip: make([]bool, len(blocks)),
				rule:   rule,
				blocks: blocks}
			slices.SortStableFunc(g.order, func(i, k int) int {
				if d := blocks[i].rank - blocks[k].rank; d != 0 && s.scarce() {
					return d
				}
				return key(blocks[k]) - key(blocks[i])
			})
			s.cheapFirst(g)
			out = append(out, g)
		}
	}
	return out
}

// scarce says that not all pieces can have a place: then the sooner due come first.
func (s *search) scarce() bool { return s.bound.short }

// cheapFirst orders the sheets by price for their area.
func (s *search) cheapFirst(g *genome) {
	per := func(u int) float64 { return s.b.units[u].cost / s.b.units[u].area() }
	slices.SortStableFunc(g.units, func(i, k int) int {
		switch a, b := per(i), per(k); {
		case a < b-1e-15:
			return -1
		case a > b+1e-15:
			return 1
		}
		return 0
	})
}

func numbers(n int) []int {
	out := make([]int, n)
	for i := range out {
		out[i] = i
	}
	return out
}

// How the search cools: from differences of a tenth of a sheet down to those that only
// fuller sheets make.
const (
	warm   = 0.05
	cold   = 1e-6
	rounds = 3000
)

// anneal betters a plan by small changes of its genome, worse ones taken as long as it
// is warm.
func (s *search) anneal(blocks []*block) {
	var g *genome
	if s.best != nil && len(s.best.blocks) == len(blocks) {
		g = s.best.clone()
	} else {
		g = s.starts(blocks)[s.r.IntN(5*rules)]
	}
	now := s.try(g)
	sheet := s.bound.unit
	n := min(rounds, max(200, 400_000/len(blocks)))
	for i := 0; i < n && !s.over(); i++ {
		heat := sheet * warm * math.Pow(cold/warm, float64(i)/float64(n))
		undo := s.change(g)
		v := s.try(g)
		if v <= now || s.r.Float64() < math.Exp((now-v)/heat) {
			now = v
			continue
		}
		undo()
	}
}

// change makes one small change and returns the way back.
func (s *search) change(g *genome) func() {
	n := len(g.order)
	switch k := s.r.IntN(20); {
	case k < 8 && n > 1: // one piece sooner or later
		i, j := s.r.IntN(n), s.r.IntN(n)
		shift(g.order, i, j)
		return func() { shift(g.order, j, i) }
	case k < 13 && n > 1: // two change places
		i, j := s.r.IntN(n), s.r.IntN(n)
		g.order[i], g.order[j] = g.order[j], g.order[i]
		return func() { g.order[i], g.order[j] = g.order[j], g.order[i] }
	case k < 18: // another split
		i := s.r.IntN(n)
		g.flip[i] = !g.flip[i]
		return func() { g.flip[i] = !g.flip[i] }
	case k < 19 && len(g.units) > 1: // another sheet first
		i, j := s.r.IntN(len(g.units)), s.r.IntN(min(len(g.units), len(s.b.opened)+2))
		g.units[i], g.units[j] = g.units[j], g.units[i]
		return func() { g.units[i], g.units[j] = g.units[j], g.units[i] }
	}
	was := g.rule
	g.rule = s.r.IntN(rules)
	return func() { g.rule = was }
}

// shift takes the element at i out and puts it in at j.
func shift(a []int, i, j int) {
	v := a[i]
	if i < j {
		copy(a[i:j], a[i+1:j+1])
	} else {
		copy(a[j+1:i+1], a[j:i])
	}
	a[j] = v
}
