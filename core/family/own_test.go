package family

import (
	"testing"

	"freshshard/core/fault"
	"freshshard/core/own"
)

func TestOwnLimits(t *testing.T) {
	for _, f := range All() {
		for _, d := range Fields {
			v := own.Value{Kind: own.Family, ID: f.ID, Item: d.Item, V: 4.25, Sheet: "house rule"}
			if err := CheckOwn(v); err != nil {
				t.Fatal(err)
			}
			w, err := With(own.Values{v}, f.ID)
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
	for _, bad := range []own.Value{{ID: All()[0].ID, Item: "clearance", V: -1}, {ID: All()[0].ID, Item: "colour", V: 1},
		{ID: "held by hope", Item: "bite", V: 5}} {
		if fault.Of(CheckOwn(bad)) == nil {
			t.Errorf("%+v was taken", bad)
		}
	}
	if l := Laid(nil); len(l) != len(All()) {
		t.Errorf("%d families", len(l))
	}
}
