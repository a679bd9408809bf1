// Package prove holds the checks that a finished job must pass and the rule
// for signing it off.
package prove

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/working"
)

// Outcome is how a check ended.
type Outcome string

// The outcomes; Open is a check that nobody has done yet.
const (
	Open Outcome = ""
	Pass Outcome = "pass"
	Fail Outcome = "fail"
	Skip Outcome = "not-applicable"
)

// Answer is what a person says of a check. Value is nil for a plain yes or no.
type Answer struct {
	Outcome Outcome  `json:"outcome" enum:"pass,fail,not-applicable"`
	Value   *float64 `json:"value,omitempty" doc:"The number that was read, in the check's unit"`
	// Gaps are what was read round the pane, clockwise from the left end of the
	// top, mm; the number is then their spread.
	Gaps    []float64 `json:"gaps,omitempty" maxItems:"8" doc:"Read round the pane, clockwise from the top's left, mm"`
	Finding string    `json:"finding,omitempty" maxLength:"500" doc:"What is wrong, or why it does not apply"`
}

// Check is one proof with its answer.
type Check struct {
	Key     string         `json:"key"`
	Once    bool           `json:"once" doc:"Proved once for the object"`
	Try     []string       `json:"try" doc:"What to change, one at a time, when it fails"`
	Text    string         `json:"text"`
	Pass    string         `json:"pass,omitempty" doc:"What good looks like"`
	Unit    string         `json:"unit,omitempty" doc:"Set when a number is wanted"`
	Limit   *working.Limit `json:"limit,omitempty"`
	Spread  int            `json:"spread,omitempty" doc:"The number may be read as so many gaps round the pane"`
	May     string         `json:"may,omitempty" doc:"When it may be left out; without it only an owner signs over it"`
	After   []string       `json:"after" doc:"Keys of the steps that it waits for"`
	Does    string         `json:"does,omitempty" doc:"The step that is done when this passes"`
	ShownBy string         `json:"shown_by,omitempty" doc:"The step that, done, passes this"`
	Outcome Outcome        `json:"outcome" enum:",pass,fail,not-applicable"`
	Value   *float64       `json:"value,omitempty"`
	Gaps    []float64      `json:"gaps,omitempty" doc:"Clockwise from the left end of the top, mm"`
	Finding string         `json:"finding,omitempty"`
}

// Checks are those of a family, unanswered.
func Checks(f family.Family) []Check {
	out := make([]Check, 0, len(f.Checks))
	for _, c := range f.Checks {
		k := Check{Key: c.Key, Once: c.Once, Try: append([]string{}, c.Try...), Text: c.Text, Pass: c.Pass, May: c.Optional,
			After: append([]string{}, c.After...), Does: c.Does, ShownBy: c.ShownBy}
		if m := c.Measure; m != nil {
			o := m.Limit.Origin.Of("")
			k.Unit, k.Spread = m.Unit, m.Spread
			k.Limit = &working.Limit{Value: m.Limit.V, Unit: m.Unit, Sense: working.Sense(m.Sense), Origin: o,
				Source: o.String()}
		}
		out = append(out, k)
	}
	return out
}

// mostMeasured keeps a slipped digit out of a check's number.
const mostMeasured = 1e5

// left is what stands on the record of a check that is left out: the book's
// case, and what the person added.
func (c Check) left(said string) string {
	if said == "" || strings.HasPrefix(said, c.May) {
		return cmp.Or(said, c.May)
	}
	return c.May + ": " + said
}

// Take holds an answer against its check and returns the check answered. A
// number outside its limit fails whatever was said; a failure needs a word
// why, and a check is left out only in the book's case.
func (c Check) Take(a Answer) (Check, error) {
	switch a.Outcome {
	case Pass, Fail, Skip:
	default:
		return c, fault.New("outcome", "a check passes, fails or does not apply", "choose one of the three")
	}
	if len(a.Gaps) > 0 {
		v, err := c.spread(a.Gaps)
		if err != nil {
			return c, err
		}
		a.Value = &v
	}
	if a.Value != nil && c.Limit == nil {
		return c, fault.New("value", "this check takes no number", "leave the number out")
	}
	if a.Value != nil && !(*a.Value >= 0 && *a.Value <= mostMeasured) {
		return c, fault.New("value", "a number from 0 up is expected", "type what was read, in "+c.Unit)
	}
	if c.Limit != nil && a.Outcome != Skip {
		if a.Value == nil {
			return c, fault.New("value", "this check wants a number", "type what was read, in "+c.Unit)
		}
		f := working.Figure{Value: *a.Value, Limit: c.Limit}.Judge(working.Stop)
		a.Outcome = Pass
		if f.Verdict == working.Stop {
			a.Outcome = Fail
			if a.Finding == "" {
				a.Finding = fmt.Sprintf("%s %s, %s %s %s is wanted", working.Num(*a.Value, 2), c.Unit, said(c.Limit.Sense),
					working.Num(c.Limit.Value, 2), c.Unit)
			}
		}
	}
	if a.Outcome == Skip {
		if c.May == "" {
			return c, fault.New("outcome", "this check always applies", "do it; an owner can sign over it with a reason")
		}
		a.Finding = c.left(a.Finding)
	}
	if a.Outcome == Fail && a.Finding == "" {
		return c, fault.New("finding", "say what was found", "a few words are enough")
	}
	c.Outcome, c.Value, c.Gaps, c.Finding = a.Outcome, a.Value, a.Gaps, a.Finding
	return c, nil
}

