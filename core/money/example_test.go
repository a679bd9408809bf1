package money_test

import (
	"fmt"

	"freshshard/core/money"
)

// Money is whole cents; amounts are thousandths. Half a cent is rounded away from nothing.
func ExampleTimes() {
	each := int64(1995)
	fmt.Println(money.Text(money.Times(each, 2500)), money.Text(money.Part(each, 2000)), money.Text(money.Over(each, 2)))
	// Output:
	// 49.88 3.99 9.98
}
