package fit

import "math"

// shares counts the draws that a size serves.
func shares(t [2][]thresholds, size Size) (in, hold, free, all float64) {
	var ins, holds, frees, alls int
	other := t[1]
	for i, q := range t[0] {
		a, b, c := size.W <= q.in+1e-9, size.W >= q.hold-1e-9, size.W <= q.free+1e-9
		if other != nil {
			o := other[i]
			a, b, c = a && size.H <= o.in+1e-9, b && size.H >= o.hold-1e-9, c && size.H <= o.free+1e-9
		}
		if a {
			ins++
		}
		if b {
			holds++
		}
		if c {
			frees++
		}
		if a && b && c {
			alls++
		}
	}
	d := float64(len(t[0]))
	return float64(ins) / d, float64(holds) / d, float64(frees) / d, float64(alls) / d
}

// odds are the shares of many draws, a batch at a time: a batch fits into the
// processor's cache, a million draws at once do not.
func (s solver) odds(w, h axis, size Size, draws int) (in, hold, free, all float64) {
	for batch, done := 0, 0; done < draws; batch++ {
		n := min(batchDraws, draws-done)
		a, b, c, d := shares(s.sampler(w, h, n, batch).drawn(), size)
		k := float64(n) / float64(draws)
		in, hold, free, all = in+k*a, hold+k*b, free+k*c, all+k*d
		done += n
	}
	return in, hold, free, all
}

func least(t [2][]thresholds, size Size) float64 {
	in, hold, free, _ := shares(t, size)
	return math.Min(in, math.Min(hold, free))
}

// reachSteps is how far the search for the best size goes from its start, in
// steps of the cutter, and farther as long as it finds better.
const reachSteps = 3

// best climbs from a size to the one that makes the least share as large as it
// can be, on the cutter's steps: larger holds better, smaller goes in better,
// so that there is one hill.
func best(t [2][]thresholds, from Size, step float64) (Size, float64) {
	at, top := from, least(t, from)
	for moved := true; moved; {
		moved = false
		start := at
		for dw := -reachSteps; dw <= reachSteps; dw++ {
			for dh := -reachSteps; dh <= reachSteps; dh++ {
				try := Size{start.W + float64(dw)*step, start.H + float64(dh)*step}
				if v := least(t, try); v > top+1e-12 {
					at, top, moved = try, v, true
				}
			}
		}
	}
	return at, top
}

// start is where the search begins: the order, on the cutter's step.
func (s solver) start(_, _ axis, order Size) Size {
	step := s.step()
	return Size{math.Round(order.W/step) * step, math.Round(order.H/step) * step}
}
