package price_test

import (
	"fmt"

	"freshshard/core/price"
)

// A job is priced from its least to its most.
func ExampleReckon() {
	s, err := price.Reckon(price.Job{Works: []price.Work{{Station: "set", Minutes: 20, People: 2}},
		Materials: []price.Material{{Key: "pane", Text: "the pane", Milli: 1000, Unit: "pc", Low: 5000, Each: 6000,
			High:  8000,
			Known: true}}, Broken: []float64{0}}, price.Usual)
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Println(s.Says)
	// Output:
	// From 94.80 to 146.80, 110.00 is likely. It narrows when the object is stripped.
}
