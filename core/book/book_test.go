package book

import (
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

// Every kind of value is found, checked and told beside the book's.
func TestKinds(t *testing.T) {
	for _, c := range []struct {
		v    catalogue.Value
		was  float64
		bad  float64
		none string // an item that it has not
	}{
		{catalogue.Value{Kind: catalogue.Material, ID: "cast", Item: "density", V: 2480}, 2500, 1, "colour"},
		{catalogue.Value{Kind: catalogue.Material, ID: "glass-ceramic", Item: "life_610", V: 800}, 1000, 9000, "life_611"},
		{catalogue.Value{Kind: catalogue.Family, ID: "clip-heat", Item: "bite", V: 7}, 6, 500, "colour"},
		{catalogue.Value{Kind: catalogue.Frame, ID: "steel", Item: "alpha", V: 11}, 12, -5, "colour"},
		{catalogue.Value{Kind: catalogue.Exposure, ID: "fire", Item: "frame_hot", V: 380}, 420, 9000, "colour"},
		{catalogue.Value{Kind: catalogue.Cutter, ID: "hand", Item: "half", V: 0.8}, 1, 99, "thin"},
		{catalogue.Value{Kind: catalogue.Touch, ID: "acetone", Item: "polycarbonate", V: 2}, 3, 7, "cheese"},
	} {
		if err := Check(nil, c.v); err != nil {
			t.Errorf("%+v: %v", c.v, err)
		}
		if w := Was(c.v); w == nil || *w != c.was {
			t.Errorf("%+v: the book says %v", c.v, w)
		}
		if len(Fields()[c.v.Kind]) == 0 {
			t.Errorf("%s has no fields", c.v.Kind)
		}
		c.v.V, c.bad = c.bad, c.v.V
		if f := fault.Of(Check(nil, c.v)); f == nil || f.Field != "v" {
			t.Errorf("%+v: %v", c.v, f)
		}
		c.v.V, c.v.Item = c.bad, c.none
		if f := fault.Of(Check(nil, c.v)); f == nil || f.Field != "item" {
			t.Errorf("%+v: %v", c.v, f)
		}
	}
	strange := catalogue.Value{Kind: "weather", ID: "rain"}
	if f := fault.Of(Check(nil, strange)); f == nil || f.Field != "kind" || Was(strange) != nil {
		t.Errorf("%v", f)
	}
}
