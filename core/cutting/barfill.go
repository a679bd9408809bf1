package cutting

// fills are the fullest fillings of every room up to the largest, by worth.
type fills struct {
	p     *barProblem
	best  []float64
	items []fillItem
	taken [][]uint64 // of each item: the rooms in which it lies
	work  int
}

type fillItem struct {
	size, many int // how many of it lie together
}

// fullest finds for every room the filling that is worth most, each size no more often than
// it is wanted: halves, quarters and so on of a count are taken or left.
func (p *barProblem) fullest(worth []float64) *fills {
	top := 0
	for _, k := range p.kinds {
		top = max(top, k.room/p.step)
	}
	f := &fills{p: p, best: make([]float64, top+1)}
	for i, s := range p.sizes {
		long := (s.size + p.step - 1) / p.step
		if worth[i] <= 0 || long > top {
			continue
		}
		left := min(s.count, top/max(1, long))
		for many := 1; left > 0; many *= 2 {
			n := min(many, left)
			left -= n
			f.add(fillItem{i, n}, n*long, float64(n)*worth[i])
		}
	}
	return f
}

func (f *fills) add(it fillItem, long int, worth float64) {
	bits := make([]uint64, (len(f.best)+63)/64)
	for c := len(f.best) - 1; c >= long; c-- {
		if v := f.best[c-long] + worth; v > f.best[c]+1e-12 {
			f.best[c] = v
			bits[c/64] |= 1 << (c % 64)
		}
	}
	f.work += len(f.best)
	f.items, f.taken = append(f.items, it), append(f.taken, bits)
}

// value is what the fullest filling of a room is worth.
func (f *fills) value(room int) float64 {
	if room < 0 {
		return 0
	}
	return f.best[room/f.p.step]
}

// fill is that filling: how many of each size.
func (f *fills) fill(room int) []int {
	out := make([]int, len(f.p.sizes))
	c := room / f.p.step
	for i := len(f.items) - 1; i >= 0; i-- {
		if f.taken[i][c/64]&(1<<(c%64)) == 0 {
			continue
		}
		it := f.items[i]
		out[it.size] += it.many
		c -= it.many * ((f.p.sizes[it.size].size + f.p.step - 1) / f.p.step)
	}
	return out
}
