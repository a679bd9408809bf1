package owed_test

import (
	"fmt"
	"time"

	"freshshard/core/owed"
	"freshshard/core/price"
)

// A third was paid ahead; the rest is late.
func ExampleStand() {
	due := time.Date(2027, 3, 14, 12, 0, 0, 0, time.UTC)
	a := owed.Stand([]owed.Paper{{Kind: price.Invoice, Total: 9000, Due: &due}},
		[]owed.Payment{{Entry: owed.Entry{Cents: 3000}}}, due.AddDate(0, 0, 3))
	fmt.Println(a.State, a.Says)
	// Output: overdue 60.00 is open, and was due 3 days ago.
}
