package cutting

import "slices"

// fewest is how many bars are needed at least: by length, and for every short length k by
// those that cannot lie together (Martello and Toth, Knapsack Problems, 1990, bound L2;
// from memory).
func (p *barProblem) fewest(room int) int {
	var sizes []int
	total := 0
	for _, s := range p.sizes {
		if s.size > room {
			continue
		}
		for range s.count {
			sizes = append(sizes, s.size)
			total += s.size
		}
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
