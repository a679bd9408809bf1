package frame_test

import (
	"fmt"

	"freshshard/core/frame"
)

// A frame grows with heat, each by what it is made of.
func ExampleMaterial() {
	m, err := frame.Book.ByID("steel")
	fmt.Println(m.Name, m.Alpha, err)
	// Output:
	// steel 12 <nil>
}
