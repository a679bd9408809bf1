// Package value is a number with where it is from, so that nobody has to take a
// number on trust: a published standard, the custom of the trade, a data sheet,
// the shop's own setting, a reading that a person took, or a sum done here.
package value

import (
	"fmt"
	"time"
)

// Kind is the sort of source.
type Kind string

// The kinds of source.
const (
	Standard Kind = "standard"   // a published standard or handbook
	Trade    Kind = "trade"      // common practice, no source
	Data     Kind = "data-sheet" // a typical data-sheet value
	Shop     Kind = "shop"       // set by this shop
	Reading  Kind = "reading"    // read off the object by a person
	Computed Kind = "computed"   // worked out here
)

// Origin is the source of one value. Memory is true while the value has been
// quoted from memory and nobody has yet held it against the printed text.
type Origin struct {
	Kind   Kind   `json:"kind" enum:"standard,trade,data-sheet,shop,reading,computed"`
	Name   string `json:"name,omitempty" doc:"The standard, sheet or instrument"`
	Memory bool   `json:"memory,omitempty" doc:"Quoted from memory, not yet checked against the text"`
	// By and At are who set a value of the shop's own, and when.
	By string    `json:"by,omitempty"`
	At time.Time `json:"at,omitzero"`
}

// Std is a value from a published standard, quoted from memory.
func Std(name string) Origin { return Origin{Kind: Standard, Name: name, Memory: true} }

// Custom is a value from common practice, which has no source.
func Custom() Origin { return Origin{Kind: Trade} }

// Sheet is a typical data-sheet value, quoted from memory.
func Sheet(name string) Origin { return Origin{Kind: Data, Name: name, Memory: true} }

// Own is a value that the shop has set itself, with what it says of it.
func Own(says string) Origin { return Origin{Kind: Shop, Name: says} }

// Set is a value that somebody of the shop has set, by a sheet or whoever says so.
func Set(sheet, by string, at time.Time) Origin {
	return Origin{Kind: Shop, Name: sheet, By: by, At: at}
}

// Read is a value read off the object with the named instrument.
func Read(instrument string) Origin { return Origin{Kind: Reading, Name: instrument} }

// Sum is a value worked out by the program.
func Sum() Origin { return Origin{Kind: Computed} }

// String is the origin in words, as shown beside a value.
func (o Origin) String() string {
	var s string
	switch o.Kind {
	case Standard:
		s = o.Name
	case Trade:
		s = "common practice, no source"
	case Data:
		s = "typical data sheet"
		if o.Name != "" {
			s += ", " + o.Name
		}
	case Shop:
		s = "set by the shop"
		if o.Name != "" {
			s += ": " + o.Name
		}
		if o.By != "" {
			s += "; " + o.By + ", " + o.At.Format("2 Jan 2006")
		}
	case Reading:
		s = "read here"
		if o.Name != "" {
			s += " with the " + o.Name
		}
	case Computed:
		s = "worked out here"
	}
	if o.Memory {
		s += " (from memory)"
	}
	return s
}

// Check reports an origin that does not say enough: an unknown kind, or a
// standard without its name.
func (o Origin) Check() error {
	switch o.Kind {
	case Standard:
		if o.Name == "" {
			return fmt.Errorf("origin: a standard needs its name")
		}
	case Trade, Data, Shop, Reading, Computed:
	default:
		return fmt.Errorf("origin: kind %q is not known; use standard, trade, data-sheet, shop, reading or computed", o.Kind)
	}
	return nil
}
