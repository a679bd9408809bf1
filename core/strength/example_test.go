package strength_test

import (
	"fmt"

	"freshshard/core/strength"
)

// A 6 mm pane of 600 × 900 mm in the wind, by how it is held.
func ExampleSheet() {
	s := strength.Sheet{E: 70, Nu: 0.22, T: 6}
	q := strength.Wind(30, 1)
	four, err := s.FourSides(600, 900, q)
	if err != nil {
		fmt.Println(err)
		return
	}
	two, err := s.TwoSides(600, 900, q)
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Printf("%.2f kPa: four sides %.1f MPa, two sides %.1f MPa\n", q, four.Stress, two.Stress)
	may, err := strength.Allowable(45, strength.Gust)
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Printf("may carry %.1f MPa in a gust\n", may)
	// Output:
	// 0.55 kPa: four sides 2.6 MPa, two sides 4.3 MPa
	// may carry 18.5 MPa in a gust
}
