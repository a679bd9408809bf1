package book_test

import (
	"fmt"

	"freshshard/core/book"
	"freshshard/core/catalogue"
)

// A shop may lay its own value over the book's, within bounds that nothing real lies outside of.
func ExampleCheck() {
	fmt.Println(book.Check(nil, catalogue.Value{Kind: catalogue.Frame, ID: "steel", Item: "alpha", V: 12.2}))
	fmt.Println(book.Check(nil, catalogue.Value{Kind: catalogue.Frame, ID: "steel", Item: "alpha", V: 1200}))
	// Output:
	// <nil>
	// v: growth is expected from 0 to 150 10⁻⁶/K; look at the sheet and its unit again
}
