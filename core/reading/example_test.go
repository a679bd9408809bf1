package reading_test

import (
	"fmt"

	"freshshard/core/length"
	"freshshard/core/reading"
)

// Readings are typed at their places, each with its doubt.
func ExampleFromTexts() {
	r, err := reading.FromTexts(map[reading.Place]string{reading.WidthTop: "270 ±0.3", reading.WidthBottom: "268.4"},
		length.MM)
	if err != nil {
		fmt.Println(err)
		return
	}
	w := reading.Widths()
	w.Take(r)
	fmt.Printf("%.1f, least at %s: %.1f mm\n", w.Mean(), w.Least, w.Nominal)
	// Output:
	// 269.2, least at width_bottom: 268.4 mm
}
