package exposure

import (
	"testing"

	"freshshard/core/fault"
	"freshshard/core/own"
)

func TestOwnExposure(t *testing.T) {
	vs := own.Values{{Kind: own.Exposure, ID: "oven", Item: "steady", V: 270},
		{Kind: own.Exposure, ID: "oven", Item: "hours", V: 900}}
	e, err := With(vs, "oven")
	if err != nil || e.Steady != 270 || e.Hours != 900 || e.Short != 290 {
		t.Errorf("%+v, %v", e, err)
	}
	if b, _ := ByID("oven"); b.Steady != 240 || *b.Own("steady") != 240 || b.Own("colour") != nil {
		t.Errorf("the book: %+v", b)
	}
	if got := Laid(vs); len(got) != len(All()) {
		t.Errorf("%d", len(got))
	}
	for _, c := range []struct {
		v     own.Value
		field string
	}{
		{own.Value{Kind: own.Exposure, ID: "oven", Item: "sudden", V: 200}, ""},
		{own.Value{Kind: own.Exposure, ID: "oven", Item: "colour", V: 1}, "item"},
		{own.Value{Kind: own.Exposure, ID: "moon", Item: "steady", V: 100}, "exposure"},
		{own.Value{Kind: own.Exposure, ID: "oven", Item: "steady", V: 5000}, "v"},
		{own.Value{Kind: own.Exposure, ID: "oven", Item: "short", V: 100}, "v"}, // below the steady heat
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
