package odds_test

import (
	"fmt"

	"freshshard/core/odds"
)

// A chance is said out of a hundred, never as certain.
func ExampleHundred() {
	fmt.Println(odds.Hundred(0.953), odds.Hundred(0.9999), odds.Hundred(0.0001))
	// Output:
	// 95 more than 99 fewer than 1
}
