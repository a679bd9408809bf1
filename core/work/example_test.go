package work_test

import (
	"fmt"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/work"
)

// A pane between lugs in an electric oven whose door comes off: the power first, then the door; a
// first heat, and no hose.
func ExampleToSize() {
	f, err := family.Book.ByID("lugs-cap")
	if err != nil {
		fmt.Println(err)
		return
	}
	e, err := exposure.Book.ByID("oven")
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, s := range work.ToSize(f, work.Object{Exposure: e, Leaf: true}).Steps {
		if s.Once {
			fmt.Println(s.Station, s.Title)
		}
	}
	// Output:
	// strip Power and gas off
	// strip Lock the hinges, lift the door off
	// strip Every piece out
	// refit Door back on
	// prove First heat, empty
}
