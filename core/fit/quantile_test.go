package fit

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// One doubt alone has a closed form: an even one is passed once in twenty at
// nine tenths of its half-width, a triangular one at 1 − √0.1 of it.
func TestSeldomAgainstClosedForms(t *testing.T) {
	for _, c := range []struct {
		name      string
		got, want float64
	}{
		{"an even doubt", leastLess([]spread{{100, 1}}, 0), 99.1},
		{"no doubt", leastLess([]spread{{100, 0}}, 0), 100},
		{"a cutter's band", leastLess([]spread{{100, 0}}, 2), 100 - 2*(1-math.Sqrt(0.1))},
		{"the least of two alike", leastLess([]spread{{100, 1}, {100, 1}}, 0), 99 + 2*(1-math.Sqrt(0.95))},
		{"the lesser of two far apart", leastLess([]spread{{100, 1}, {110, 1}}, 0), 99.1},
		{"what covers, alone", overLess(spread{10, 0.5}, []spread{{0, 0}}, 0, 0.5), 9.55},
		{"half a wall", overLess(spread{10, 0}, []spread{{4, 1}}, 0, 0.5), 10 - 0.5*4.9},
		{"a whole wall", overLess(spread{10, 0}, []spread{{4, 1}}, 0, 1), 10 - 4.9},
	} {
		// The nodes stand for a doubt to a twentieth of it.
		if math.Abs(c.got-c.want) > 0.05*2 {
			t.Errorf("%s: %v, want %v", c.name, c.got, c.want)
		}
	}
}

// All doubts together, against 200,000 draws.
func TestSeldomAgainstDraws(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 9))
	even := func(q spread) float64 { return q.value + q.half*(2*r.Float64()-1) }
	for range 12 {
		walls := []spread{{300, r.Float64()}, {300 + r.Float64(), r.Float64()}, {300 + 2*r.Float64(), r.Float64()}}
		over, band, share := spread{12, r.Float64()}, 2*r.Float64(), []float64{0.5, 1}[r.IntN(2)]
		least, left := make([]float64, 200000), make([]float64, 200000)
		for i := range least {
			a, b, c := even(walls[0]), even(walls[1]), even(walls[2])
			cutter := band * (r.Float64() + r.Float64() - 1)
			least[i] = min(a, b, c) - cutter
			left[i] = even(over) - share*(max(a, b, c)+cutter)
		}
		slices.Sort(least)
		slices.Sort(left)
		at := len(least) / 20
		if got := leastLess(walls, band); math.Abs(got-least[at]) > 0.05 {
			t.Errorf("least of %v, ±%v: %v, drawn %v", walls, band, got, least[at])
		}
		if got := overLess(over, walls, band, share); math.Abs(got-left[at]) > 0.05 {
			t.Errorf("%v over %v, ±%v: %v, drawn %v", over, walls, band, got, left[at])
		}
	}
}
