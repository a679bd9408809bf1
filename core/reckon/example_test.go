package reckon_test

import (
	"fmt"

	"freshshard/core/exposure"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/reckon"
)

// A sauna stove's window, from its readings to its order.
func ExampleSize() {
	fire, err := exposure.Book.ByID("fire")
	if err != nil {
		fmt.Println(err)
		return
	}
	readings, err := reading.FromTexts(map[reading.Place]string{reading.WidthTop: "270", reading.WidthBottom: "268.4",
		reading.HeightLeft: "242", reading.HeightRight: "241", reading.Ledge: "14", reading.Reach: "16"}, length.MM)
	if err != nil {
		fmt.Println(err)
		return
	}
	k := reckon.Known{Object: reckon.Object{Exposure: fire}, Holding: reckon.Holding{Family: "clip-heat",
		Gasket: fit.Gasket{Kind: fit.Flat, Free: 3}}, Seen: reckon.Seen{Readings: readings}, Unit: length.MM}
	w, err := reckon.Work(k)
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Println(w.Order)
	fmt.Println(w.Plan.Steps[0].Title)
	// Output:
	// 261.5 × 234.0 mm, not chosen yet, ±1.6 mm
	// Cold, and why it broke
}
