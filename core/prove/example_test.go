package prove_test

import (
	"fmt"

	"freshshard/core/prove"
)

// A reason says something, or it is none.
func ExampleWords() {
	fmt.Println(prove.Words("reason", "the customer wants it as it was"))
	fmt.Println(prove.Words("reason", "x"))
	// Output:
	// <nil>
	// reason: this says nothing to whoever opens it next; say why in a few words
}
