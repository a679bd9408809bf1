package family

import (
	"freshshard/core/catalogue"
	"freshshard/core/own"
)

// Fields are the limits that a shop may keep otherwise. Common practice, no source.
var Fields = []own.Field{
	{Item: "clearance", Name: "the edge clearance each side", Unit: "mm", Least: 0, Most: 30},
	{Item: "hot_clearance", Name: "the edge clearance when hot", Unit: "mm", Least: 0, Most: 30},
	{Item: "bite", Name: "the bite", Unit: "mm", Least: 0.5, Most: 60},
}

// Own is a limit of the family as it stands; nil where it has none.
func (f Family) Own(item string) *float64 {
	var v *catalogue.Value
	switch item {
	case "clearance":
		v = &f.Limits.Clearance
	case "hot_clearance":
		v = f.Limits.HotClearance
	case "bite":
		v = &f.Limits.Bite
	}
	if v == nil {
		return nil
	}
	n := v.V
	return &n
}

// with is the family with the shop's own limits laid over it.
func (f Family) with(vs own.Values) Family {
	if v, ok := vs.Laid(own.Family, f.ID, "clearance"); ok {
		f.Limits.Clearance = v
	}
	if v, ok := vs.Laid(own.Family, f.ID, "hot_clearance"); ok {
		f.Limits.HotClearance = &v
	}
	if v, ok := vs.Laid(own.Family, f.ID, "bite"); ok {
		f.Limits.Bite = v
	}
	return f
}

// Laid lists the families with the shop's own limits over the book's.
func Laid(vs own.Values) []Family {
	out := make([]Family, len(all))
	for i, f := range all {
		out[i] = f.with(vs)
	}
	return out
}

// With finds a family with the shop's own limits over the book's.
func With(vs own.Values, id string) (Family, error) {
	f, err := ByID(id)
	return f.with(vs), err
}

// CheckOwn refuses a limit that cannot be.
func CheckOwn(v own.Value) error {
	f, err := own.FieldOf(Fields, v.Item)
	if err != nil {
		return err
	}
	if _, err := ByID(v.ID); err != nil {
		return err
	}
	return f.Check(v.V)
}
