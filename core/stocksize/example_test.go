package stocksize_test

import (
	"fmt"

	"freshshard/core/stocksize"
)

// A stock size is called by its sides.
func ExampleParse() {
	w, h, err := stocksize.Parse("610x457")
	fmt.Println(w, h, err)
	// Output:
	// 610 457 <nil>
}
