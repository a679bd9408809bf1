package cutting

import (
	"cmp"
	"context"
	"math"
	"slices"
)

// barProblem is a task of bars in whole numbers: lengths in tenths of a millimetre, prices in
// ten-thousandths.
type barProblem struct {
	sizes []barSize // longest first
	kinds []barKind // cheap for their length first
	step  int       // divides every size
	unit  float64   // divides every price
}

const perPrice = 1e4

func newBarProblem(t BarTask) *barProblem {
	p := &barProblem{}
	for i, w := range t.Wants {
		long := t.takes(w)
		k := slices.IndexFunc(p.sizes, func(s barSize) bool { return s.size == long })
		if k < 0 {
			k = len(p.sizes)
			p.sizes = append(p.sizes, barSize{size: long})
		}
		p.sizes[k].count += max(1, w.Count)
		for range max(1, w.Count) {
			p.sizes[k].wants = append(p.sizes[k].wants, i)
		}
	}
	slices.SortFunc(p.sizes, func(a, b barSize) int { return b.size - a.size })
	total, all, unit, short := p.pieces(), int64(0), int64(0), 0
	if n := len(p.sizes); n > 0 {
		short = p.sizes[n-1].size
	}
	for i, b := range t.Bars {
		k := barKind{bar: i, room: t.room(b), price: int64(math.Round(b.price() * perPrice)),
			count: min(max(1, b.Count), total)}
		if k.room < short {
			continue
		}
		p.kinds = append(p.kinds, k)
		all += k.price * int64(k.count)
		unit = divisor(unit, k.price)
	}
	slices.SortStableFunc(p.kinds, func(a, b barKind) int {
		return cmp.Compare(float64(a.price)/float64(a.room), float64(b.price)/float64(b.room))
	})
	if p.unit = float64(unit); unit == 0 {
		p.unit, unit = 1, 1
	}
	step := int64(0)
	for i := range p.sizes {
		// A stretch without a bar outweighs all bars; a longer one a shorter.
		p.sizes[i].lost = unit * (all/unit + 1 + int64(len(p.sizes)-i))
		step = divisor(step, int64(p.sizes[i].size))
	}
	p.step = int(max(1, step))
	return p
}

// divisor is the largest number that divides both.
func divisor(a, b int64) int64 {
	for b != 0 {
		a, b = b, a%b
	}
	return a
}

func (p *barProblem) pieces() int {
	n := 0
	for _, s := range p.sizes {
		n += s.count
	}
	return n
}

// long is how much of a bar a filling takes.
func (p *barProblem) long(f pattern) int {
	sum := 0
	for i, n := range f.fill {
		sum += n * p.sizes[i].size
	}
	return sum
}

// cost is what fillings cost, with what is left over.
func (p *barProblem) cost(fills []pattern) int64 {
	sum := int64(0)
	for _, f := range fills {
		if f.kind >= 0 {
			sum += p.kinds[f.kind].price
			continue
		}
		for i, n := range f.fill {
			sum += p.sizes[i].lost * int64(n)
		}
	}
	return sum
}

// fewPieces is up to how many stretches every set of bars is looked through; mostSizes is up
// to how many sizes the master has a row for each.
const (
	fewPieces = 48
	mostSizes = 200
)

// solve gives the best fillings, the sizes that they are fillings of, and below what no plan
// can cost.
func (p *barProblem) solve(ctx context.Context) (*barProblem, []pattern, int64) {
	best, bound := p.greedy(), p.filled()
	if other := p.fitted(); p.cost(other) < p.cost(best) {
		best = other
	}
	if p.cost(best) <= bound {
		return p, best, bound
	}
	if len(p.sizes) > mostSizes {
		return p.solveCoarse(ctx, best, bound)
	}
	m := newMaster(p)
	m.begin(best)
	if !m.solve(ctx) {
		return p, best, bound
	}
	bound = max(bound, p.up(m.bound()))
	if other := p.dive(ctx, m); p.cost(other) < p.cost(best) {
		best = other
	}
	if p.cost(best) > bound && p.pieces() <= fewPieces {
		best, bound = p.exact(ctx, m, best, bound)
	}
	return p, best, bound
}

// solveCoarse reckons with fewer sizes: each a little longer for a plan that can be cut, each
// a little shorter for the bound. A finer grid is tried where the two are more than a bar
// apart.
func (p *barProblem) solveCoarse(ctx context.Context, best []pattern, bound int64) (*barProblem, []pattern, int64) {
	of, least := p, p.cost(best)
	for _, sizes := range []int{mostSizes / 2, mostSizes, 2 * mostSizes} {
		if least <= bound+p.dearest() {
			break
		}
		short, long := p.coarse(sizes, false), p.coarse(sizes, true)
		if m := newMaster(short); m.solve(ctx) {
			bound = max(bound, short.up(m.bound()))
		}
		if m := newMaster(long); m.solve(ctx) {
			if other := long.dive(ctx, m); long.cost(other) < least {
				of, best, least = long, other, long.cost(other)
			}
		}
	}
	return of, best, bound
}

// dearest is what the dearest bar costs.
func (p *barProblem) dearest() int64 {
	return slices.MaxFunc(p.kinds, func(a, b barKind) int { return cmp.Compare(a.price, b.price) }).price
}

// coarse is the problem with at most so many sizes, on a grid up or down.
func (p *barProblem) coarse(sizes int, up bool) *barProblem {
	q := *p
	q.sizes = nil
	n := len(p.sizes)
	q.step = (p.sizes[0].size-p.sizes[n-1].size)/sizes + 1
	for _, s := range p.sizes {
		long := s.size / q.step * q.step
		if up && long < s.size {
			long += q.step
		}
		if k := len(q.sizes) - 1; k >= 0 && q.sizes[k].size == long {
			q.sizes[k].count += s.count
			q.sizes[k].wants = append(q.sizes[k].wants, s.wants...)
			continue
		}
		s.size, s.wants = long, slices.Clone(s.wants)
		q.sizes = append(q.sizes, s)
	}
	return &q
}

// up is the least that plans can cost from a bound on: prices are whole steps.
func (p *barProblem) up(bound float64) int64 {
	return int64(math.Ceil(bound/p.unit-1e-6) * p.unit)
}

// filled is what is paid where bars could be filled without waste, the cheap for their
// length first. What no bar is long enough for is lost.
func (p *barProblem) filled() int64 {
	need, lost, longest := 0, int64(0), 0
	for _, k := range p.kinds {
		longest = max(longest, k.room)
	}
	for _, s := range p.sizes {
		if s.size > longest {
			lost += s.lost * int64(s.count)
		} else {
			need += s.size * s.count
		}
	}
	sum := 0.0
	for _, k := range p.kinds {
		share := min(float64(need), float64(k.room)*float64(k.count))
		sum += share / float64(k.room) * float64(k.price)
		need -= int(share)
	}
	low := p.up(sum)
	if len(p.kinds) == 1 {
		low = max(low, int64(p.fewest(p.kinds[0].room))*p.kinds[0].price)
	}
	return low + lost
}
