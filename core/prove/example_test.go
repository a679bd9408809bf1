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
	// reason: this tells the next technician nothing; say why in a few words
}
