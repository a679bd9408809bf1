package usual_test

import (
	"fmt"

	"freshshard/core/catalogue"
	"freshshard/core/usual"
)

// A rule of thumb, and the shop's own in its place.
func ExampleOf() {
	fmt.Println(usual.Of(nil, usual.Visit))
	fmt.Println(usual.Of(catalogue.Values{{Kind: catalogue.Usual, ID: "days", Item: "visit", V: 120}}, usual.Visit))
	// Output:
	// 300
	// 120
}
