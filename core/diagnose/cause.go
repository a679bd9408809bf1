package diagnose

import (
	"fmt"
	"slices"

	"freshshard/core/family"
	"freshshard/core/fault"
)

// Result is the ranked causes, with the one question that would settle most.
type Result struct {
	Ranked   []Ranked `json:"ranked"`
	Behind   []Root   `json:"behind" doc:"What probably stood behind the first, nearest first"`
	Next     *Next    `json:"next,omitempty"`
	Sentence string   `json:"sentence"`
}

// Likely is the share from which on something is said to be likely rather than
// possible. Common practice, no source.
const Likely = 0.5

// Why ranks the causes of a break, whatever held the pane. It returns a
// *fault.Error for answers that are not among the questions'.
func Why(e Evidence) (Result, error) { return WhyHeld(e, "") }

// possible are the causes that there can be with a way of holding: no run channel
// wears on an oven, and no bond fails that was never made.
func possible(held family.Sizing) []entry {
	if held == "" {
		return causes
	}
	out := make([]entry, 0, len(causes))
	for _, c := range causes {
		if len(c.Sizings) == 0 || slices.Contains(c.Sizings, held) {
			out = append(out, c)
		}
	}
	return out
}

// WhyHeld is Why for a pane that was held in a certain way.
func WhyHeld(e Evidence, held family.Sizing) (Result, error) {
	causes := possible(held)
	r := Result{Ranked: []Ranked{}, Behind: []Root{}}
	if err := check(questions, e); err != nil {
		return r, err
	}
	r.Ranked = rank(questions, causes, e)
	r.Next = next(questions, causes, e, r.Ranked)
	first, second := r.Ranked[0], r.Ranked[1]
	switch {
	case len(e) == 0:
		r.Sentence = "Nothing observed yet."
	case first.Share >= Likely:
		r.Sentence = fmt.Sprintf("%s, most likely (%d in 100).", first.Name, percent(first.Share))
	default:
		r.Sentence = fmt.Sprintf("%s, perhaps (%d in 100), or %s (%d).", first.Name, percent(first.Share), lower(second.Name),
			percent(second.Share))
	}
	if first.Share >= Likely { // of a mere perhaps, nobody asks what stood behind it
		r.Behind = behind(first, r.Ranked)
	}
	if len(r.Behind) > 0 {
		r.Sentence += fmt.Sprintf(" Behind it perhaps %s: %s.", lower(r.Behind[0].Name), r.Behind[0].Because)
	}
	return r, nil
}

func percent(share float64) int { return int(share*100 + 0.5) }

func lower(s string) string { return string(s[0]|0x20) + s[1:] }

// Changes are what the plan must contain for one cause alone.
func Changes(cause string) ([]Change, error) {
	if cause == "" {
		return nil, nil
	}
	c := find(causes, cause)
	if c.ID == "" {
		return nil, fault.New("cause", "no cause is called "+cause, "choose one of the list")
	}
	return c.Changes, nil
}

// Tell is what a customer is told about a cause; empty where there is nothing
// that a customer can do.
func Tell(cause string) string { return find(causes, cause).Tell }

// NameOf is a cause in words.
func NameOf(cause string) string { return find(causes, cause).Name }

// Beware is what a new pane has to be better at than the old one, so that the
// causes do not break it again; empty when the pane's material plays no part.
func Beware(chain []Link) []string {
	var out []string
	for _, l := range chain {
		if b := find(causes, l.ID).Beware; b != "" && !slices.Contains(out, b) {
			out = append(out, b)
		}
	}
	return out
}
