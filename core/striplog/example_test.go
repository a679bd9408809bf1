package striplog_test

import (
	"fmt"

	"freshshard/core/striplog"
)

// What came off last goes back first, and what is held down before what holds it.
func ExampleLog_OrderBack() {
	l := striplog.Log{{ID: "screws", Kind: striplog.Fasteners, What: "shell screw", Count: 4, Fate: striplog.Back,
		Held: striplog.Held{How: "screw", Drive: "PH2", Size: "M4", Length: 12}, Captures: []string{"shell"}},
		{ID: "shell", Kind: striplog.Part, What: "outer shell", Count: 1, Fate: striplog.Back,
			Held: striplog.Held{How: "lip"}}}
	for _, b := range l.OrderBack() {
		fmt.Println(b.Say)
	}
	// Output:
	// Put back: outer shell
	// Put back: 4 × shell screw
}
