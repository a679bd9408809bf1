package source_test

import (
	"fmt"

	"freshshard/core/source"
)

// The cheapest offer is not the cheapest in the end.
func ExampleRank() {
	r, err := source.Rank([]source.Offer{{Kind: source.Cutter, Who: "the cutter", Price: 6400, Days: 3, Misfit: 3},
		{Kind: source.Post, Who: "by post", Price: 4100, Carriage: 1500, Lacks: "seal", Missing: 1900, Days: 6, Misfit: 12}},
		source.Terms{Visit: 6000, Day: 500})
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Println(r.Offers[0].Who, r.Offers[0].Expected)
	// Output:
	// the cutter 8272
}
