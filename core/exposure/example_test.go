package exposure_test

import (
	"fmt"

	"freshshard/core/exposure"
)

// In a door that heat goes through, each pane sees less than the one before it.
func ExampleExposure_At() {
	oven, err := exposure.Book.ByID("oven")
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, at := range []exposure.Stands{exposure.Inner, exposure.Outer} {
		fmt.Printf("%s %.0f °C\n", at, oven.At(at).Steady)
	}
	// Output:
	// inner 240 °C
	// outer 108 °C
}
