package fit

import "math"

// rarely is how often a limit that is kept may be missed: once in twenty.
const rarely = 0.05

// Nodes at which a doubt is summed up, each as likely as any other: of a doubt
// that is even, and of a cutter's band, which is triangular.
const (
	evenNodes = 5
	cutNodes  = 25
)

// halvings of an interval give its place to a millionth.
const halvings = 22

// below is how likely it is that the truth lies under x.
func (q spread) below(x float64) float64 {
	switch off := x - q.value; {
	case off >= q.half:
		return 1
	case off <= -q.half:
		return 0
	default:
		return (off + q.half) / (2 * q.half)
	}
}

func (k kept) or(of keptOf, work func() float64) float64 {
	if v, ok := k[of]; ok {
		return v
	}
	v := work()
	if k != nil {
		k[of] = v
	}
	return v
}

// leastLess is that of an axis.
func (s doubting) leastLess(a axis) float64 {
	return s.kept.or(keptOf{axis: a.name}, func() float64 { return leastLess(s.walls(a), s.band.Half) })
}

// overLess is that of an axis.
func (s doubting) overLess(a axis, over spread, share float64) float64 {
	return s.kept.or(keptOf{a.name, over, share}, func() float64 { return overLess(over, s.walls(a), s.band.Half, share) })
}

// walls are the readings of an axis with their doubts.
func (s doubting) walls(a axis) []spread {
	if s.shaped != nil {
		return []spread{{a.Nominal, a.Nominal - a.Low}}
	}
	out := make([]spread, 0, len(a.Places))
	for _, p := range a.Places {
		if r, ok := s.p.Readings[p]; ok {
			out = append(out, spread{r.Value, r.Doubt})
		}
	}
	if len(out) == 0 { // a tube, whose length is no reading
		return []spread{{a.Nominal, a.Nominal - a.Low}}
	}
	return out
}

// negated are the same on the other side of nothing: the greatest of them is the
// least of those.
func negated(walls []spread) []spread {
	out := make([]spread, len(walls))
	for i, w := range walls {
		out[i] = spread{-w.value, w.half}
	}
	return out
}

// cutAt is the i-th node of a triangular band of half-width 1.
func cutAt(i int) float64 {
	p := (float64(i) + 0.5) / cutNodes
	if p < 0.5 {
		return math.Sqrt(2*p) - 1
	}
	return 1 - math.Sqrt(2*(1-p))
}

// evenAt is the i-th node of an even doubt of half-width 1.
func evenAt(i int) float64 { return (2*float64(i)+1)/evenNodes - 1 }

// seldom is the value that something falls under once in twenty, between two
// that it surely does not pass. under says how likely it lies under a value.
func seldom(lo, hi float64, under func(float64) float64) float64 {
	for range halvings {
		mid := (lo + hi) / 2
		if under(mid) < rarely {
			lo = mid
		} else {
			hi = mid
		}
	}
	return lo
}

// leastLess is the least of some walls less what a cutter adds to a pane, mm, as
// small as it is once in twenty.
func leastLess(walls []spread, band float64) float64 {
	lo, hi := math.Inf(1), math.Inf(1)
	for _, w := range walls {
		lo, hi = math.Min(lo, w.value-w.half), math.Min(hi, w.value+w.half)
	}
	return seldom(lo-band, hi+band, func(x float64) float64 {
		var sum float64
		for i := range cutNodes {
			none := 1.0
			for _, w := range walls {
				none *= 1 - w.below(x+band*cutAt(i))
			}
			sum += 1 - none
		}
		return sum / cutNodes
	})
}

// overLess is what covers an edge less a share of the greatest of some walls and
// of what a cutter takes off a pane, mm, as small as it is once in twenty.
func overLess(over spread, walls []spread, band, share float64) float64 {
	lo, hi := math.Inf(-1), math.Inf(-1)
	for _, w := range walls {
		lo, hi = math.Max(lo, w.value+w.half), math.Max(hi, w.value-w.half)
	}
	return seldom(over.value-over.half-share*(lo+band), over.value+over.half-share*(hi-band), func(x float64) float64 {
		var sum float64
		for i := range cutNodes {
			for k := range evenNodes {
				all := 1.0
				at := (over.value+over.half*evenAt(k)-x)/share - band*cutAt(i)
				for _, w := range walls {
					all *= w.below(at)
				}
				sum += 1 - all
			}
		}
		return sum / (cutNodes * evenNodes)
	})
}
