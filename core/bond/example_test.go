package bond_test

import (
	"fmt"

	"freshshard/core/bond"
)

// The faces of a bond that let go say why.
func ExamplePeel_Read() {
	p, err := bond.Peel{Length: 400, Width: 12, Spots: []bond.Spot{bond.Glass, bond.Glass, bond.Torn}}.Read()
	fmt.Println(p.Says, err)
	// Output:
	// The glue left the glass: it was not clean, or had no primer, or silicone dust lay on it. <nil>
}
