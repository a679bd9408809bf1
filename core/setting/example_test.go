package setting_test

import (
	"fmt"

	"freshshard/core/setting"
)

// Screws are tightened crosswise.
func ExampleCrosswise() {
	fmt.Println(setting.Crosswise(setting.Spread(300, 200, setting.Sides{Top: 2, Bottom: 2})))
	least, most := setting.GasketLength(1379)
	fmt.Printf("%.0f to %.0f mm\n", least, most)
	// Output:
	// [0 3 1 2]
	// 1379 to 1407 mm
}
