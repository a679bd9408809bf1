package book

import (
	_ "embed"

	"freshshard/core/catalogue"
)

// Unproven is a value that decides many verdicts and that nobody has held against the printed
// standard or the product's own sheet yet.
type Unproven struct {
	Kind    string  `json:"kind"`
	ID      string  `json:"id"`
	Item    string  `json:"item"`
	Name    string  `json:"name"`
	V       float64 `json:"v" doc:"As the shop has set it, else as the book has it"`
	Unit    string  `json:"unit"`
	Decides string  `json:"decides" doc:"What it decides, in words"`
	Own     bool    `json:"own" doc:"The shop has set it by its own sheet"`
}

//go:embed unproven.json
var unprovenFile []byte

var unproven = catalogue.Must[[]Unproven](unprovenFile, "unproven.json")

// UnprovenOf lists those that decide most, as they stand in a shop.
func UnprovenOf(vs catalogue.Values) []Unproven {
	out := make([]Unproven, len(unproven))
	for i, u := range unproven {
		if v, ok := vs.Laid(u.Kind, u.ID, u.Item); ok {
			u.V, u.Own = v.V, true
		} else if v := Was(catalogue.Value{Kind: u.Kind, ID: u.ID, Item: u.Item}); v != nil {
			u.V = *v
		}
		out[i] = u
	}
	return out
}
