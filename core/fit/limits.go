package fit

import (
	"freshshard/core/family"
	"freshshard/core/holding"
	"freshshard/core/value"
)

// Value is a number with its origin.
type Value struct {
	V      float64      `json:"v"`
	Origin value.Origin `json:"origin"`
}

// Limits are what the trade likes, each side, in mm: clearance when set, when
// hot, and bite; and what a pane must have: GoesIn and Binds to go in and to
// stay free, Stays to be held. One of those that has no origin is the same as
// the wish. Slides says that nothing fixes the pane's place in its opening.
type Limits struct {
	Clearance    Value `json:"clearance"`
	HotClearance Value `json:"hot_clearance"`
	Bite         Value `json:"bite"`
	GoesIn       Value `json:"goes_in"`
	Binds        Value `json:"binds"`
	Stays        Value `json:"stays"`
	Slides       bool  `json:"slides,omitempty"`
}

// small is a light that does with less of what the trade likes, mm², and the
// share that it does with. Common practice, no source.
const (
	small      = 0.1e6
	smallShare = 2.0 / 3
)

// whole are the limits with what was not said: what must be had is then what
// the trade likes.
func (l Limits) whole() Limits {
	none := value.Origin{}
	if l.GoesIn.Origin == none {
		l.GoesIn = l.Clearance
	}
	if l.Binds.Origin == none {
		l.Binds = l.HotClearance
	}
	if l.Stays.Origin == none {
		l.Stays = l.Bite
	}
	return l
}

// of are the limits as they hold for a pane of a size, mm²: a small light does
// with less bite.
func (l Limits) of(area float64) Limits {
	if area >= small || l.Bite.Origin.Kind == value.Shop {
		return l
	}
	own := l.Stays == l.Bite
	l.Bite.V *= smallShare
	if own {
		l.Stays.V = l.Bite.V
	}
	return l
}

// LimitsOf takes the limits of a family, indoors or outdoors. A family without a
// hot limit likes half its cold clearance when things grow, and must not bind.
// Common practice, no source.
func LimitsOf(f family.Family, outdoors bool) Limits {
	l := Limits{
		Clearance: Value{f.Limits.Clearance.V, f.Limits.Clearance.Origin.Of("")},
		Bite:      Value{f.Limits.Bite.V, f.Limits.Bite.Origin.Of("")},
	}
	l.HotClearance = Value{l.Clearance.V / 2, value.Custom()}
	l.GoesIn = Value{f.Limits.GoesIn.V, f.Limits.GoesIn.Origin.Of("")}
	l.Binds = Value{min(l.GoesIn.V, l.HotClearance.V) / 2, value.Custom()}
	if h := f.Limits.HotClearance; h != nil {
		l.HotClearance = Value{h.V, h.Origin.Of("")}
		l.Binds = l.HotClearance
	}
	l.Stays, l.Slides = l.Bite, f.Limits.Slides
	if s := f.Limits.Stays; s != nil {
		l.Stays = Value{s.V, s.Origin.Of("")}
	}
	if s := f.Limits.Outdoors; s != nil && outdoors {
		l.Stays = Value{s.V, s.Origin.Of("")}
	}
	return l
}

// Asks are limits that a material asks for beside its family's, mm; nil where
// it asks for none.
type Asks struct {
	Clearance    *value.Value `json:"clearance,omitempty" doc:"Edge clearance each side, mm"`
	HotClearance *value.Value `json:"hot_clearance,omitempty" doc:"The same when it has grown, mm"`
	Bite         *value.Value `json:"bite,omitempty" doc:"Bite when it has shrunk, mm"`
}

// With are the limits with what a material asks for, where it asks for more.
// What a shop has set stays as it is.
func (l Limits) With(a Asks, s family.Sizing) Limits {
	r := holding.Of(s)
	if !r.Rigid {
		return l
	}
	if r.Lifts() { // its feet stand in pockets, which have their own rule
		a.Bite = nil
	}
	for _, c := range []struct {
		at   *Value
		asks *value.Value
	}{{&l.Clearance, a.Clearance}, {&l.HotClearance, a.HotClearance}, {&l.Bite, a.Bite}} {
		if c.asks != nil && c.asks.V > c.at.V && c.at.Origin.Kind != value.Shop {
			*c.at = Value{c.asks.V, c.asks.Origin.Of("")}
		}
	}
	return l
}
