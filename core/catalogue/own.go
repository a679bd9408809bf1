// Package own holds the values that a shop lays over the book's: what the data
// sheets of its own products say, and the limits that it keeps for itself. Each
// has its source, who set it and when; the book's value stays underneath.
package catalogue

import (
	"fmt"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/core/value"
	"freshshard/core/working"
)

// What a value can belong to.
const (
	Material = "material"
	Family   = "family"
	Frame    = "frame"
	Exposure = "exposure"
	Cutter   = "cutter"
	Stock    = "stock" // a stock size: how thick it is sold of a material
	Touch    = "touch" // an agent on a subject of the matrix
	Usual    = "usual" // a rule of thumb
)

// Value is one of the shop's own, in the unit of the book's.
type Value struct {
	Kind    string    `json:"kind" enum:"material,family,frame,exposure,cutter,stock,touch,usual"`
	ID      string    `json:"id" doc:"Of the material, the family and so on"`
	Item    string    `json:"item" doc:"Which of its values"`
	V       float64   `json:"v"`
	Sheet   string    `json:"sheet" doc:"The data sheet, or who says so"`
	Was     *float64  `json:"was,omitempty" doc:"The book's value; nil where the book has none"`
	By      string    `json:"by"`
	At      time.Time `json:"at"`
	Version int       `json:"version"`
}

// Values are all that a shop has set.
type Values []Value

// Laid is the shop's value as the catalogue writes one; ok is false while the
// book's holds.
func (vs Values) Laid(kind, id, item string) (v value.Value, ok bool) {
	for _, o := range vs {
		if o.Kind == kind && o.ID == id && o.Item == item {
			return value.Value{V: o.V, Origin: value.From{Origin: value.Set(o.Sheet, o.By, o.At)}}, true
		}
	}
	return value.Value{}, false
}

// Field is a value that may be laid over, with the bounds that nothing real
// lies outside of.
type Field struct {
	Item        string  `json:"item"`
	Name        string  `json:"name"`
	Unit        string  `json:"unit"`
	Least, Most float64 `json:"-"`
}

// Check refuses a value that cannot be.
func (f Field) Check(v float64) error {
	if !(v >= f.Least && v <= f.Most) {
		span := strings.TrimSpace(fmt.Sprintf("%s to %s %s", working.Num(f.Least, 2), working.Num(f.Most, 2), f.Unit))
		return fault.New("v", f.Name+" is expected from "+span, "look at the sheet and its unit again")
	}
	return nil
}

// FieldOf finds a field by its item; one that ends in a star holds for all that
// begin alike.
func FieldOf(all []Field, item string) (Field, error) {
	for _, f := range all {
		begin, many := strings.CutSuffix(f.Item, "*")
		if f.Item == item || many && strings.HasPrefix(item, begin) {
			return f, nil
		}
	}
	return Field{}, fault.New("item", "no value is called "+item+" here", "choose one of the page")
}

// Check refuses a value that cannot be: an item that is none of the fields, an
// entry that was not found, a number out of bounds.
func (v Value) Check(all []Field, found error) error {
	f, err := FieldOf(all, v.Item)
	if err != nil {
		return err
	}
	if found != nil {
		return found
	}
	return f.Check(v.V)
}
