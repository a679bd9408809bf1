package working_test

import (
	"fmt"

	"freshshard/core/value"
	"freshshard/core/working"
)

// A number opens its working: its formula with its values in it.
func ExampleOf() {
	w := working.Of("{W} − 2 × {c}", 263.6, "mm", working.In("W", "least width", 269.6, "mm", value.Read("rule")),
		working.In("c", "edge clearance", 3, "mm", value.Custom()))
	fmt.Println(w.Values)
	f := working.Figure{Value: 1.8, Unit: "mm", Limit: working.Least(2, "mm", value.Custom())}.Judge(working.Stop)
	fmt.Println(f.Verdict)
	// Output:
	// 269.6 − 2 × 3 = 263.6 mm
	// stop
}
