package hold

import (
	"context"
	"fmt"
	"slices"
	"time"

	"freshshard/core/fault"
	"freshshard/core/timer"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

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
func (s *Timers) StartTimer(ctx context.Context, by record.Account, key string, at jobview.Bench,
	in StartedTimer) error {
	what, err := typed.Text("what", in.What, 120, false)
	if err != nil {
		return err
	}
	request := struct {
		At jobview.Bench
		In StartedTimer
	}{jobview.Bench{Job: at.Job, Pane: at.Pane}, in}
	_, err = s.CreateBehind(ctx, by, key, "timer", request, s.LockOpen(ctx, at.Job), func(t *store.Tx) (int64, error) {
		j, err := t.Jobs.Job(ctx, at.Job)
		if err != nil {
			return 0, err
		}
		p, err := jobview.Find(&j, at)
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
		id, err := t.Cures.AddTimer(ctx, record.Timer{Pane: p.ID, Run: run}, by.ID, s.Now())
		if err != nil {
			return 0, err
		}
		if err := t.Jobs.TouchJob(ctx, at.Job); err != nil {
			return 0, err
		}
		return id, t.Trail.Audit(ctx, store.Change{Job: at.Job, Account: by.ID, At: s.Now(), Noun: "timer",
			Item:   fmt.Sprint(id),
			Action: "started", Said: "clock started: " + run.What, After: run})
	})
	return err
}

// gateOf refuses a clock at a step or check that the pane does not have, or that is done.
func gateOf(j *record.Job, p *record.Pane, r timer.Run) error {
	if r.Gates == "" {
		return nil
	}
	b := jobview.PaneOf(j, p, "mm", nil, jobview.Numbers)
	if r.Check {
		i := slices.IndexFunc(b.Checks, func(c jobview.CheckView) bool { return c.Key == r.Gates })
		if i < 0 {
			return fault.New("gates", "this pane has no such check", "choose one of its own")
		}
		if b.Checks[i].Outcome != "" {
			return fault.New("gates", "this check is answered already", "take its answer back first")
		}
		return nil
	}
	if _, err := b.Step(r.Gates); err != nil {
		return fault.New("gates", "this pane has no such step", "choose one of its own")
	}
	if b.Done[r.Gates] {
		return fault.New("gates", "this step is ticked already", "open it again first")
	}
	return nil
}

// NextTimer begins the next part of a clock that is out.
func (s *Timers) NextTimer(ctx context.Context, by record.Account, at jobview.Bench, id int64, version int) error {
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
		found, err := t.Cures.SetTimer(ctx, *v)
		if err == nil && !found {
			err = change.Stale("this clock")
		}
		return "begun: " + v.What, err
	})
}

// DropTimer takes a clock out: it was started by mistake, or is not needed.
func (s *Timers) DropTimer(ctx context.Context, by record.Account, at jobview.Bench, id int64, version int) error {
	return s.timerChange(ctx, by, at, id, version, func(t *store.Tx, v *record.Timer) (string, error) {
		return "clock taken out: " + v.What, t.Cures.DropTimer(ctx, v.Pane, v.ID)
	})
}

func (s *Timers) timerChange(ctx context.Context, by record.Account, at jobview.Bench, id int64, version int,
	f func(*store.Tx, *record.Timer) (string, error)) error {
	return s.NotePane(ctx, by, at, func(t *store.Tx, _ *record.Job, p *record.Pane) (store.Change, error) {
		v, err := seenClock(p.Timers, func(v record.Timer) (int64, int) { return v.ID, v.Version }, id, version)
		if err != nil {
			return store.Change{}, err
		}
		before := v
		said, err := f(t, &v)
		return store.Change{Noun: "timer", Item: fmt.Sprint(id), Action: "changed", Said: said, Before: before, After: v}, err
	})
}
