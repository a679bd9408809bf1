package jobview

import (
	"time"

	"freshshard/core/family"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/route"
)

// Late says whether a promise has passed, or the hands-on minutes that are left
// no longer fit before it. There is one meaning of the word.
func Late(promised *time.Time, left int, now time.Time) bool {
	return promised != nil && now.Add(time.Duration(left)*time.Minute).After(*promised)
}

// Slips says whether what hardens is ready only after the promise.
func Slips(promised, hard *time.Time) bool {
	return promised != nil && hard != nil && hard.After(*promised)
}

// Never is later than any promise.
var Never = time.Date(9999, 1, 1, 0, 0, 0, 0, time.UTC)

// HardBy is when the last thing is hard that a step of the job still waits for; nil where
// nothing is waited for.
func HardBy(benches []Pane) *time.Time {
	var last *time.Time
	for _, b := range benches {
		for step, c := range b.Standing.Clocks {
			if b.Done[step] {
				continue
			}
			at := &Never
			if c.Ready != nil {
				at = c.Ready
			}
			if last == nil || at.After(*last) {
				last = at
			}
		}
	}
	return last
}

// Finished says that nothing but the signature is open.
func (b Pane) Finished() bool {
	for _, l := range b.Route {
		if l.State == route.Now && (l.Station != "prove" || l.Say != "to sign") {
			return false
		}
	}
	return true
}

// Unfinished says what a station still wants when its steps are ticked.
func (v View) Unfinished(b Pane, l route.Leg) string {
	odd := len(b.Reckoning.Fit.Odd) > 0 || b.Reckoning.Fault != nil
	if k := b.Stop(l.Station); k != nil && !odd {
		return "Look at what stops it"
	}
	switch l.Station {
	case "measure":
		if odd {
			return "Look again at a reading"
		}
		return "Read the rest of the opening"
	case "choose":
		return "Choose the material"
	case "prove":
		if len(v.Hindrances) == 0 {
			return "Sign off"
		}
		return "Finish the checks"
	}
	return "Go on with " + l.Name
}

// Stop is the first thing beyond its limit that is put right at a station, at
// any for none, and that nobody took on.
func (b Pane) Stop(at family.Station) *prove.Stop {
	for i := range b.Stops {
		if k := &b.Stops[i]; k.Taken == nil && (at == "" || k.Station == at) {
			return k
		}
	}
	return nil
}

// NextStep is the first step that is neither done nor left out.
func (b Pane) NextStep() *plan.Step {
	for i := range b.Reckoning.Plan.Steps {
		if st := &b.Reckoning.Plan.Steps[i]; !b.Done[st.Key] {
			return st
		}
	}
	return nil
}
