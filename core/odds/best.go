package odds

import (
	"math"

	"freshshard/core/outline"
)

// reachSteps is how far the search for the best size goes from its start, in
// steps of the cutter, and farther as long as it finds better.
const reachSteps = 3

// steps are what sizes some steps away from a start serve in one direction; each is worked
// out once.
type steps struct {
	t    []Thresholds
	from float64
	step float64
	at   map[int]served
}

func (s *steps) serves(n int) served {
	v, ok := s.at[n]
	if !ok {
		v = serves(s.t, s.from+float64(n)*s.step)
		s.at[n] = v
	}
	return v
}

// best climbs from a size to the one that does everything at once most often, on the
// cutter's steps: larger holds better, smaller goes in better, so that there is one hill.
// Where none does all of it yet, the one whose least share is larger leads up.
func best(d Drawn, from outline.Size, step float64) (outline.Size, float64) {
	across := &steps{d[0], from.W, step, map[int]served{}}
	up := &steps{d[1], from.H, step, map[int]served{}}
	n := len(d[0]) + 1
	score := func(w, h int) int {
		a := across.serves(w)
		b := a
		if d[1] != nil {
			b = up.serves(h)
		}
		return a.every(b)*n + a.least(b)
	}
	atW, atH, top := 0, 0, score(0, 0)
	for moved := true; moved; {
		moved = false
		startW, startH := atW, atH
		for dw := -reachSteps; dw <= reachSteps; dw++ {
			for dh := -reachSteps; dh <= reachSteps; dh++ {
				if v := score(startW+dw, startH+dh); v > top {
					atW, atH, top, moved = startW+dw, startH+dh, v, true
				}
			}
		}
	}
	return outline.Size{W: from.W + float64(atW)*step, H: from.H + float64(atH)*step},
		float64(top/n) / float64(len(d[0]))
}

// start is where the search begins: the order, on the cutter's step.
func (q Question) start() outline.Size {
	return outline.Size{W: math.Round(q.Order.W/q.Step) * q.Step, H: math.Round(q.Order.H/q.Step) * q.Step}
}
