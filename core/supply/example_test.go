package supply_test

import (
	"fmt"

	"freshshard/core/length"
	"freshshard/core/supply"
)

// A pane that came is held against what was ordered.
func ExampleMeasured_Judge() {
	figures, err := supply.Measured{W: 300, H: 200, Band: 1, ReadW: 303, ReadH: 199.5}.Judge(length.MM)
	fmt.Println(supply.Finding(figures), err)
	// Output:
	// 3.0 mm wider than ordered, of ±1.0 mm <nil>
}
