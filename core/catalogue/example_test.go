package catalogue_test

import (
	"fmt"

	"freshshard/core/catalogue"
)

// A catalogue is found by its ids, and a shop lays its own values over it.
func ExampleTable() {
	type glue struct {
		ID   string  `json:"id"`
		Wait float64 `json:"wait"`
	}
	book := catalogue.New([]byte(`[{"id": "putty", "wait": 72}]`), "glues.json", "glue", "glue",
		func(g glue) string { return g.ID }).
		Over(func(g glue, vs catalogue.Values) glue {
			if v, ok := vs.Laid(catalogue.Material, g.ID, "wait"); ok {
				g.Wait = v.V
			}
			return g
		})
	own := catalogue.Values{{Kind: catalogue.Material, ID: "putty", Item: "wait", V: 96}}
	g, err := book.With(own, "putty")
	fmt.Println(g.Wait, err)
	_, err = book.ByID("jam")
	fmt.Println(err)
	// Output:
	// 96 <nil>
	// glue: no glue is called jam; choose one of the list
}
