package source

import (
	"testing"

	"freshshard/tools/golden"
)

// From where to where each number of what is typed may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	golden.Check(t, "bounds", golden.Bounds(Offer{Kind: Post, Who: "by post", Price: 4100, Carriage: 1500, Lacks: "seal",
		Missing: 1900, Days: 6,
		Misfit: 12}, Offer.Check)+golden.Bounds(Terms{Visit: 6000, Day: 500}, func(k Terms) error {
		_, err := Rank([]Offer{{Kind: Cutter, Who: "the cutter", Price: 6400, Days: 3, Misfit: 3}}, k)
		return err
	}))
}
