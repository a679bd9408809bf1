package odds

import (
	"math/bits"

	"freshshard/core/outline"
)

// rounding is what two sums of the same length may differ by, mm.
const rounding = 1e-9

// served are the draws that a size serves, a bit each.
type served struct{ in, hold, free []uint64 }

// serves says which draws a size serves in one direction.
func serves(t []Thresholds, size float64) served {
	words := (len(t) + 63) / 64
	s := served{make([]uint64, words), make([]uint64, words), make([]uint64, words)}
	for w := range words {
		var in, hold, free uint64
		for b, q := range t[w*64 : min(len(t), w*64+64)] {
			bit := uint64(1) << b
			if size <= q.In+rounding {
				in |= bit
			}
			if size >= q.Hold-rounding {
				hold |= bit
			}
			if size <= q.Free+rounding {
				free |= bit
			}
		}
		s.in[w], s.hold[w], s.free[w] = in, hold, free
	}
	return s
}

// both counts the draws that two directions serve.
func both(a, b []uint64) int {
	n := 0
	for w := range a {
		n += bits.OnesCount64(a[w] & b[w])
	}
	return n
}

// every counts the draws that two directions serve in all three things at once.
func (s served) every(o served) int {
	n := 0
	for w := range s.in {
		n += bits.OnesCount64(s.in[w] & o.in[w] & s.hold[w] & o.hold[w] & s.free[w] & o.free[w])
	}
	return n
}

// least is the smallest of the three counts of two directions.
func (s served) least(o served) int {
	return min(both(s.in, o.in), both(s.hold, o.hold), both(s.free, o.free))
}

// Shares are the shares of the draws that a size serves: that it goes into, is held by,
// stays free in, and all of them.
func Shares(d Drawn, size outline.Size) (in, hold, free, all float64) {
	a := serves(d[0], size.W)
	b := a
	if d[1] != nil {
		b = serves(d[1], size.H)
	}
	n := float64(len(d[0]))
	return float64(both(a.in, b.in)) / n, float64(both(a.hold, b.hold)) / n, float64(both(a.free, b.free)) / n,
		float64(a.every(b)) / n
}

// All is the share of the draws that a size serves in everything.
func All(d Drawn, size outline.Size) float64 {
	_, _, _, all := Shares(d, size)
	return all
}
