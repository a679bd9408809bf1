package jobview

import (
	"fmt"
	"slices"

	"freshshard/core/plan"
	"freshshard/core/prove"
)

// contradictions are the steps that are ticked, but stand on what is not so: an owner takes that
// on, or somebody puts it right. Only a record from before the order of work was held can have
// them, or one that was carried in, or whose road was changed on the way.
func (b Pane) contradictions() []prove.Stop {
	out := []prove.Stop{}
	for _, f := range b.Reckoning.Plan.Fallen(b.Standing) {
		out = append(out, prove.Stop{Key: "order:" + f.Step.Key, Station: f.Step.Station,
			Says: fmt.Sprintf("“%s” is ticked, but %s", f.Step.Title, f.Why)})
	}
	return out
}

// Fall is what falls with what was opened again: steps that are done, checks that passed, and the
// clocks of what the pane lay on, where it is out of its seat.
type Fall struct {
	Steps  []plan.Step
	Checks []string
	Out    bool
}

// FellSince is what fell since a pane stood as it was. What did not stand before stays as it is.
func (b Pane) FellSince(was Pane) Fall {
	var f Fall
	steps, checks := b.fallen()
	lay, open := was.fallen()
	for _, st := range steps {
		if !slices.ContainsFunc(lay, func(o plan.Step) bool { return o.Key == st.Key }) {
			f.Steps = append(f.Steps, st)
		}
	}
	for _, key := range checks {
		if !slices.Contains(open, key) {
			f.Checks = append(f.Checks, key)
		}
	}
	f.Out = slices.ContainsFunc(f.Steps, plan.Step.Sets) || slices.ContainsFunc(b.Reckoning.Plan.Steps,
		func(st plan.Step) bool { return st.Sets() && was.Done[st.Key] && !b.Done[st.Key] })
	return f
}

// fallen are the steps and the passed checks that fall with what is open again.
func (b Pane) fallen() (steps []plan.Step, checks []string) {
	down := map[string]bool{}
	for _, st := range b.Reckoning.Plan.Steps {
		down[st.Key] = !b.Done[st.Key] && st.Lasts()
	}
	for _, f := range b.Reckoning.Plan.Fallen(b.Standing) {
		steps = append(steps, f.Step)
		down[f.Step.Key] = true
	}
	for _, c := range b.Checks {
		if c.Outcome == prove.Pass && slices.ContainsFunc(c.After, func(k string) bool { return down[k] }) {
			checks = append(checks, c.Key)
		}
	}
	return steps, checks
}
