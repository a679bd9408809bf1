package kit_test

import (
	"fmt"

	"freshshard/core/family"
	"freshshard/core/kit"
)

// What is taken along follows the work.
func ExampleTools() {
	for _, i := range kit.Tools(kit.Work{Stations: []family.Station{"set"}, Steps: []string{"pane-in"}}) {
		fmt.Println(i.What)
	}
	// Output:
	// eye protection, cut-resistant gloves and sleeves
	// suction cups, a pair
}
