package cutting

import "slices"

// alike packs stretches into as few bars of one room as it can: first greedily, each
// bar as full as it can be with the longest that is left, then exactly, as long as the
// time allows. It returns the bars and how many are needed at least. Stretches that are
// longer than the room come one to a bar behind the others.
func (s *barSearch) alike(left []int, room int) (bins [][]int, low int) {
	var fit, over []int
	for _, w := range left {
		if s.size(w) <= room {
			fit = append(fit, w)
		} else {
			over = append(over, w)
		}
	}
	bins = s.greedy(fit, room)
	low = s.low(fit, room)
	if few := s.firstFit(fit, room); len(few) < len(bins) {
		bins = few
	}
	if len(bins) > low {
		e := exact{s: s, room: room, best: bins, low: low, seen: map[string]int{}}
		e.fill(fit, nil)
		bins = e.best
		if !e.stopped && !e.partial {
			low = len(bins) // everything was looked at
		}
	}
	for _, w := range over {
		bins = append(bins, []int{w})
	}
	return bins, low
}

// greedy fills one bar after another: the longest that is left, and beside it what
// fills the rest most.
func (s *barSearch) greedy(left []int, room int) [][]int {
	left = slices.Clone(left)
	var bins [][]int
	for len(left) > 0 {
		first := left[0]
		left = left[1:]
		bin := append([]int{first}, s.take(&left, s.fullest(left, room-s.size(first)))...)
		bins = append(bins, bin)
	}
	return bins
}

// firstFit puts each stretch, the longest first, into the fullest bar that has room.
func (s *barSearch) firstFit(left []int, room int) [][]int {
	var bins [][]int
	var free []int
	for _, w := range left {
		v, best := s.size(w), -1
		for i, f := range free {
			if f >= v && (best < 0 || f < free[best]) {
				best = i
			}
		}
		if best < 0 {
			bins, free = append(bins, nil), append(free, room)
			best = len(bins) - 1
		}
		bins[best], free[best] = append(bins[best], w), free[best]-v
	}
	return bins
}

// low is how many bars are needed at least: by length, and for every short length k by
// those that cannot lie together (Martello and Toth, Knapsack Problems, 1990, bound L2;
// from memory).
func (s *barSearch) low(left []int, room int) int {
	sizes := make([]int, len(left))
	total := 0
	for i, w := range left {
		sizes[i] = s.size(w)
		total += sizes[i]
	}
	best := (total + room - 1) / max(1, room)
	for _, k := range append(slices.Clone(sizes), 0) {
		if 2*k > room {
			continue
		}
		big, mid, midSum, small := 0, 0, 0, 0
		for _, v := range sizes {
			switch {
			case v > room-k:
				big++
			case 2*v > room:
				mid++
				midSum += v
			case v >= k:
				small += v
			}
		}
		rest := small - (mid*room - midSum)
		n := big + mid
		if rest > 0 {
			n += (rest + room - 1) / room
		}
		best = max(best, n)
	}
	return best
}

// exact looks at every way to complete a bar that has the longest stretch left, the
// fullest first, and leaves out what cannot come below the best (bin completion, Korf,
// AAAI 2002; from memory).
type exact struct {
	s       *barSearch
	room    int
	best    [][]int
	low     int
	seen    map[string]int // what was left with so many bars used
	stopped bool           // the time was over
	partial bool           // not all ways were looked at: nothing is proved
}

// mostSeen bounds the memory of what was looked at.
const mostSeen = 400_000

// mostWays bounds how many completions of one bar are looked at.
const mostWays = 2000

func (e *exact) fill(left []int, done [][]int) {
	if e.stopped || len(e.best) <= e.low {
		return
	}
	if e.s.over() {
		e.stopped = true
		return
	}
	if len(left) == 0 {
		if len(done) < len(e.best) {
			e.best = slices.Clone(done)
		}
		return
	}
	if len(done)+e.s.low(left, e.room) >= len(e.best) {
		return
	}
	key := e.key(left)
	if n, ok := e.seen[key]; ok && n <= len(done) {
		return
	}
	if len(e.seen) < mostSeen {
		e.seen[key] = len(done)
	}
	ways := e.ways(left)
	e.partial = e.partial || len(ways) == mostWays
	for _, w := range ways {
		bin := make([]int, 0, len(w)+1)
		rest := make([]int, 0, len(left))
		at := 0
		for i, v := range left {
			if at < len(w) && w[at] == i {
				bin = append(bin, v)
				at++
			} else {
				rest = append(rest, v)
			}
		}
		e.fill(rest, append(done, bin))
		if e.stopped || len(e.best) <= e.low {
			return
		}
	}
}

func (e *exact) key(left []int) string {
	b := make([]byte, 0, 4*len(left))
	for _, w := range left {
		v := e.s.size(w)
		b = append(b, byte(v), byte(v>>8), byte(v>>16))
	}
	return string(b)
}

// ways are the completions of a bar with the first stretch, each as places in left,
// that leave no room for another; the fullest first.
func (e *exact) ways(left []int) [][]int {
	type way struct {
		at  []int
		sum int
	}
	var out []way
	at := []int{0}
	var walk func(from, sum int)
	walk = func(from, sum int) {
		if len(out) >= mostWays {
			return
		}
		full := true
		last := -1
		for i := from; i < len(left); i++ {
			v := e.s.size(left[i])
			if sum+v > e.room || v == last {
				continue // the same length again is the same way
			}
			last, full = v, false
			at = append(at, i)
			walk(i+1, sum+v)
			at = at[:len(at)-1]
		}
		if full && !e.leaves(left, at, e.room-sum) {
			out = append(out, way{slices.Clone(at), sum})
		}
	}
	walk(1, e.s.size(left[0]))
	slices.SortStableFunc(out, func(a, b way) int { return b.sum - a.sum })
	ways := make([][]int, len(out))
	for i, w := range out {
		ways[i] = w.at
	}
	return ways
}

// leaves says whether a stretch that was passed over would still go in.
func (e *exact) leaves(left, at []int, room int) bool {
	for i, w := range left {
		if e.s.size(w) <= room && !slices.Contains(at, i) {
			return true
		}
	}
	return false
}
