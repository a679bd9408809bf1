package compat_test

import (
	"fmt"

	"freshshard/core/compat"
)

// What touches the pane is held against what the pane and its seal bear.
func ExampleClashes() {
	found := compat.Laid(nil).Ask([]string{"polycarbonate"}, []string{"rubber"})
	clashes, err := compat.Clashes([]string{"alcohol", "petroleum"}, found)
	for _, c := range clashes {
		fmt.Println(c.Agent, "·", c.Why)
	}
	fmt.Println(err)
	// Output:
	// petroleum · never petroleum spray or grease on natural rubber or EPDM: it swells, then shrinks and leaks; a trace on plastic trim is another school
	// <nil>
}
