package typed

import (
	"errors"

	"freshshard/core/fault"
	"freshshard/core/length"
)

// Length reads a length for a field and points at the character.
func Length(field, text string, unit length.Unit, with length.Instrument) (length.Reading, error) {
	if !with.Known() {
		return length.Reading{}, fault.New("instrument", "no instrument of that name",
			"use tape, rule, caliper, laser, feeler gauge or traced line")
	}
	r, err := length.Parse(text, unit, with)
	var le *length.Error
	if errors.As(err, &le) {
		return r, &At{Field: field, Position: le.At, Err: fault.New(field, le.Why, le.Cure)}
	}
	return r, err
}
