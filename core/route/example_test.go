package route_test

import (
	"fmt"

	"freshshard/core/route"
)

// The stations of a job, and what is open at each.
func ExampleLegs() {
	for _, l := range route.Legs(route.Progress{})[:2] {
		fmt.Println(l.Name, l.State)
	}
	// Output:
	// Assess done
	// Strip done
}
