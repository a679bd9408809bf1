package pane_test

import (
	"fmt"

	"freshshard/core/exposure"
	"freshshard/core/pane"
)

// A sauna stove's window: only what stands the heat is left.
func ExampleChoose() {
	fire, err := exposure.Book.ByID("fire")
	if err != nil {
		fmt.Println(err)
		return
	}
	c, err := pane.Choose(pane.Need{Exposure: fire, Area: 62000, Thickness: 4})
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Println(c.Open[0].Material, len(c.Closed), "ruled out")
	fmt.Println(c.Closed[0].Name, "·", c.Closed[0].Sentence)
	// Output:
	// glass-ceramic 10 ruled out
	// annealed glass · hot side 480 °C is above the 110 °C that it stands in steady use
}
