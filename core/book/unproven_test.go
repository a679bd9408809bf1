package book

import (
	"testing"

	"freshshard/core/catalogue"
)

// Twenty values are listed, each once, each in the book, each with what it decides; where a shop
// has set its own, that one is shown.
func TestUnproven(t *testing.T) {
	all := UnprovenOf(nil)
	if len(all) != 20 {
		t.Errorf("%d values", len(all))
	}
	seen := map[[3]string]bool{}
	for _, u := range all {
		at := [3]string{u.Kind, u.ID, u.Item}
		was := Was(catalogue.Value{Kind: u.Kind, ID: u.ID, Item: u.Item})
		if was == nil || u.V != *was || u.Own || u.Name == "" || u.Decides == "" || seen[at] {
			t.Errorf("%v: %+v, in the book %v", at, u, was)
		}
		seen[at] = true
	}
	for _, u := range UnprovenOf(catalogue.Values{{Kind: catalogue.Cutter, ID: "shop", Item: "thick", V: 1.1}}) {
		if mine := u.Kind == catalogue.Cutter && u.Item == "thick"; u.Own != mine || mine && u.V != 1.1 {
			t.Errorf("%+v", u)
		}
	}
}
