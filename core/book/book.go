// Package book brings together what a shop may lay its own values over: the
// values of materials, families, frames, exposures, cutters, and the matrix of
// what may touch what.
package book

import (
	"freshshard/core/catalogue"
	"freshshard/core/compat"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/frame"
	"freshshard/core/pane"
	"freshshard/core/stocksize"
	"freshshard/core/usual"
)

// page is one kind of value: which there are, what the book says, and what a
// shop may not say.
type page struct {
	fields []catalogue.Field
	was    func(catalogue.Value) *float64
	check  func(catalogue.Values, catalogue.Value) error
}

// alone is the check of a value that no other one bears on.
func alone(check func(catalogue.Value) error) func(catalogue.Values, catalogue.Value) error {
	return func(_ catalogue.Values, v catalogue.Value) error { return check(v) }
}

var pages = map[string]page{
	catalogue.Material: {pane.Fields,
		func(v catalogue.Value) *float64 { m, _ := pane.Book.ByID(v.ID); return m.Own(v.Item) },
		pane.CheckOwn},
	catalogue.Family: {family.Fields,
		func(v catalogue.Value) *float64 { f, _ := family.Book.ByID(v.ID); return f.Own(v.Item) },
		alone(family.CheckOwn)},
	catalogue.Frame: {frame.Fields,
		func(v catalogue.Value) *float64 { f, _ := frame.Book.ByID(v.ID); return f.Own(v.Item) },
		alone(frame.CheckOwn)},
	catalogue.Exposure: {exposure.Fields,
		func(v catalogue.Value) *float64 { e, _ := exposure.Book.ByID(v.ID); return e.Own(v.Item) },
		exposure.CheckOwn},
	catalogue.Cutter: {fit.Fields, func(v catalogue.Value) *float64 { return fit.Cutter(v.ID).Own(v.Item) },
		alone(fit.CheckOwn)},
	catalogue.Stock: {stocksize.Fields, stocksize.Own, alone(stocksize.CheckOwn)},
	catalogue.Touch: {compat.Fields, compat.Own, alone(compat.CheckOwn)},
	catalogue.Usual: {usual.Fields, usual.Own, alone(usual.CheckOwn)},
}

// Fields are the values that a shop may lay over, by kind.
func Fields() map[string][]catalogue.Field {
	out := map[string][]catalogue.Field{}
	for k, p := range pages {
		out[k] = p.fields
	}
	return out
}

// Check refuses a value that cannot be, alone or beside the shop's others.
func Check(vs catalogue.Values, v catalogue.Value) error {
	p, ok := pages[v.Kind]
	if !ok {
		return fault.New("kind", "no page of the book is called "+v.Kind, "choose one of the book")
	}
	return p.check(vs, v)
}

// Was is what the book itself says; nil where it says nothing.
func Was(v catalogue.Value) *float64 {
	p, ok := pages[v.Kind]
	if !ok {
		return nil
	}
	return p.was(v)
}
