package drawing_test

import (
	"fmt"

	"freshshard/core/drawing"
	"freshshard/core/family"
)

// The edge of a way of holding in section, as geometry.
func ExampleEdge() {
	f, err := family.Book.ByID("putty-points")
	if err != nil {
		fmt.Println(err)
		return
	}
	d := drawing.Edge(f, 3)
	fmt.Println(d.Name, len(d.Items) > 0)
	// Output:
	// section true
}
