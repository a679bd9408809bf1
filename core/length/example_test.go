package length_test

import (
	"fmt"

	"freshshard/core/length"
)

// A reading is typed as it is said; it brings its doubt from the instrument
// and the fraction it was read to.
func ExampleParse() {
	for _, text := range []string{"412", "16 1/4 in", "16 1/4 in heavy", "2' 3 1/2\""} {
		r, err := length.Parse(text, length.MM, length.Tape)
		if err != nil {
			fmt.Println(err)
			continue
		}
		fmt.Printf("%.2f ± %.2f mm, %s\n", r.Value, r.Doubt, r.Understood())
	}
	_, err := length.Parse("16 1/4 in 3 mm", length.MM, length.Tape)
	fmt.Println(err)
	// Output:
	// 412.00 ± 1.00 mm, = 412.0 mm · 16 7/32 in, ±1 mm
	// 412.75 ± 0.79 mm, = 412.8 mm, ±0.79 mm
	// 413.54 ± 1.59 mm, = 413.5 mm, a little heavy, ±1.59 mm
	// 698.50 ± 0.79 mm, = 698.5 mm, ±0.79 mm
	// "16 1/4 in 3 mm", at character 11: a second number; name one length; feet and inches as 4' 2 3/8"
}
