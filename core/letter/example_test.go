package letter_test

import (
	"fmt"

	"freshshard/core/letter"
	"freshshard/core/striplog"
)

// What whoever opens the object next wants to know: here that a fixing was replaced.
func ExampleOf() {
	l := letter.Of(letter.Facts{Strip: striplog.Log{{ID: "r", Kind: striplog.Fasteners, What: "rivet", Where: "hinge",
		Count: 3, Fate: striplog.Substitute, By: "M5 bolt", Held: striplog.Held{How: "rivet"}}}})
	for _, p := range l.Places {
		fmt.Println(p)
	}
	// Output:
	// M5 bolt in place of 3 × rivet, hinge
}
