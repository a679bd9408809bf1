package road_test

import (
	"fmt"

	"freshshard/core/family"
	"freshshard/core/road"
)

// A pane may go several roads; each says whether it is measured.
func ExampleOf() {
	f, err := family.Book.ByID("clip-heat")
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, id := range []string{road.Size, "part", "stays"} {
		r, how, err := road.Of(id, "")
		fmt.Println(r.Name, "·", how.ID, "·", r.Measured(f), err)
	}
	// Output:
	// A new pane made to size · opening · true <nil>
	// A part as it comes ·  · false <nil>
	// The pane stays · stick · false <nil>
}
