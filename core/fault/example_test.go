package fault_test

import (
	"errors"
	"fmt"

	"freshshard/core/fault"
)

// A fault names the field, what is wrong and what would be right.
func ExampleNew() {
	err := errors.Join(fault.New("width", "a width from 1 to 100 mm is expected", "measure it again"), errors.New("else"))
	f := fault.Of(err)
	fmt.Println(f.Field, "·", f.Why, "·", f.Cure)
	// Output:
	// width · a width from 1 to 100 mm is expected · measure it again
}
