package guest_test

import (
	"fmt"

	"freshshard/core/guest"
)

// What is often put in only for now, and has to come out again.
func ExampleAll() {
	for _, u := range guest.All()[:2] {
		fmt.Println(u.What)
	}
	// Output:
	// pins through the hinges
	// props and wedges
}
