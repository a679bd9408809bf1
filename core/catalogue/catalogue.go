// Package catalogue reads the data files that a tradesperson could correct:
// strictly, so that a misspelt field is an error and not a missing value.
package catalogue

import (
	"bytes"
	"encoding/json"
	"fmt"
	"strings"

	"freshshard/core/origin"
)

// From is where a value of a catalogue is from. A data file writes it as a word: "trade",
// "sheet" or "std:EN 572-1".
type From struct{ origin.Origin }

// Of is the origin with the product's name where the value is from its data sheet.
func (f From) Of(product string) origin.Origin {
	if f.Kind == origin.Data {
		return origin.Sheet(product)
	}
	return f.Origin
}

// UnmarshalJSON reads one of the three words, and what MarshalJSON writes.
func (f *From) UnmarshalJSON(b []byte) error {
	var word string
	if err := json.Unmarshal(b, &word); err != nil {
		return json.Unmarshal(b, &f.Origin)
	}
	standard, isStandard := strings.CutPrefix(word, "std:")
	switch {
	case word == "trade":
		f.Origin = origin.Custom()
	case word == "sheet":
		f.Origin = origin.Sheet("")
	case isStandard && standard != "":
		f.Origin = origin.Std(standard)
	default:
		return fmt.Errorf("origin %q: write trade, sheet or std:NAME", word)
	}
	return nil
}

// Value is a number with its origin.
type Value struct {
	V      float64 `json:"v"`
	Origin From    `json:"o"`
}

// Read decodes a data file and refuses fields that the type does not have.
func Read[T any](data []byte, name string) (T, error) {
	var v T
	d := json.NewDecoder(bytes.NewReader(data))
	d.DisallowUnknownFields()
	if err := d.Decode(&v); err != nil {
		return v, fmt.Errorf("%s: %w", name, err)
	}
	return v, nil
}

// Must is Read for the files that are built into the program; their tests hold
// them right.
func Must[T any](data []byte, name string) T {
	v, err := Read[T](data, name)
	if err != nil {
		panic(err)
	}
	return v
}
