package shop

import (
	"context"
	"fmt"
	"slices"
	"time"
	"unicode"

	"freshshard/core/fault"
	"freshshard/core/plan"
	"freshshard/core/timer"
	"freshshard/internal/record"
	"freshshard/internal/store"
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
		Says: "its clock runs: " + lowerFirst(r.What)}
}

func lowerFirst(s string) string {
	if s == "" {
		return s
	}
	r := []rune(s)
	r[0] = unicode.ToLower(r[0])
	return string(r)
}

// addClock lays a clock over what is waited for already: the later one counts.
func addClock(all map[string]plan.Clock, key string, c plan.Clock) map[string]plan.Clock {
	if all == nil {
		all = map[string]plan.Clock{}
	}
	if had, ok := all[key]; ok {
		c = had.Later(c)
	}
	all[key] = c
	return all
}

// timed lays the clocks of a pane over its steps and checks.
func timed(st *plan.Standing, timers []record.Timer) {
	for _, t := range timers {
		switch {
		case t.Gates == "":
		case t.Check:
			st.Checks = addClock(st.Checks, t.Gates, clockOf(t.Run))
		default:
			st.Clocks = addClock(st.Clocks, t.Gates, clockOf(t.Run))
		}
	}
}

// timersOf shows the clocks of a pane, the next one out first, and what could be started.
func (s *Shop) timersOf(b *benchView, v *View) {
	v.Timers, v.MayTime = []TimerView{}, []timer.Offer{}
	title := map[string]string{}
	var steps, checks []string
	for _, st := range b.reck.Plan.Steps {
		title[st.Key] = st.Title
		if !b.done[st.Key] {
			steps = append(steps, st.Key)
		}
	}
	for _, c := range b.checks {
		title["check "+c.Key] = c.Text
		if c.Outcome == "" {
			checks = append(checks, c.Key)
		}
	}
	now := s.Now()
	for _, t := range b.pane.Timers {
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
		if !v.Job.Signed && !slices.ContainsFunc(b.pane.Timers, runs) {
			v.MayTime = append(v.MayTime, o)
		}
	}
}

// StartedTimer is a clock that somebody starts.
type StartedTimer struct {
	Usual   string     `json:"usual,omitempty" maxLength:"40" doc:"One of the list; empty for one's own"`
	What    string     `json:"what,omitempty" maxLength:"120"`
	Minutes int        `json:"minutes,omitempty" doc:"0 for the usual"`
	Gates   string     `json:"gates,omitempty" maxLength:"40" doc:"Key of the step or check that it keeps shut, or empty"`
	Check   bool       `json:"check,omitempty"`
	Since   *time.Time `json:"since,omitempty" doc:"When it began; now for nothing"`
}

// mostTimers is more than any pane has.
const mostTimers = 40

// StartTimer starts a clock; a retry with the same key starts it once.
func (s *Shop) StartTimer(ctx context.Context, by record.Account, key string, at Bench, in StartedTimer) error {
	what, err := clean("what", in.What, 120, false)
	if err != nil {
		return err
	}
	request := struct {
		At Bench
		In StartedTimer
	}{Bench{Job: at.Job, Pane: at.Pane}, in}
	_, err = s.createBehind(ctx, by, key, "timer", request, s.openJob(ctx, at.Job), func(t *store.Tx) (int64, error) {
		j, err := t.Job(ctx, at.Job)
		if err != nil {
			return 0, err
		}
		p, err := paneOf(&j, at)
		if err != nil {
			return 0, err
		}
		if len(p.Timers) >= mostTimers {
			return 0, fault.New("what", fmt.Sprintf("%d clocks are more than anybody looks at", mostTimers), "take some out")
		}
		run := timer.Run{Usual: in.Usual, What: what, Gates: in.Gates, Check: in.Check}
		if in.Since != nil {
			run.Since = in.Since.UTC().Truncate(time.Millisecond)
		}
		if run, err = timer.Start(run, in.Minutes, s.Now()); err != nil {
			return 0, err
		}
		if err := gateOf(&j, p, run); err != nil {
			return 0, err
		}
		id, err := t.AddTimer(ctx, record.Timer{Pane: p.ID, Run: run}, by.ID, s.Now())
		if err != nil {
			return 0, err
		}
		if err := t.TouchJob(ctx, at.Job); err != nil {
			return 0, err
		}
		return id, t.Audit(ctx, store.Change{Job: at.Job, Account: by.ID, At: s.Now(), Noun: "timer", Item: fmt.Sprint(id),
			Action: "started", Said: "clock started: " + run.What, After: run})
	})
	return err
}

// gateOf refuses a clock at a step or check that the pane does not have, or that is done.
func gateOf(j *record.Job, p *record.Pane, r timer.Run) error {
	if r.Gates == "" {
		return nil
	}
	b := benchOf(j, p, "mm", nil, numbers)
	if r.Check {
		i := slices.IndexFunc(b.checks, func(c CheckView) bool { return c.Key == r.Gates })
		if i < 0 {
			return fault.New("gates", "this pane has no such check", "choose one of its own")
		}
		if b.checks[i].Outcome != "" {
			return fault.New("gates", "this check is answered already", "take its answer back first")
		}
		return nil
	}
	if _, err := b.step(r.Gates); err != nil {
		return fault.New("gates", "this pane has no such step", "choose one of its own")
	}
	if b.done[r.Gates] {
		return fault.New("gates", "this step is ticked already", "open it again first")
	}
	return nil
}

// NextTimer begins the next part of a clock that is out.
func (s *Shop) NextTimer(ctx context.Context, by record.Account, at Bench, id int64, version int) error {
	return s.timerChange(ctx, by, at, id, version, func(t *store.Tx, v *record.Timer) (string, error) {
		if !v.Out(s.Now()) {
			return "", fault.New("version", "its part still runs", "wait until it is out")
		}
		if v.Run.Next() == nil {
			return "", fault.New("version", "that was its last part", "go on with the step")
		}
		v.Stage++
		v.Since = time.Time{}
		var err error
		if v.Run, err = timer.Start(v.Run, 0, s.Now()); err != nil {
			return "", err
		}
		found, err := t.SetTimer(ctx, *v)
		if err == nil && !found {
			err = stale("this clock")
		}
		return "begun: " + v.What, err
	})
}

// DropTimer takes a clock out: it was started by mistake, or is not needed.
func (s *Shop) DropTimer(ctx context.Context, by record.Account, at Bench, id int64, version int) error {
	return s.timerChange(ctx, by, at, id, version, func(t *store.Tx, v *record.Timer) (string, error) {
		return "clock taken out: " + v.What, t.DropTimer(ctx, v.Pane, v.ID)
	})
}

func (s *Shop) timerChange(ctx context.Context, by record.Account, at Bench, id int64, version int,
	f func(*store.Tx, *record.Timer) (string, error)) error {
	return s.paneNote(ctx, by, at, func(t *store.Tx, _ *record.Job, p *record.Pane) (store.Change, error) {
		v, err := seenClock(p.Timers, func(v record.Timer) (int64, int) { return v.ID, v.Version }, id, version)
		if err != nil {
			return store.Change{}, err
		}
		before := v
		said, err := f(t, &v)
		return store.Change{Noun: "timer", Item: fmt.Sprint(id), Action: "changed", Said: said, Before: before, After: v}, err
	})
}
