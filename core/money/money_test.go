package money

import (
	"math/big"
	"math/rand/v2"
	"testing"
)

func TestText(t *testing.T) {
	for cents, want := range map[int64]string{0: "0.00", 5: "0.05", 1250: "12.50", -1: "−0.01", Most: "1000000.00"} {
		if got := Text(cents); got != want {
			t.Errorf("%d: %q", cents, got)
		}
	}
}

// Just below, at and above a half, on both sides of nothing.
func TestOver(t *testing.T) {
	for _, c := range []struct{ n, d, want int64 }{{0, 60, 0}, {29, 60, 0}, {30, 60, 1}, {31, 60, 1}, {89, 60, 1},
		{90, 60, 2}, {-29, 60, 0}, {-30, 60, -1}, {-31, 60, -1}, {7, 3, 2}, {8, 3, 3}, {5, 1, 5}} {
		if got := Over(c.n, c.d); got != c.want {
			t.Errorf("%d ÷ %d: %d, want %d", c.n, c.d, got, c.want)
		}
	}
}

// Against fractions of any size (math/big), over the whole range that is taken.
func TestAgainstFractions(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 3))
	half := big.NewRat(1, 2)
	exact := func(n *big.Rat) int64 {
		sign := int64(n.Sign())
		n = new(big.Rat).Abs(n)
		n.Add(n, half)
		return sign * new(big.Int).Quo(n.Num(), n.Denom()).Int64()
	}
	for range 20000 {
		each, milli, basis := r.Int64N(2*Most)-Most, r.Int64N(1_000_000_000), r.IntN(20_001)-10_000
		if got, want := Times(each, milli),
			exact(new(big.Rat).Mul(big.NewRat(each, 1), big.NewRat(milli, 1000))); got != want {
			t.Fatalf("%d × %d/1000: %d, want %d", each, milli, got, want)
		}
		if got, want := Part(each, basis),
			exact(new(big.Rat).Mul(big.NewRat(each, 1), big.NewRat(int64(basis), 10_000))); got != want {
			t.Fatalf("%d of %d: %d, want %d", basis, each, got, want)
		}
	}
}
