package cutting

import (
	"cmp"
	"context"
	"math"
	"slices"
)

// barSet is how many bars of each kind are cut into, and what they cost.
type barSet struct {
	bars []int
	cost int64
}

// mostSets bounds how many sets of bars are looked at.
const mostSets = 60_000

// sets are all sets of bars that cost less than most and are long enough for everything,
// and whose fillings can be worth enough, the cheapest first; false where there are too
// many.
func (p *barProblem) sets(most int64, w weights) ([]barSet, bool) {
	var out []barSet
	now, tried := make([]int, len(p.kinds)), 0
	var walk func(k int, cost int64, long, worth float64) bool
	walk = func(k int, cost int64, long, worth float64) bool {
		if tried++; tried > 40*mostSets || len(out) > mostSets {
			return false
		}
		if k == len(p.kinds) {
			if long <= 0 && worth <= 1e-6 {
				out = append(out, barSet{slices.Clone(now), cost})
			}
			return true
		}
		if float64(cost)+p.paid(k, long) >= float64(most)-0.5 {
			return true
		}
		v := p.kinds[k]
		for n := 0; n <= v.count && cost+int64(n)*v.price < most; n++ {
			now[k] = n
			if !walk(k+1, cost+int64(n)*v.price, long-float64(n*v.room), worth-float64(n)*w.best[k]) {
				return false
			}
		}
		now[k] = 0
		return true
	}
	whole := walk(0, 0, float64(p.total()), w.all)
	slices.SortStableFunc(out, func(a, b barSet) int { return cmp.Compare(a.cost, b.cost) })
	return out, whole
}

// paid is what a length costs at least in the kinds from one on.
func (p *barProblem) paid(k int, long float64) float64 {
	sum := 0.0
	for _, v := range p.kinds[k:] {
		if long <= 0 {
			return sum
		}
		share := math.Min(long, float64(v.room)*float64(v.count))
		sum += share / float64(v.room) * float64(v.price)
		long -= share
	}
	if long > 0 {
		return math.Inf(1)
	}
	return sum
}

func (p *barProblem) total() int {
	n := 0
	for _, s := range p.sizes {
		n += s.size * s.count
	}
	return n
}

// weights are what each size is worth in the master, and the most that a bar of each kind
// can hold of it: a second measure beside the length, in which big stretches that do not go
// together count for more.
type weights struct {
	size []float64
	best []float64 // of each kind
	all  float64   // of everything that is wanted
}

func (p *barProblem) weights(m *master) weights {
	w := weights{}
	for i, s := range p.sizes {
		v := math.Max(0, m.dual[i])
		w.size = append(w.size, v)
		w.all += v * float64(s.count)
	}
	f := p.fullest(w.size)
	for _, k := range p.kinds {
		w.best = append(w.best, f.value(k.room))
	}
	return w
}

// packing lays everything into one set of bars, if it can be: the shortest bar first, and no
// more may be wasted, of length or of worth, than the set has over.
type packing struct {
	p       *barProblem
	w       weights
	order   []int // kinds, a bar each, the shortest first
	left    []int
	fills   []pattern
	nodes   int
	stopped bool
	seen    map[string]bool
}

// mostNodes ends the search of one set, in stretches that were laid.
const mostNodes = 150_000

// pack gives the fillings; nil where there are none, and false where that is not known.
func (p *barProblem) pack(set barSet, w weights) ([]pattern, bool) {
	k := &packing{p: p, w: w, seen: map[string]bool{}}
	long, worth := -p.total(), -w.all
	for i, n := range set.bars {
		for range n {
			k.order = append(k.order, i)
			long += p.kinds[i].room
			worth += w.best[i]
		}
	}
	slices.SortStableFunc(k.order, func(a, b int) int { return p.kinds[a].room - p.kinds[b].room })
	for _, s := range p.sizes {
		k.left = append(k.left, s.count)
	}
	if k.bar(0, long, worth+1e-6) {
		return k.fills, true
	}
	return nil, !k.stopped
}

// bar fills one bar after the other.
func (k *packing) bar(n, long int, worth float64) bool {
	if n == len(k.order) {
		return !slices.ContainsFunc(k.left, func(n int) bool { return n > 0 })
	}
	for i, c := range k.left { // the longest that is left goes into the longest bar
		if c > 0 {
			if k.p.sizes[i].size > k.p.kinds[k.order[len(k.order)-1]].room {
				return false
			}
			break
		}
	}
	key := make([]byte, 0, 2*len(k.left)+2)
	key = append(key, byte(n), byte(n>>8))
	for _, c := range k.left {
		key = append(key, byte(c), byte(c>>8))
	}
	if k.seen[string(key)] {
		return false
	}
	kind := k.order[n]
	fill := make([]int, len(k.left))
	if k.fill(n, fill, 0, k.p.kinds[kind].room, long, k.w.best[kind], worth) {
		return true
	}
	if !k.stopped {
		k.seen[string(key)] = true
	}
	return false
}

// fill puts stretches of some size and the shorter ones into a bar with so much room and
// worth left to fill, longest first; what is left of both is wasted.
func (k *packing) fill(n int, fill []int, from, room, long int, open, worth float64) bool {
	if k.nodes++; k.nodes > mostNodes {
		k.stopped = true
		return false
	}
	for i := from; i < len(k.left); i++ {
		if k.left[i] == 0 || k.p.sizes[i].size > room {
			continue
		}
		k.left[i]--
		fill[i]++
		if k.fill(n, fill, i, room-k.p.sizes[i].size, long, open-k.w.size[i], worth) {
			return true
		}
		fill[i]--
		k.left[i]++
		if k.stopped {
			return false
		}
	}
	if room > long || open > worth+1e-6 || k.more(room) {
		return false
	}
	k.fills = append(k.fills, pattern{k.order[n], slices.Clone(fill)})
	if k.bar(n+1, long-room, worth-math.Max(0, open)) {
		return true
	}
	k.fills = k.fills[:len(k.fills)-1]
	return false
}

// more says that a stretch that is left would still go into a room.
func (k *packing) more(room int) bool {
	for i := len(k.left) - 1; i >= 0; i-- {
		if k.left[i] > 0 {
			return k.p.sizes[i].size <= room
		}
	}
	return false
}

// exact finds the cheapest set of bars that everything goes into. It returns the best
// fillings and below what none can cost.
func (p *barProblem) exact(ctx context.Context, m *master, best []pattern, bound int64) ([]pattern, int64) {
	w := p.weights(m)
	sets, whole := p.sets(p.cost(best), w)
	low, known := bound, true
	nodes := 0
	for _, s := range sets {
		if s.cost < bound {
			continue
		}
		if ctx.Err() != nil || nodes > allNodes {
			known = false
			break
		}
		got, sure := p.pack(s, w)
		nodes++
		if got != nil {
			if best = got; known && whole {
				low = s.cost
			}
			return best, low
		}
		if known = known && sure; known && whole {
			low = max(low, s.cost)
		}
	}
	if known && whole {
		low = p.cost(best)
	}
	return best, low
}

// allNodes is how many sets are tried.
const allNodes = 3000
