package diagnose

import (
	_ "embed"
	"fmt"

	"freshshard/core/catalogue"
)

//go:embed oldclues.json
var cluesFile []byte

//go:embed oldpane.json
var oldFile []byte

var (
	clues = catalogue.Must[[]Question](cluesFile, "oldclues.json")
	olds  = catalogue.Must[[]entry](oldFile, "oldpane.json")
)

// Clues lists what may be looked at on the old pane. The stamp's corner and
// reading direction are only recorded; they say nothing of the material.
func Clues() []Question { return clues }

// OldPane ranks what the old pane was made of.
func OldPane(e Evidence) (Result, error) {
	r := Result{Ranked: []Ranked{}, Behind: []Root{}}
	if err := check(clues, e); err != nil {
		return r, err
	}
	r.Ranked = rank(clues, olds, e)
	r.Next = next(clues, olds, e, r.Ranked)
	first, second := r.Ranked[0], r.Ranked[1]
	switch {
	case first.Score <= 0:
		r.Sentence = "Nothing seen yet that tells the material."
	case first.Share >= Likely:
		r.Sentence = fmt.Sprintf("It was %s, most likely (%d in 100).", first.Name, percent(first.Share))
	default:
		r.Sentence = fmt.Sprintf("It was %s (%d in 100) or %s (%d).", first.Name, percent(first.Share), second.Name,
			percent(second.Share))
	}
	return r, nil
}
