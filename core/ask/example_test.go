package ask_test

import (
	"fmt"

	"freshshard/core/ask"
)

// The one next thing at a station.
func ExampleAt() {
	a := ask.At("choose", ask.Facts{Settles: true})
	fmt.Println(a.Says)
	// Output:
	// Nothing on the list stands this place
}
