package ask

import (
	"slices"

	"freshshard/core/caution"
	"freshshard/core/family"
	"freshshard/core/plan"
)

// mostRun is how many steps one answer takes at most: more than that nobody has in
// mind as one piece of work. Common practice, no source.
const mostRun = 4

// run are the steps that one answer may take together from the first on: plain steps
// of one station that follow one another. A hold, a step that was asked for by why it
// broke, one that two people do, one with a caution that nobody has met at this job
// yet, and one that waits for time or for anything else ends it.
func (f Facts) run(s family.Station, first string) []string {
	keys := []string{first}
	on, met := false, map[string]bool{}
	for i := range f.Plan.Steps {
		st := &f.Plan.Steps[i]
		if st.Key == first || f.Done[st.Key] {
			for _, c := range st.Cautions {
				met[c.ID] = true
			}
		}
		if st.Key == first {
			if on = plainly(st); !on {
				break
			}
			continue
		}
		if !on || !f.asks(s, st) {
			continue
		}
		if len(keys) == mostRun || !plainly(st) || st.Screws || warns(st, met) || !f.readyWith(st, keys) {
			break
		}
		keys = append(keys, st.Key)
	}
	if len(keys) == 1 {
		return nil
	}
	return keys
}

// asks says whether a step of a station is still to be done; what goes back of the strip log is asked
// line by line.
func (f Facts) asks(s family.Station, st *plan.Step) bool {
	return st.Station == s && !f.Done[st.Key] && family.LineOf(st.Key) == ""
}

// plainly says whether nothing about a step asks to stop and look.
func plainly(st *plan.Step) bool {
	return !st.Hold && !st.Required && st.People < 2 && st.Key != "cause"
}

// warns says whether a step has a caution that was not met yet.
func warns(st *plan.Step, met map[string]bool) bool {
	return slices.ContainsFunc(st.Cautions, func(c caution.Caution) bool { return !met[c.ID] })
}

// readyWith says whether a step waits for nothing but those that are taken with it.
func (f Facts) readyWith(st *plan.Step, keys []string) bool {
	waits := slices.ContainsFunc(f.Waits, func(w plan.Wait) bool { return w.Step == st.Key })
	if !waits {
		return true
	}
	if st.Least > 0 {
		return false
	}
	return len(st.After) > 0 && !slices.ContainsFunc(st.After, func(k string) bool {
		return !f.Done[k] && !slices.Contains(keys, k)
	})
}
