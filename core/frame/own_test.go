package frame

import (
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

func TestOwnGrowth(t *testing.T) {
	vs := catalogue.Values{{Kind: catalogue.Frame, ID: "timber", Item: "alpha", V: 4, Sheet: "sapele", By: "Mira"}}
	m, err := Book.With(vs, "timber")
	if err != nil || m.Alpha != 4 || m.Source().Kind != "shop" {
		t.Errorf("%+v, %v", m, err)
	}
	if b, _ := Book.ByID("timber"); b.Alpha != 5 || *b.Own("alpha") != 5 || b.Own("colour") != nil ||
		len(Book.Laid(vs)) != len(Book.Laid(nil)) {
		t.Errorf("the book: %+v", b)
	}
	for field, v := range map[string]catalogue.Value{"item": {ID: "timber", Item: "colour"},
		"frame": {ID: "cheese", Item: "alpha", V: 3}, "v": {ID: "steel", Item: "alpha", V: -3}} {
		if f := fault.Of(CheckOwn(v)); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, f)
		}
	}
}
