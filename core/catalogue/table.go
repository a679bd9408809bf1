package catalogue

import (
	"slices"

	"freshshard/core/fault"
)

// Table is a catalogue whose entries are found by their id, with the shop's own values laid over
// them.
type Table[T any] struct {
	all         []T
	id          func(T) string
	field, noun string
	over        func(T, Values) T
}

// New is the table of a data file that is built into the program. What is not found is a fault of
// the field, and said with the noun: "no frame is called cheese".
func New[T any](data []byte, file, field, noun string, id func(T) string) Table[T] {
	return Of(Must[[]T](data, file), field, noun, id)
}

// Of is the table of entries that are read already.
func Of[T any](all []T, field, noun string, id func(T) string) Table[T] {
	return Table[T]{all: all, id: id, field: field, noun: noun, over: func(t T, _ Values) T { return t }}
}

// Over is the table with a way to lay the shop's own values over an entry.
func (t Table[T]) Over(over func(T, Values) T) Table[T] {
	t.over = over
	return t
}

// All are the entries in their order, as the book has them.
func (t Table[T]) All() []T { return slices.Clone(t.all) }

// ByID finds an entry as the book has it; the error is a *fault.Error at the table's field.
func (t Table[T]) ByID(id string) (T, error) {
	i := slices.IndexFunc(t.all, func(e T) bool { return t.id(e) == id })
	if i < 0 {
		var none T
		return none, fault.New(t.field, "no "+t.noun+" is called "+id, "choose one of the list")
	}
	return t.all[i], nil
}

// Laid are the entries with the shop's own values over them.
func (t Table[T]) Laid(vs Values) []T {
	out := make([]T, len(t.all))
	for i, e := range t.all {
		out[i] = t.over(e, vs)
	}
	return out
}

// With finds an entry with the shop's own values over it. One that is not found is empty, with
// the fault of ByID.
func (t Table[T]) With(vs Values, id string) (T, error) {
	e, err := t.ByID(id)
	return t.over(e, vs), err
}
