package jobview

import (
	"slices"
	"unicode"

	"freshshard/core/plan"
	"freshshard/core/timer"
	"freshshard/internal/record"
)

// TimerView is a clock as a screen shows it.
type TimerView struct {
	record.Timer
	Title string `json:"title,omitempty" doc:"Of the step or check that it keeps shut"`
	Out   bool   `json:"out"`
	Next  string `json:"next,omitempty" doc:"What follows when it is out; empty after its last part"`
	May   string `json:"may,omitempty" doc:"What to do meanwhile"`
}

// clockOf is a clock as the plan waits for it.
func clockOf(r timer.Run) plan.Clock {
	ready := r.Ready()
	return plan.Clock{What: r.What, Ready: &ready, Shut: r.Next() != nil,
		Says: "its clock runs: " + LowerFirst(r.What)}
}

func LowerFirst(s string) string {
	if s == "" {
		return s
	}
	r := []rune(s)
	r[0] = unicode.ToLower(r[0])
	return string(r)
}

// timed lays the clocks of a pane over its steps and checks.
func timed(st *plan.Standing, timers []record.Timer) {
	for _, t := range timers {
		switch {
		case t.Gates == "":
		case t.Check:
			st.Checks = plan.AddClock(st.Checks, t.Gates, clockOf(t.Run))
		default:
			st.Clocks = plan.AddClock(st.Clocks, t.Gates, clockOf(t.Run))
		}
	}
}

// timersOf shows the clocks of a pane, the next one out first, and what could be started.
func (s *Reader) timersOf(b *Pane, v *View) {
	v.Timers, v.MayTime = []TimerView{}, []timer.Offer{}
	title := map[string]string{}
	var steps, checks []string
	for _, st := range b.Reckoning.Plan.Steps {
		title[st.Key] = st.Title
		if !b.Done[st.Key] {
			steps = append(steps, st.Key)
		}
	}
	for _, c := range b.Checks {
		title["check "+c.Key] = c.Text
		if c.Outcome == "" {
			checks = append(checks, c.Key)
		}
	}
	now := s.Now()
	for _, t := range b.Pane.Timers {
		k := TimerView{Timer: t, Out: t.Out(now), Title: title[t.Gates]}
		if t.Check {
			k.Title = title["check "+t.Gates]
		}
		if n := t.Run.Next(); n != nil {
			k.Next = n.What
		}
		for _, u := range timer.All() {
			if u.ID == t.Usual {
				k.May = u.May
			}
		}
		v.Timers = append(v.Timers, k)
	}
	slices.SortStableFunc(v.Timers, func(a, b TimerView) int { return a.Until.Compare(b.Until) })
	for _, o := range timer.For(v.Job.Object.Exposure.ID, steps, checks) {
		runs := func(t record.Timer) bool { return t.Usual == o.ID && t.Gates == o.Gates }
		if !v.Job.Signed && !slices.ContainsFunc(b.Pane.Timers, runs) {
			v.MayTime = append(v.MayTime, o)
		}
	}
}
