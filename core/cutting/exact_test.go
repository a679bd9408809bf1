package cutting

import (
	"context"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"gonum.org/v1/gonum/mat"
	"gonum.org/v1/gonum/optimize/convex/lp"
)

// patterns are all ways in which stretches of the lengths come out of one bar, full or not.
func patterns(lengths []float64, bar, kerf float64) [][]float64 {
	var out [][]float64
	var walk func(i int, left float64, now []float64)
	walk = func(i int, left float64, now []float64) {
		if i == len(lengths) {
			if slices.Max(now) > 0 {
				out = append(out, slices.Clone(now))
			}
			return
		}
		for n := 0; float64(n)*(lengths[i]+kerf) <= left+1e-9; n++ {
			now[i] = float64(n)
			walk(i+1, left-float64(n)*(lengths[i]+kerf), now)
		}
		now[i] = 0
	}
	walk(0, bar+kerf, make([]float64, len(lengths))) // the last stretch needs no cut behind it
	return out
}

// The fewest bars by whole patterns, solved as a linear programme by gonum's simplex (Gilmore and
// Gomory's bound): no plan takes fewer bars than it says, rounded up, and ours takes at most one
// more. Lengths are few, so that all patterns can be listed.
func TestBarsAgainstALinearProgramme(t *testing.T) {
	for seed := range uint64(40) {
		r := rand.New(rand.NewPCG(seed, 77))
		kinds := 2 + r.IntN(3)
		const bar = 1200.0
		kerf := 3 * float64(seed%2)
		task := BarTask{Bars: []Bar{{ID: "tube", Length: bar, Count: 400, Cost: 10}}, Kerf: kerf}
		var lengths, wants []float64
		for k := range kinds {
			lengths = append(lengths, float64(150+r.IntN(500)))
			wants = append(wants, float64(2+r.IntN(18)))
			task.Wants = append(task.Wants, Stretch{ID: string(rune('a' + k)), Length: lengths[k], Count: int(wants[k])})
		}
		all := patterns(lengths, bar, kerf)
		// min Σx so that each length comes out at least as often as it is wanted: A x − s = b.
		n := len(all) + kinds
		a := mat.NewDense(kinds, n, nil)
		c := make([]float64, n)
		for j, p := range all {
			c[j] = 1
			for i, v := range p {
				a.Set(i, j, v)
			}
		}
		for i := range kinds {
			a.Set(i, len(all)+i, -1)
		}
		least, _, err := lp.Simplex(c, a, wants, 1e-9, nil)
		if err != nil {
			t.Fatalf("%d: %v", seed, err)
		}
		low := int(math.Ceil(least - 1e-6))
		p, err := SolveBars(context.Background(), task)
		if err != nil {
			t.Fatal(err)
		}
		if len(p.Left) > 0 || len(p.Bars) < low || len(p.Bars) > low+1 {
			t.Errorf("%d: %d bars, and a linear programme says at least %d; left %v", seed, len(p.Bars), low, p.Left)
		}
	}
}
