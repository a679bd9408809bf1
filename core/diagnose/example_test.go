package diagnose_test

import (
	"fmt"

	"freshshard/core/diagnose"
)

// What was seen of a break speaks for its cause.
func ExampleWhy() {
	r, err := diagnose.Why(diagnose.Evidence{"origin": "fixing", "fixings": "tight"})
	fmt.Println(r.Sentence, err)
	// Output:
	// A fixing too tight, most likely (75 in 100). <nil>
}
