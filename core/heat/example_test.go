package heat_test

import (
	"fmt"

	"freshshard/core/heat"
)

// A covered edge that stays cooler than the hot middle is pulled: soda-lime glass by 60 K.
func ExampleEdgeStress() {
	fmt.Printf("%.0f MPa\n", heat.EdgeStress(70, 9, 60))
	// Output:
	// 38 MPa
}
