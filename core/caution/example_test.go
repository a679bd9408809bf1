package caution_test

import (
	"fmt"

	"freshshard/core/caution"
)

// Cautions follow what is so of an object: for the bench, and for the customer.
func ExampleFor() {
	work, _ := caution.For(caution.Facts{"power": true})
	for _, c := range work {
		fmt.Println(c.Title)
	}
	// Output:
	// Broken glass
	// Vacuum first
	// Power off
}
