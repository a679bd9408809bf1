package family

import (
	_ "embed"

	"freshshard/core/catalogue"
)

//go:embed questions.json
var questionFile []byte

// Question is one plain question on the way to a family.
type Question struct {
	Key     string   `json:"key"`
	Ask     string   `json:"ask"`
	Answers []Answer `json:"answers"`
}

// Answer leads to a family or to the next question. Picture is the family
// whose edge in section stands beside it.
type Answer struct {
	Say     string `json:"say"`
	Hint    string `json:"hint,omitempty"`
	Picture string `json:"picture"`
	Family  string `json:"family,omitempty"`
	Next    string `json:"next,omitempty"`
}

var questions = catalogue.Must[[]Question](questionFile, "questions.json")

// Questions are those that pick the family; the first one is asked first.
func Questions() []Question { return questions }
