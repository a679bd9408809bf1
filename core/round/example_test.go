package round_test

import (
	"fmt"

	"freshshard/core/round"
)

// How the van gets from place to place, by road and ferry.
func ExampleRoads_Reach() {
	r := round.Roads{Legs: []round.Leg{{A: "Yard", B: "Quay", Minutes: 12}}}
	hops, err := r.Reach("Yard", "Quay", 30)
	fmt.Println(len(hops), err)
	// Output:
	// 1 <nil>
}
