package leaf_test

import (
	"fmt"

	"freshshard/core/family"
	"freshshard/core/leaf"
)

// A door that comes off its hinges brings its own steps.
func ExampleApply() {
	f, err := family.Book.ByID("bead-brads")
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Println(len(leaf.Apply(f).Steps)-len(f.Steps), "more steps")
	// Output:
	// 4 more steps
}
