package days

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"time"

	"freshshard/core/fault"
	"freshshard/core/schedule"
	"freshshard/internal/change"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Bounds of the plan of days.
const (
	daysAhead = 60
	dayRuns   = 200
)

// keptPlan is a plan of days as it is kept: by the moments of the clock.
type keptPlan struct {
	From time.Time     `json:"from"`
	Plan schedule.Plan `json:"plan"`
}

// daysPlan is a plan with all that it was made from.
type daysPlan struct {
	w       *dayWork
	plan    schedule.Plan
	odds    []schedule.Odds
	moves   []schedule.Moved
	left    []DayLeft
	loose   []DayLeft
	version int  // of the plan that it was held against; 0 for none
	is      bool // it is better than the days that stand
	verify  func(schedule.Problem, schedule.Plan) []schedule.Broken
}

// laid gathers what is open and lays it out: calmly beside the plan that was taken, with
// what would be otherwise.
func (s *Service) laid(ctx context.Context, what WhatIf) (*daysPlan, error) {
	w, left, err := s.gathered(ctx, what, s.Now().Truncate(time.Minute))
	l := &daysPlan{w: w, left: left, loose: []DayLeft{}, plan: schedule.Plan{Steps: []schedule.Done{}}, verify: s.Verify}
	if err != nil {
		return l, err
	}
	before := schedule.Plan{}
	if before, l.version, err = s.lastPlan(ctx, w); err != nil {
		return l, err
	}
	return l, l.solve(ctx, before)
}

// solve plans, and holds the plan against what can be worked. A job without which it could be
// is left out and named: one record takes no page from everybody.
func (l *daysPlan) solve(ctx context.Context, before schedule.Plan) error {
	for len(l.w.p.Jobs) > 0 {
		err := l.search(ctx, before)
		if err != nil || l.w.what.stands != nil && !l.is {
			return err
		}
		broken := l.verify(l.w.p, l.plan)
		if len(broken) == 0 {
			l.odds, err = schedule.Play(ctx, l.w.p, l.plan, l.w.slips, dayRuns, 1)
			return err
		}
		if !l.leaveOut(broken) {
			return &record.Broken{What: "The days made a plan that cannot be worked", Why: fmt.Sprint(broken)}
		}
	}
	l.plan, l.odds, l.moves = schedule.Plan{Steps: []schedule.Done{}}, nil, nil
	return nil
}

// leaveOut takes the jobs out of the problem at which a plan is broken, and says so; false
// where it is broken at none.
func (l *daysPlan) leaveOut(broken []schedule.Broken) bool {
	w, n := l.w, len(l.w.p.Jobs)
	for i := n - 1; i >= 0; i-- {
		k := slices.IndexFunc(broken, func(b schedule.Broken) bool { return b.Job == w.p.Jobs[i].ID })
		if k < 0 {
			continue
		}
		l.left = append(l.left, DayLeft{w.jobs[i].ID, w.jobs[i].Object,
			"it has no place in the days: " + broken[k].Why + ". Look at its promise and at what it waits for"})
		for _, s := range w.p.Jobs[i].Steps {
			delete(w.steps, s.ID)
		}
		w.p.Jobs, w.jobs = slices.Delete(w.p.Jobs, i, i+1), slices.Delete(w.jobs, i, i+1)
	}
	w.slips = slices.DeleteFunc(w.slips, func(s schedule.Slip) bool { _, ok := w.steps[s.Step]; return !ok })
	return len(w.p.Jobs) < n
}

// search plans: calmly beside a plan, for as long as it may where there is none, or for
// something better than what stands. Pins that cannot hold are loosened, the youngest
// first, and said.
func (l *daysPlan) search(ctx context.Context, before schedule.Plan) error {
	w := l.w
	for {
		if one, other, err := schedule.Quarrel(w.p); one != "" {
			if w.pins[one].set > w.pins[other].set {
				other = one
			}
			l.loosen(other, fault.Of(err).Why)
			continue
		} else if err != nil {
			return err
		}
		var err error
		l.moves = nil
		switch stands := w.what.stands; {
		case stands != nil:
			var got schedule.Standing
			got, l.is, err = schedule.Anew(ctx, w.p, schedule.Standing{Plan: stands.plan, Odds: stands.odds}, w.slips,
				dayRuns, schedule.Options{})
			if !l.is || err != nil {
				return err
			}
			l.plan = got.Plan
		case len(before.Steps) == 0:
			l.plan, err = schedule.Solve(ctx, w.p, schedule.Options{})
		default:
			l.plan, l.moves, err = schedule.Replan(ctx, w.p, before, schedule.Options{})
		}
		if err != nil {
			return err
		}
		i := slices.IndexFunc(l.plan.Left, func(k schedule.Left) bool { return w.pinOf(k.Step) != nil })
		if i < 0 {
			return nil
		}
		l.loosen(l.plan.Left[i].Step, l.plan.Left[i].Why)
	}
}

func (l *daysPlan) loosen(step, why string) {
	of := l.w.steps[step]
	l.loose = append(l.loose, DayLeft{of.job, of.object, of.title + ": " + why})
	*l.w.pinOf(step) = nil
}

// pinOf is where a step's pin is; nil for one that has none.
func (w *dayWork) pinOf(step string) **schedule.Pin {
	for i := range w.p.Jobs {
		for k := range w.p.Jobs[i].Steps {
			if s := &w.p.Jobs[i].Steps[k]; s.ID == step && s.Pin != nil {
				return &s.Pin
			}
		}
	}
	return nil
}

// kept is the plan as it is kept.
func (l *daysPlan) kept() ([]byte, error) {
	return json.Marshal(keptPlan{From: l.w.now, Plan: schedule.Plan{Steps: l.plan.Steps}})
}

// keep writes the plan; it conflicts where somebody wrote another since this one was held
// against it.
func (l *daysPlan) keep(ctx context.Context, t *store.Tx, by record.Account, at time.Time) error {
	doc, err := l.kept()
	if err != nil {
		return err
	}
	found := false
	if l.version == 0 {
		found, err = t.Days.FirstDayPlan(ctx, doc, by.ID, at)
	} else {
		found, err = t.Days.SetDayPlan(ctx, doc, by.ID, at, l.version)
	}
	if err == nil && !found {
		err = change.Stale("the days")
	}
	return err
}

// lastPlan is the plan that was last taken, in the minutes of this one, and its version.
func (s *Service) lastPlan(ctx context.Context, w *dayWork) (schedule.Plan, int, error) {
	doc, version, err := s.Store.Days.DayPlan(ctx)
	if err != nil || doc == nil {
		return schedule.Plan{}, 0, err
	}
	var k keptPlan
	if err := json.Unmarshal(doc, &k); err != nil {
		return schedule.Plan{}, 0, err
	}
	shift := w.minute(k.From)
	out := schedule.Plan{}
	for _, d := range k.Plan.Steps {
		// What should have begun goes on now, in the same hands.
		d.At, d.To = max(0, d.At+shift), max(0, d.To+shift)
		if _, open := w.steps[d.Step]; open {
			out.Steps = append(out.Steps, d)
		}
	}
	return out, version, nil
}
