package handover_test

import (
	"fmt"

	"freshshard/core/handover"
)

// What the customer is told.
func ExampleLines() {
	for _, l := range handover.Lines(handover.Decided{Pane: "4 mm glass-ceramic"})[:1] {
		fmt.Println(l.Title, "·", l.Text)
	}
	// Output:
	// The new pane · 4 mm glass-ceramic.
}
