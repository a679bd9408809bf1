package standing

import (
	"freshshard/internal/jobview"
)

// TwoAhead is a step that takes two people, and how much work comes before it.
type TwoAhead struct {
	In    int    `json:"in" doc:"Hands-on minutes before it; 0 when it is the next"`
	Title string `json:"title"`
	Why   string `json:"why"`
}

// twoSoon is how far ahead a second pair of hands is asked for, min of work.
const twoSoon = 120

// NextForTwo is the next step that takes two people; nil where none comes soon, or a wait
// lies before it.
func NextForTwo(b jobview.Pane) *TwoAhead {
	in := 0
	for _, st := range b.Reckoning.Plan.Steps {
		if b.Done[st.Key] {
			continue
		}
		if _, waits := b.Standing.Clocks[st.Key]; waits || in > twoSoon || st.Station == "source" && in > 0 {
			return nil
		}
		if st.People > 1 {
			return &TwoAhead{In: in, Title: st.Title, Why: st.TwoWhy}
		}
		in += st.Minutes
	}
	return nil
}
