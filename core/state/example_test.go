package state_test

import (
	"fmt"

	"freshshard/core/state"
)

// A state in words, and as it is missed.
func ExampleOf() {
	i := state.Of("looked-over")
	fmt.Println(i.Name, "/", i.Missed, "/", i.Lasts)
	fmt.Println(state.Of("painted").Missed)
	// Output:
	// looked over / the new pane is not looked over yet / true
	// it is not painted yet
}
