package exposure

import (
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

func TestOwnExposure(t *testing.T) {
	vs := catalogue.Values{{Kind: catalogue.Exposure, ID: "oven", Item: "steady", V: 270},
		{Kind: catalogue.Exposure, ID: "oven", Item: "hours", V: 900}}
	e, err := Book.With(vs, "oven")
	if err != nil || e.Steady != 270 || e.Hours != 900 || e.Short != 290 {
		t.Errorf("%+v, %v", e, err)
	}
	if b, _ := Book.ByID("oven"); b.Steady != 240 || *b.Own("steady") != 240 || b.Own("colour") != nil {
		t.Errorf("the book: %+v", b)
	}
	if got := Book.Laid(vs); len(got) != len(Book.All()) {
		t.Errorf("%d", len(got))
	}
	for _, c := range []struct {
		v     catalogue.Value
		field string
	}{
		{catalogue.Value{Kind: catalogue.Exposure, ID: "oven", Item: "sudden", V: 200}, ""},
		{catalogue.Value{Kind: catalogue.Exposure, ID: "oven", Item: "colour", V: 1}, "item"},
		{catalogue.Value{Kind: catalogue.Exposure, ID: "moon", Item: "steady", V: 100}, "exposure"},
		{catalogue.Value{Kind: catalogue.Exposure, ID: "oven", Item: "steady", V: 5000}, "v"},
		{catalogue.Value{Kind: catalogue.Exposure, ID: "oven", Item: "short", V: 100}, "v"}, // below the steady heat
	} {
		got := ""
		if f := fault.Of(CheckOwn(nil, c.v)); f != nil {
			got = f.Field
		}
		if got != c.field {
			t.Errorf("%+v: %q, want %q", c.v, got, c.field)
		}
	}
}
