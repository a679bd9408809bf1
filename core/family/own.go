package family

import (
	"freshshard/core/catalogue"
	"freshshard/core/value"
)

// Fields are the limits that a shop may keep otherwise. Common practice, no source.
var Fields = []catalogue.Field{
	{Item: "clearance", Name: "the edge clearance each side", Unit: "mm", Least: 0, Most: 30},
	{Item: "hot_clearance", Name: "the edge clearance when hot", Unit: "mm", Least: 0, Most: 30},
	{Item: "bite", Name: "the bite", Unit: "mm", Least: 0.5, Most: 60},
	{Item: "goes_in", Name: "the clearance that it must have to go in", Unit: "mm", Least: 0, Most: 30},
	{Item: "stays", Name: "the bite that it must have to stay", Unit: "mm", Least: 0.5, Most: 60},
}

// Own is a limit of the family as it stands; nil where it has none.
func (f Family) Own(item string) *float64 {
	var v *value.Value
	switch item {
	case "clearance":
		v = &f.Limits.Clearance
	case "hot_clearance":
		v = f.Limits.HotClearance
	case "bite":
		v = &f.Limits.Bite
	case "goes_in":
		v = &f.Limits.GoesIn
	case "stays":
		v = f.Limits.Stays
	}
	if v == nil {
		return nil
	}
	n := v.V
	return &n
}

// with is the family with the shop's own limits laid over it.
func (f Family) with(vs catalogue.Values) Family {
	if v, ok := vs.Laid(catalogue.Family, f.ID, "clearance"); ok {
		f.Limits.Clearance = v
	}
	if v, ok := vs.Laid(catalogue.Family, f.ID, "hot_clearance"); ok {
		f.Limits.HotClearance = &v
	}
	if v, ok := vs.Laid(catalogue.Family, f.ID, "bite"); ok {
		f.Limits.Bite = v
	}
	if v, ok := vs.Laid(catalogue.Family, f.ID, "goes_in"); ok {
		f.Limits.GoesIn = v
	}
	if v, ok := vs.Laid(catalogue.Family, f.ID, "stays"); ok {
		f.Limits.Stays, f.Limits.Outdoors = &v, nil
	}
	return f
}

// CheckOwn refuses a limit that cannot be.
func CheckOwn(v catalogue.Value) error {
	_, err := Book.ByID(v.ID)
	return v.Check(Fields, err)
}
