package bank_test

import (
	"fmt"

	"freshshard/core/bank"
)

// A number with a slip in it is refused where it was typed.
func ExampleIBAN() {
	n, _ := bank.IBAN("de89 3704 0044 0532 0130 00")
	fmt.Println(bank.Grouped(n))
	_, err := bank.IBAN("DE89 3704 0044 0532 0310 00")
	fmt.Println(err)
	// Output:
	// DE89 3704 0044 0532 0130 00
	// iban: its check digits do not fit: two digits may be swapped, or one is wrong; type it as it stands on a statement: two letters, two digits, then the rest
}
