package value_test

import (
	"fmt"

	"freshshard/core/value"
)

// Each number says where it is from.
func ExampleOrigin() {
	for _, o := range []value.Origin{value.Std("EN 572-1"), value.Custom(), value.Read("tape"), value.Sum()} {
		fmt.Println(o)
	}
	// Output:
	// EN 572-1 (from memory)
	// common practice, no source
	// read here with the tape
	// worked out here
}
