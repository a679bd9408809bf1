package fit

import (
	"freshshard/core/catalogue"
	"freshshard/core/family"
	"freshshard/core/origin"
)

// Value is a number with its origin.
type Value struct {
	V      float64       `json:"v"`
	Origin origin.Origin `json:"origin"`
}

// Limits are the least clearance (each side), the least clearance when hot and
// the least bite, in mm.
type Limits struct {
	Clearance    Value `json:"clearance"`
	HotClearance Value `json:"hot_clearance"`
	Bite         Value `json:"bite"`
}

// LimitsOf takes the limits of a family. A family without a hot limit keeps
// half its cold clearance when things grow. Common practice, no source.
func LimitsOf(f family.Family) Limits {
	l := Limits{
		Clearance: Value{f.Limits.Clearance.V, f.Limits.Clearance.Origin.Of("")},
		Bite:      Value{f.Limits.Bite.V, f.Limits.Bite.Origin.Of("")},
	}
	l.HotClearance = Value{l.Clearance.V / 2, origin.Custom()}
	if h := f.Limits.HotClearance; h != nil {
		l.HotClearance = Value{h.V, h.Origin.Of("")}
	}
	return l
}

// Asks are limits that a material asks for beside its family's, mm; nil where
// it asks for none.
type Asks struct {
	Clearance    *catalogue.Value `json:"clearance,omitempty" doc:"Edge clearance each side, mm"`
	HotClearance *catalogue.Value `json:"hot_clearance,omitempty" doc:"The same when it has grown, mm"`
	Bite         *catalogue.Value `json:"bite,omitempty" doc:"Bite when it has shrunk, mm"`
}

// rigid are the ways of holding in which a pane stands in a rebate, a channel or
// a track that does not give, so that what its material asks for counts. In
// rubber, in a bed, on a bead and in a frame that comes as it is it does not.
var rigid = map[family.Sizing]bool{family.Clip: true, family.Rebate: true, family.Channel: true, family.Pack: true, family.Run: true, family.Track: true, family.Panel: true}

// With are the limits with what a material asks for, where it asks for more.
// What a shop has set stays as it is.
func (l Limits) With(a Asks, s family.Sizing) Limits {
	if !rigid[s] {
		return l
	}
	if s == family.Track { // its feet stand in pockets, which have their own rule
		a.Bite = nil
	}
	for _, c := range []struct {
		at   *Value
		asks *catalogue.Value
	}{{&l.Clearance, a.Clearance}, {&l.HotClearance, a.HotClearance}, {&l.Bite, a.Bite}} {
		if c.asks != nil && c.asks.V > c.at.V && c.at.Origin.Kind != origin.Shop {
			*c.at = Value{c.asks.V, c.asks.Origin.Of("")}
		}
	}
	return l
}