// leastGaps is how few places say anything about evenness: one on each side.
const leastGaps = 4

// spread is the widest less the narrowest of the gaps round a pane, mm.
func (c Check) spread(gaps []float64) (float64, error) {
	if c.Spread == 0 {
		return 0, fault.New("gaps", "this check takes one number", "type that alone")
	}
	if len(gaps) < leastGaps || len(gaps) > c.Spread {
		return 0, fault.New("gaps", fmt.Sprintf("%d places say nothing of evenness", len(gaps)),
			fmt.Sprintf("read from %d to %d places, as far apart as they can be", leastGaps, c.Spread))
	}
	for i, g := range gaps {
		if !(g >= 0 && g <= mostMeasured) {
			return 0, fault.New(fmt.Sprintf("gaps[%d]", i), "a gap from 0 up is expected", "type what was read")
		}
	}
	// Readings are kept to a thousandth, so that a limit met exactly is met.
	return math.Round((slices.Max(gaps)-slices.Min(gaps))*1e3) / 1e3, nil
}

func said(s working.Sense) string {
	if s == working.AtLeast {
		return "at least"
	}
	return "at most"
}

// KindStop is the kind of a hindrance that no reason for the whole job signs
// over: an owner takes each on by itself.
const KindStop = "stop"

// Hindrance is one thing that stands in the way of signing off.
type Hindrance struct {
	Kind string `json:"kind" enum:"stop,check,failed,step,size,choice,reading,strip,guest"`
	Key  string `json:"key"`
	Text string `json:"text"`
	Pane int64  `json:"pane,omitempty" doc:"The pane that it belongs to"`
}

// State is what sign-off looks at.
type State struct {
	Sized     bool    // a size was worked out
	Guests    []Named // what was put in for now and is in
	Strip     []Named // what came off and does not count out
	Odd       []Named // readings that do not fit the rest
	Chosen    bool    // a material was settled
	Stops     []Stop  // with what owners took on
	Checks    []Check // with their answers
	OpenSteps []Named // steps neither done nor left out with a reason
}

// Named is something with a key and a title.
type Named struct{ Key, Title string }

// Hindrances lists everything that keeps the job from being signed off, stops
// first; none means that it may be.
func Hindrances(s State) []Hindrance {
	out := []Hindrance{}
	for _, k := range s.Stops {
		if k.Taken == nil {
			out = append(out, Hindrance{Kind: KindStop, Key: k.Key, Text: k.Says})
		}
	}
	if !s.Sized {
		out = append(out, Hindrance{Kind: "size", Key: "measure", Text: "no size yet: readings are missing"})
	}
	for _, n := range s.Strip {
		out = append(out, Hindrance{Kind: "strip", Key: n.Key, Text: "strip log: " + n.Title})
	}
	for _, n := range s.Guests {
		out = append(out, Hindrance{Kind: "guest", Key: n.Key, Text: "still in: " + n.Title})
	}
	for _, n := range s.Odd {
		out = append(out, Hindrance{Kind: "reading", Key: n.Key, Text: "reading does not fit the rest: " + n.Title})
	}
	if !s.Chosen {
		out = append(out, Hindrance{Kind: "choice", Key: "choose", Text: "no material chosen"})
	}
	for _, n := range s.OpenSteps {
		out = append(out, Hindrance{Kind: "step", Key: n.Key, Text: "step open: " + n.Title})
	}
	for _, c := range s.Checks {
		switch c.Outcome {
		case Open:
			out = append(out, Hindrance{Kind: "check", Key: c.Key, Text: "check open: " + c.Text})
		case Fail:
			out = append(out, Hindrance{Kind: "failed", Key: c.Key, Text: "check failed: " + c.Text})
		}
	}
	return out
}
