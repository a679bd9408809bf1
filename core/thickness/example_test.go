package thickness_test

import (
	"fmt"

	"freshshard/core/length"
	"freshshard/core/thickness"
)

// A caliper's reading becomes a nominal thickness.
func ExampleOf() {
	a := thickness.Of(length.Reading{Value: 3.87, Doubt: 0.02})
	fmt.Println(a.Nominal, a.Between)
	// Output:
	// 4 false
}
