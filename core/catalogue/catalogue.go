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

// From is an origin as a data file writes it: "trade", "sheet" or
// "std:EN 572-1".
type From string

// ownWord begins the origin of a value that a shop has set.
const ownWord = "own:"

// Own is the origin of a value that a shop has set, with what it says of it.
// Data files do not use it.
func Own(says string) From { return From(ownWord + says) }

// Says is what a shop says of a value that it has set; empty for every other origin.
func (f From) Says() string {
	says, ok := strings.CutPrefix(string(f), ownWord)
	if !ok {
		return ""
	}
	return says
}

// Of is the origin that the word stands for; of names the product when the
// value is from its data sheet.
func (f From) Of(of string) origin.Origin {
	switch {
	case f == "sheet":
		return origin.Sheet(of)
	case strings.HasPrefix(string(f), "std:"):
		return origin.Std(strings.TrimPrefix(string(f), "std:"))
	case strings.HasPrefix(string(f), ownWord):
		return origin.Own(f.Says())
	default:
		return origin.Custom()
	}
}

// Check wants one of the three words.
func (f From) Check() error {
	if f == "trade" || f == "sheet" || strings.HasPrefix(string(f), "std:") && len(f) > len("std:") {
		return nil
	}
	return fmt.Errorf("origin %q: write trade, sheet or std:NAME", string(f))
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
