package holding_test

import (
	"fmt"

	"freshshard/core/family"
	"freshshard/core/holding"
)

// A rule says how a kind of holding works: what is read, what clears, what covers.
func ExampleOf() {
	r := holding.Of(family.Clip)
	fmt.Println(r.Tube(), r.Circle(), r.Lifts())
	// Output:
	// false false false
}
