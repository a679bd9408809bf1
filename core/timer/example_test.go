package timer_test

import (
	"fmt"

	"freshshard/core/timer"
)

// Waits that are timed without a sum.
func ExampleAll() {
	for _, u := range timer.All()[:2] {
		fmt.Println(u.What)
	}
	// Output:
	// Water over it, from the bottom up
	// At working heat and pressure
}
