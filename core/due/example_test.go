package due_test

import (
	"fmt"
	"time"

	"freshshard/core/due"
)

// What was fitted is looked at again when it is due.
func ExampleFor() {
	out := time.Date(2027, 3, 26, 12, 0, 0, 0, time.UTC)
	for _, d := range due.For(due.Of{Family: "clip-heat", Exposure: "fire", Material: "glass-ceramic", Road: "size"},
		out) {
		fmt.Println(d.On.Format("2 Jan 2006"), d.What)
	}
	// Output:
	// 9 Apr 2027 Nip the fixings again, once
	// 25 Mar 2028 Look at the pane after the winter
	// 25 Mar 2028 Draw a slip of paper round the shut door
}
