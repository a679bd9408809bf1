package family

import (
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

func TestOwnLimits(t *testing.T) {
	for _, f := range Book.All() {
		for _, d := range Fields {
			v := catalogue.Value{Kind: catalogue.Family, ID: f.ID, Item: d.Item, V: 4.25, Sheet: "house rule"}
			if err := CheckOwn(v); err != nil {
				t.Fatal(err)
			}
			w, err := Book.With(catalogue.Values{v}, f.ID)
			if err != nil {
				t.Fatal(err)
			}
			if got := w.Own(d.Item); got == nil || *got != 4.25 {
				t.Errorf("%s of %s: %v", d.Item, f.ID, got)
			}
			if was := f.Own(d.Item); was != nil && d.Check(*was) != nil {
				t.Errorf("the book's own %s of %s lies outside its bounds: %v", d.Item, f.ID, *was)
			}
		}
	}
	for _, bad := range []catalogue.Value{{ID: Book.All()[0].ID, Item: "clearance", V: -1},
		{ID: Book.All()[0].ID, Item: "colour", V: 1},
		{ID: "held by hope", Item: "bite", V: 5}} {
		if fault.Of(CheckOwn(bad)) == nil {
			t.Errorf("%+v was taken", bad)
		}
	}
	if l := Book.Laid(nil); len(l) != len(Book.All()) {
		t.Errorf("%d families", len(l))
	}
}
