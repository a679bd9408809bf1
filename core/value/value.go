package value

import (
	"encoding/json"
	"fmt"
	"strings"
)

// From is where a value of a catalogue is from. A data file writes it as a word: "trade",
// "sheet" or "std:EN 572-1".
type From struct{ Origin }

// Of is the origin with the product's name where the value is from its data sheet.
func (f From) Of(product string) Origin {
	if f.Kind == Data {
		return Sheet(product)
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
		f.Origin = Custom()
	case word == "sheet":
		f.Origin = Sheet("")
	case isStandard && standard != "":
		f.Origin = Std(standard)
	default:
		return fmt.Errorf("origin %q: write trade, sheet or std:NAME", word)
	}
	return nil
}

// Value is a number with its
type Value struct {
	V      float64 `json:"v"`
	Origin From    `json:"o"`
}
