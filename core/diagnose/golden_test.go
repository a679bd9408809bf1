package diagnose

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/tools/golden"
)

// Each answer alone, and some together: the ranking, what speaks, what to ask
// next.
func TestCausesAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	tell := func(what string, r Result, err error) {
		fmt.Fprintf(b, "= %s: %s %v\n", what, r.Sentence, err)
		for i, c := range r.Ranked {
			if i < 4 {
				fmt.Fprintf(b, "  %s %.3f %.3f for %v against %v\n", c.ID, c.Score, c.Share, c.For, c.Against)
			}
		}
		if r.Next != nil {
			fmt.Fprintf(b, "  next %+v\n", *r.Next)
		}
	}
	for _, q := range Questions() {
		for _, a := range q.Answers {
			r, err := Why(Evidence{q.ID: a.ID})
			tell(q.ID+"."+a.ID, r, err)
		}
	}
	for _, q := range Clues() {
		for _, a := range q.Answers {
			r, err := OldPane(Evidence{q.ID: a.ID})
			tell("old "+q.ID+"."+a.ID, r, err)
		}
	}
	for _, e := range []Evidence{{}, {"origin": "fixing", "fixings": "tight", "doing": "first-fire"}, {"origin": "moon"},
		{"moon": "origin"}} {
		r, err := Why(e)
		tell(fmt.Sprint(e), r, err)
	}
	golden.Check(t, "causes", b.String())
}
