package cutting

import (
	"context"
	"math"
)

// rest is what of a problem is not laid yet.
type barRest struct {
	p     *barProblem
	left  []int // of each size
	bars  []int // of each kind
	fills []pattern
}

func (p *barProblem) rest() *barRest {
	r := &barRest{p: p}
	for _, s := range p.sizes {
		r.left = append(r.left, s.count)
	}
	for _, k := range p.kinds {
		r.bars = append(r.bars, k.count)
	}
	return r
}

// cut takes a filling as often as there is enough for it, up to so many times.
func (r *barRest) cut(f pattern, most int) int {
	n := min(most, r.bars[f.kind])
	for i, k := range f.fill {
		if k > 0 {
			n = min(n, r.left[i]/k)
		}
	}
	for range n {
		r.fills = append(r.fills, f)
	}
	for i, k := range f.fill {
		r.left[i] -= n * k
	}
	r.bars[f.kind] -= n
	return n
}

// lost leaves over what is left.
func (r *barRest) lost() []pattern {
	for i, n := range r.left {
		for range n {
			f := pattern{-1, make([]int, len(r.left))}
			f.fill[i] = 1
			r.fills = append(r.fills, f)
		}
	}
	return r.fills
}

// longest is the first size that is left and goes into some bar; -1 for none.
func (r *barRest) longest() int {
	for i, n := range r.left {
		if n == 0 {
			continue
		}
		for k, b := range r.bars {
			if b > 0 && r.p.kinds[k].room >= r.p.sizes[i].size {
				return i
			}
		}
	}
	return -1
}

// greedy fills one bar after another: the longest stretch that is left, and beside it what
// fills the rest most, in the kind that is cheapest for what lies in it.
func (p *barProblem) greedy() []pattern { return p.rest().greedy() }

func (r *barRest) greedy() []pattern {
	for first := r.longest(); first >= 0; first = r.longest() {
		f := r.sums(first)
		best, least := pattern{kind: -1}, math.Inf(1)
		for k, v := range r.p.kinds {
			room := v.room - r.p.sizes[first].size
			if r.bars[k] == 0 || room < 0 {
				continue
			}
			fill := f.fill(room)
			fill[first]++
			got := pattern{k, fill}
			if per := float64(v.price) / float64(r.p.long(got)); per < least-1e-15 {
				best, least = got, per
			}
		}
		r.cut(best, math.MaxInt)
	}
	return r.lost()
}

// sums are the fullest fillings of what is left beside one stretch, by length.
func (r *barRest) sums(beside int) *fills {
	q := *r.p
	q.sizes = append([]barSize{}, q.sizes...)
	worth := make([]float64, len(q.sizes))
	for i := range q.sizes {
		q.sizes[i].count = r.left[i]
		worth[i] = float64(q.sizes[i].size)
	}
	q.sizes[beside].count--
	return q.fullest(worth)
}

// fitted puts each stretch, the longest first, into the fullest bar that has room, or into
// a new one of the kind that is cheapest for its length.
func (p *barProblem) fitted() []pattern {
	r := p.rest()
	var free []int
	var fills []pattern
	for i, s := range p.sizes {
		for range s.count {
			best := -1
			for k, f := range free {
				if f >= s.size && (best < 0 || f < free[best]) {
					best = k
				}
			}
			if best < 0 {
				for k, v := range p.kinds {
					if r.bars[k] > 0 && v.room >= s.size {
						r.bars[k]--
						fills, free = append(fills, pattern{k, make([]int, len(p.sizes))}), append(free, v.room)
						best = len(free) - 1
						break
					}
				}
			}
			if best >= 0 {
				fills[best].fill[i]++
				free[best] -= s.size
				r.left[i]--
			}
		}
	}
	r.fills = fills
	return r.lost()
}

// dive rounds the master: what it takes whole is laid, then the filling that it takes most
// of, and what is left is priced again.
func (p *barProblem) dive(ctx context.Context, m *master) []pattern {
	r := p.rest()
	for {
		laid, most, share := 0, pattern{kind: -1}, 0.0
		for i, c := range m.basis {
			if c.kind < 0 || c.spare {
				continue
			}
			f := pattern{c.kind, c.fill}
			laid += r.cut(f, int(m.x[i]+1e-4))
			if part := m.x[i] - math.Floor(m.x[i]+1e-4); part > share {
				most, share = f, part
			}
		}
		if most.kind >= 0 {
			laid += r.cut(most, 1)
		}
		q := r.problem()
		if laid == 0 || q.pieces() == 0 {
			return r.greedy()
		}
		m = newMaster(q)
		if !m.solve(ctx) {
			return r.greedy()
		}
	}
}

// problem is what is left as a problem of its own, with the same sizes and kinds.
func (r *barRest) problem() *barProblem {
	q := *r.p
	q.sizes, q.kinds = append([]barSize{}, q.sizes...), append([]barKind{}, q.kinds...)
	for i := range q.sizes {
		q.sizes[i].count = r.left[i]
	}
	for k := range q.kinds {
		q.kinds[k].count = r.bars[k]
	}
	return &q
}
