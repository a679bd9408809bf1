package outline_test

import (
	"fmt"

	"freshshard/core/outline"
)

// The glass of a round-topped opening is the opening, smaller by the clearance
// on every side: its top stays a half round.
func ExamplePath_Offset() {
	opening, err := outline.RoundTop(400, 500, 200)
	if err != nil {
		fmt.Println(err)
		return
	}
	pane, err := opening.Offset(3)
	if err != nil {
		fmt.Println(err)
		return
	}
	o, p := opening.Box(), pane.Box()
	fmt.Printf("%.0f × %.0f mm in %.0f × %.0f mm\n", p.Width(), p.Height(), o.Width(), o.Height())
	// Output:
	// 394 × 694 mm in 400 × 700 mm
}
