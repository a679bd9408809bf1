package pace_test

import (
	"fmt"

	"freshshard/core/pace"
)

// How long a shop takes is learnt from what it did: here half as long again as the book.
func ExampleLearn() {
	runs := make([]pace.Run, 40)
	for i := range runs {
		runs[i] = pace.Run{Family: "clip-heat", Place: "bench", Who: 1, Book: 20, Took: 30}
	}
	p := pace.Learn(runs)
	factor, seen := p.Takes("clip-heat", "bench")
	fmt.Printf("%.1f of %d\n", factor, seen)
	// Output:
	// 1.4 of 40
}
