// Package state is the one vocabulary of what can be true of an object, of its panes and of what
// holds them, each state with the words in which it is missed. A step needs some states and makes
// some; the order of work follows from that. Common practice, no source.
package state

import (
	_ "embed"

	"freshshard/core/catalogue"
)

// State names something that can be true.
type State string

// Here is that the new pane has come: no step makes it, what is waited for does.
const Here State = "here"

// In is that a pane is in its place, Fixed that it is held there.
const (
	In    State = "in"
	Fixed State = "fixed"
)

// Info is a state in words.
type Info struct {
	ID     State  `json:"id"`
	Name   string `json:"name" doc:"What is true, behind a pane or an object: looked over"`
	Missed string `json:"missed" doc:"What is said while it is not"`
	// Lasts is that what stands on it falls with it: a pane that goes back is no longer in, but a
	// door that came off cold came off.
	Lasts bool `json:"lasts,omitempty"`
}

//go:embed states.json
var file []byte

// Book lists the states, roughly in the order in which they become true.
var Book = catalogue.New[Info](file, "states.json", "state", "state", func(i Info) string { return string(i.ID) })

// Of is a state in words; of one that is not in the book, its own name.
func Of(s State) Info {
	if i, err := Book.ByID(string(s)); err == nil {
		return i
	}
	return Info{ID: s, Name: string(s), Missed: "it is not " + string(s) + " yet"}
}
