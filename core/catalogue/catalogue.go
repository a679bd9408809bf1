// Package catalogue reads the data files that a tradesperson could correct:
// strictly, so that a misspelt field is an error and not a missing value.
package catalogue

import (
	"bytes"
	"encoding/json"
	"fmt"
)

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
