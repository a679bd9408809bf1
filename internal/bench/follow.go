package bench

import (
	"context"
	"slices"
	"time"

	"freshshard/core/length"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/setting"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Nobody says twice what was done once: what was just said answers some steps and checks
// with it, under the same name and in the same write.

// follower is the pane on which something was just said, read again.
type follower struct {
	s  *Service
	t  *store.Tx
	by record.Account
	j  record.Job
	p  *record.Pane
	b  jobview.Pane
	// said is what went with it.
	said []string
}

func (s *Service) Follower(ctx context.Context, t *store.Tx, by record.Account, job, pane int64) (*follower, error) {
	f := &follower{s: s, t: t, by: by}
	return f, f.look(ctx, job, pane)
}

func (f *follower) look(ctx context.Context, job, pane int64) error {
	var err error
	if f.j, err = f.t.Jobs.Job(ctx, job); err != nil {
		return err
	}
	if f.p, err = jobview.Find(&f.j, jobview.Bench{Job: job, Pane: pane}); err != nil {
		return err
	}
	f.b = jobview.PaneOf(&f.j, f.p, length.MM, nil, jobview.Numbers)
	return nil
}

// leads says whether anything can follow from a step.
func leads(b jobview.Pane, step string) bool {
	return slices.ContainsFunc(b.Checks, func(c jobview.CheckView) bool { return c.ShownBy == step }) ||
		slices.ContainsFunc(b.Reckoning.Plan.Steps, func(st plan.Step) bool { return st.Itself && !b.Done[st.Key] })
}

// leadsBack says whether anything that a step took with it is taken back with it.
func leadsBack(b jobview.Pane, step string) bool {
	return slices.ContainsFunc(b.Checks,
		func(c jobview.CheckView) bool { return c.ShownBy == step && c.Outcome == prove.Pass }) ||
		slices.ContainsFunc(b.Reckoning.Plan.Steps, func(st plan.Step) bool { return st.Itself && b.Done[st.Key] })
}

// followed lets on one of several panes follow what was said of all.
func (s *Service) followed(ctx context.Context, t *store.Tx, by record.Account, j *record.Job, p *record.Pane,
	f func(*follower) error) error {
	on, err := s.Follower(ctx, t, by, j.ID, p.ID)
	if err != nil {
		return err
	}
	return f(on)
}

// tick does a step, unless it is done, waits, or the plan has none.
func (f *follower) tick(ctx context.Context, step string) error {
	st, err := f.b.Step(step)
	if step == "" || err != nil || f.b.Done[step] || f.s.WaitOf(&f.j, f.b, st) != nil {
		return nil
	}
	return f.set(ctx, st, record.Tick{Step: step, Outcome: "done", Version: 1, At: f.s.Now()})
}

func (f *follower) set(ctx context.Context, st plan.Step, k record.Tick) error {
	if err := f.t.Panes.SetTick(ctx, f.p.ID, k, f.by.ID); err != nil {
		return err
	}
	f.said = append(f.said, st.Title+": "+k.Outcome)
	return f.look(ctx, f.j.ID, f.p.ID)
}

// open takes a tick back.
func (f *follower) open(ctx context.Context, st plan.Step) error {
	steps, _ := jobview.OnceOf(&f.j, f.p)
	on := jobview.Holder(&f.j, f.p, func(q *record.Pane) bool { return jobview.TickOf(q, st.Key) != nil }, steps, st.Key)
	if err := f.t.Panes.ClearTick(ctx, on.ID, st.Key); err != nil {
		return err
	}
	f.said = append(f.said, st.Title+": open again")
	return f.look(ctx, f.j.ID, f.p.ID)
}

// AfterTakenBack opens the step of measuring again where what it needs is not read any more.
func (f *follower) AfterTakenBack(ctx context.Context) error {
	st, err := f.b.Step(MeasureStep)
	if k := jobview.TickOf(&f.b.Pane, MeasureStep); err != nil || k == nil || k.Outcome != "done" ||
		f.b.Reckoning.Plan.Wait(st, f.b.Standing, f.s.Now()) == nil {
		return nil
	}
	return f.open(ctx, st)
}

// afterUncounted opens the step of tightening again: a screw of it is not counted any more.
func (f *follower) afterUncounted(ctx context.Context) error {
	for i := len(f.b.Reckoning.Plan.Steps) - 1; i >= 0; i-- {
		st := f.b.Reckoning.Plan.Steps[i]
		if k := jobview.TickOf(&f.b.Pane, st.Key); st.Screws && k != nil && k.Outcome == "done" {
			if err := f.open(ctx, st); err != nil {
				return err
			}
			return f.notYet(ctx)
		}
	}
	return nil
}

// afterOpened opens the checks again that a step passed, and the steps that ask for nothing.
// What somebody answered before the step was done stays.
func (f *follower) afterOpened(ctx context.Context, step string, done time.Time) error {
	for _, c := range f.b.Checks {
		if c.ShownBy != step || c.Outcome != prove.Pass || c.At == nil || c.At.Before(done) {
			continue
		}
		on := jobview.CheckedOn(&f.j, f.p, c.Key)
		if err := f.t.Panes.ClearAnswer(ctx, on.ID, c.Key); err != nil {
			return err
		}
		f.said = append(f.said, c.Text+": open again")
	}
	return f.notYet(ctx)
}

// afterUnproved opens the step again that a proof did. One that was ticked before stays.
func (f *follower) afterUnproved(ctx context.Context, does string, proved time.Time) error {
	st, err := f.b.Step(does)
	if k := jobview.TickOf(&f.b.Pane, does); err != nil || k == nil || k.At.Before(proved) {
		return nil
	}
	return f.open(ctx, st)
}

// notYet opens the steps again that ask for nothing, where something before them is open.
func (f *follower) notYet(ctx context.Context) error {
	open := false
	for _, st := range f.b.Reckoning.Plan.Steps {
		if k := jobview.TickOf(&f.b.Pane, st.Key); k == nil {
			open = true
		} else if open && st.Itself && k.Outcome == "done" {
			if err := f.open(ctx, st); err != nil {
				return err
			}
		}
	}
	return nil
}

// AfterReading does the step of measuring as soon as all is read that is asked for, nothing
// is odd, and nothing stops there.
func (f *follower) AfterReading(ctx context.Context) error {
	open := slices.ContainsFunc(f.b.Stops, func(k prove.Stop) bool { return k.Taken == nil && k.Station == "measure" })
	if open || len(f.b.Reckoning.Fit.Odd) > 0 {
		return nil
	}
	st, err := f.b.Step(MeasureStep)
	if err != nil || !st.Hold {
		return nil
	}
	return f.tick(ctx, st.Key)
}

// afterChoice does the step of choosing as soon as something is settled.
func (f *follower) afterChoice(ctx context.Context) error {
	if f.p.Choice == nil {
		return nil
	}
	return f.tick(ctx, chosenStep)
}

// MeasureStep is the step that the last reading does.
const MeasureStep = "measure"

// afterScrews does the step of tightening as soon as every screw had its last pass.
func (f *follower) afterScrews(ctx context.Context) error {
	n := jobview.ScrewsOf(*f.p, f.b.Reckoning.Family) * len(setting.Passes)
	if n == 0 || f.p.Counted < n {
		return nil
	}
	for _, st := range f.b.Reckoning.Plan.Steps {
		if st.Screws && !f.b.Done[st.Key] {
			return f.tick(ctx, st.Key)
		}
	}
	return nil
}

// afterStep passes the checks that a step answers, and does the steps that ask for nothing.
func (f *follower) afterStep(ctx context.Context, step string, done bool) error {
	for _, c := range f.b.Checks {
		if !done || c.ShownBy != step || c.Outcome != prove.Open || c.Unit != "" || c.Waits != "" {
			continue
		}
		a := record.Answer{Check: c.Key, Answer: prove.Answer{Outcome: prove.Pass}, Version: c.Version + 1, At: f.s.Now()}
		if err := f.t.Panes.SetAnswer(ctx, f.p.ID, a, f.by.ID); err != nil {
			return err
		}
		f.said = append(f.said, c.Text+": "+string(prove.Pass))
	}
	return f.nothing(ctx)
}

// afterCheck does the step that a check proves, or leaves it out in the case in which both
// may be.
func (f *follower) afterCheck(ctx context.Context, check string, outcome prove.Outcome) error {
	i := slices.IndexFunc(f.b.Checks, func(c jobview.CheckView) bool { return c.Key == check })
	if i < 0 {
		return nil
	}
	c := f.b.Checks[i]
	st, err := f.b.Step(c.Does)
	switch {
	case c.Does == "" || err != nil:
		return nil
	case outcome == prove.Pass:
		if err := f.tick(ctx, c.Does); err != nil {
			return err
		}
	case outcome == prove.Skip && c.May != "" && !f.b.Done[c.Does] && st.Leave(c.May, false) == nil:
		k := record.Tick{Step: c.Does, Outcome: "left-out", Reason: c.May, Version: 1, At: f.s.Now()}
		if err := f.set(ctx, st, k); err != nil {
			return err
		}
	}
	return f.nothing(ctx)
}

// nothing does the steps that ask for nothing, as soon as all before them are done.
func (f *follower) nothing(ctx context.Context) error {
	for _, st := range f.b.Reckoning.Plan.Steps {
		if f.b.Done[st.Key] {
			continue
		}
		if !st.Itself {
			return nil
		}
		if err := f.tick(ctx, st.Key); err != nil {
			return err
		}
	}
	return nil
}

// doesWait is what the step waits for that a check does.
func (s *Service) doesWait(j *record.Job, b jobview.Pane, c prove.Check) *plan.Wait {
	st, err := b.Step(c.Does)
	if c.Does == "" || err != nil || b.Done[c.Does] {
		return nil
	}
	return s.WaitOf(j, b, st)
}

// With adds to what is said of a change what went with it.
func (f *follower) With(c store.Change, err error) (store.Change, error) {
	for _, said := range f.said {
		c.Said += "; " + said
	}
	return c, err
}
