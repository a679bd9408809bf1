package reckon

import (
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/length"
)

// Bare is what can be said of a pane of which nothing but its family is known:
// for a pane whose own values cannot be reckoned: it stands where such panes usually do. It
// never fails.
func Bare(id string) Reckoning {
	f, err := family.Book.ByID(id)
	if err != nil {
		f = family.Book.All()[0]
	}
	e, err := exposure.Book.ByID(f.Exposure)
	if err != nil {
		e = exposure.Book.All()[0]
	}
	r, err := Pane(Known{Object: Object{Exposure: e}, Holding: Holding{Family: f.ID}, Unit: length.MM})
	if err != nil {
		panic("the book's own family cannot be reckoned: " + err.Error()) // a test holds it for all
	}
	return r
}
