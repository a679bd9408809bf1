package bench

import (
	"slices"
	"time"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/setting"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// One answer often answers more: the last reading does the step of measuring, a step passes its
// check. Those are noted with it, under the same name and in the same write.

// follower notes what follows from an answer on a pane.
type follower struct {
	s *Service
	e *change.Edit
	p *record.Pane
	b jobview.Pane
	// said is what went with it.
	said []string
}

// Follower looks at a pane with what was just said of it.
func (s *Service) Follower(e *change.Edit, p *record.Pane) *follower {
	f := &follower{s: s, e: e, p: p}
	f.reckon()
	return f
}

func (f *follower) reckon() { f.b = jobview.PaneOf(f.e.Job, f.p, length.MM, nil, jobview.Numbers) }

// opened is what follows from a step that is opened again.
func opened(s *Service, e *change.Edit, p *record.Pane, b jobview.Pane, st plan.Step, last record.Tick,
	c store.Change) store.Change {
	if st.Dries != "" { // it began with this
		e.Drop(p, func(v record.Timer) bool { return v.Usual == st.Dries })
	}
	if !leadsBack(b, st) {
		return c
	}
	f := s.Follower(e, p)
	f.afterOpened(b, st.Key, last.At)
	return f.With(c)
}

// ended is what follows from a step that is done or left out.
func ended(s *Service, e *change.Edit, p *record.Pane, b jobview.Pane, st plan.Step, in Done,
	c store.Change) (store.Change, error) {
	if in.Dries {
		if err := dries(e, p, b, st); err != nil {
			return store.Change{}, err
		}
	}
	if !leads(b, st.Key) {
		return c, nil
	}
	f := s.Follower(e, p)
	f.afterStep(st.Key, in.Outcome == "done")
	return f.With(c), nil
}

// leads says whether anything can follow from a step.
func leads(b jobview.Pane, step string) bool {
	return slices.ContainsFunc(b.Checks, func(c jobview.CheckView) bool { return c.ShownBy == step }) ||
		slices.ContainsFunc(b.Reckoning.Plan.Steps, func(st plan.Step) bool { return st.Itself && !b.Done[st.Key] })
}

// leadsBack says whether anything is taken back with a step.
func leadsBack(b jobview.Pane, step plan.Step) bool {
	return step.Lasts() || slices.ContainsFunc(b.Checks,
		func(c jobview.CheckView) bool { return c.ShownBy == step.Key && c.Outcome == prove.Pass }) ||
		slices.ContainsFunc(b.Reckoning.Plan.Steps, func(st plan.Step) bool { return st.Itself && b.Done[st.Key] })
}

// tick does a step, unless it is done, waits, or the plan has none.
func (f *follower) tick(step string) {
	st, err := f.b.Step(step)
	if step == "" || err != nil || f.b.Done[step] || f.s.WaitOf(f.e.Job, f.b, st) != nil {
		return
	}
	f.set(st, record.Tick{Step: step, Outcome: "done", Version: 1, At: f.e.Now})
}

func (f *follower) set(st plan.Step, k record.Tick) {
	f.e.Tick(f.p, k)
	f.said = append(f.said, st.Title+": "+k.Outcome)
	f.reckon()
}

// untick takes a tick back.
func (f *follower) untick(st plan.Step) {
	if id := family.LineOf(st.Key); id != "" {
		f.e.PutBack(id, 0)
	} else {
		f.e.Untick(jobview.TickedOn(f.e.Job, f.p, st.Key), st.Key)
	}
	f.said = append(f.said, st.Title+": open again")
	f.reckon()
}

// AfterTakenBack opens the step of measuring again where what it needs is not read any more.
func (f *follower) AfterTakenBack() {
	st, err := f.b.Step(MeasureStep)
	if k := jobview.TickOf(&f.b.Pane, MeasureStep); err != nil || k == nil || k.Outcome != "done" ||
		f.b.Reckoning.Plan.Wait(st, f.b.Standing, f.e.Now) == nil {
		return
	}
	f.untick(st)
}

// afterUncounted opens the step of tightening again: a screw of it is not counted any more.
func (f *follower) afterUncounted() {
	for i := len(f.b.Reckoning.Plan.Steps) - 1; i >= 0; i-- {
		st := f.b.Reckoning.Plan.Steps[i]
		if k := jobview.TickOf(&f.b.Pane, st.Key); st.Screws && k != nil && k.Outcome == "done" {
			f.untick(st)
			f.notYet()
			return
		}
	}
}

// afterOpened takes back the checks that a step passed when it was done. What somebody had answered
// before stays.
func (f *follower) afterOpened(was jobview.Pane, step string, done time.Time) {
	for _, c := range f.b.Checks {
		if c.ShownBy != step || c.Outcome != prove.Pass || c.At == nil || c.At.Before(done) {
			continue
		}
		f.unanswer(c.Key)
	}
	f.falls(was)
	f.notYet()
}

// unanswer takes the answer of a check back.
func (f *follower) unanswer(check string) {
	for _, c := range f.b.Checks {
		if c.Key == check {
			f.e.Unanswer(jobview.CheckedOn(f.e.Job, f.p, check), check)
			f.said = append(f.said, c.Text+": open again")
		}
	}
}

// falls opens again what stood on a step that is open again: a pane that goes back is not in its
// seat, and nothing that was proved of it holds. What did not stand before stays as it is.
func (f *follower) falls(was jobview.Pane) {
	fell := f.b.FellSince(was)
	for _, st := range fell.Steps {
		f.untick(st)
	}
	for _, key := range fell.Checks {
		f.unanswer(key)
	}
	if fell.Out {
		f.e.DropCures(f.p)
	}
}

// afterUnproved opens the step again that a proof did. One that was ticked before stays.
func (f *follower) afterUnproved(does string, proved time.Time) {
	st, err := f.b.Step(does)
	if k := jobview.TickOf(&f.b.Pane, does); err != nil || k == nil || k.At.Before(proved) {
		return
	}
	f.untick(st)
}

// notYet takes the ticks of such steps back where a step before them is open again.
func (f *follower) notYet() {
	open := false
	for _, st := range f.b.Reckoning.Plan.Steps {
		if k := jobview.TickOf(&f.b.Pane, st.Key); k == nil {
			open = true
		} else if open && st.Itself && k.Outcome == "done" {
			f.untick(st)
		}
	}
}

// AfterReading does the step of measuring as soon as all is read that is asked for, nothing
// is odd, and nothing stops there.
func (f *follower) AfterReading() {
	open := slices.ContainsFunc(f.b.Stops, func(k prove.Stop) bool { return k.Taken == nil && k.Station == "measure" })
	if open || len(f.b.Reckoning.Fit.Odd) > 0 {
		return
	}
	st, err := f.b.Step(MeasureStep)
	if err != nil || !st.Hold {
		return
	}
	f.tick(st.Key)
}

// afterChoice does the step of choosing as soon as something is settled.
func (f *follower) afterChoice() {
	if f.p.Choice == nil {
		return
	}
	f.tick(chosenStep)
}

// MeasureStep is the step that the last reading does.
const MeasureStep = "measure"

// afterScrews does the step of tightening as soon as every screw had its last pass.
func (f *follower) afterScrews() {
	n := jobview.ScrewsOf(*f.p, f.b.Reckoning.Family) * len(setting.Passes)
	if n == 0 || f.p.Counted < n {
		return
	}
	for _, st := range f.b.Reckoning.Plan.Steps {
		if st.Screws && !f.b.Done[st.Key] {
			f.tick(st.Key)
		}
	}
}

// afterStep passes the checks that a step answers, and does the steps that ask for nothing.
func (f *follower) afterStep(step string, done bool) {
	for _, c := range f.b.Checks {
		if !done || c.ShownBy != step || c.Outcome != prove.Open || c.Unit != "" || c.Waits != "" {
			continue
		}
		a := record.Answer{Check: c.Key, Answer: prove.Answer{Outcome: prove.Pass}, Version: c.Version + 1, At: f.e.Now}
		f.e.Answer(f.p, a)
		f.said = append(f.said, c.Text+": "+string(prove.Pass))
	}
	f.tickIdle()
}

// afterCheck does the step that a check proves, or leaves it out in the case in which both
// may be.
func (f *follower) afterCheck(check string, outcome prove.Outcome) {
	i := slices.IndexFunc(f.b.Checks, func(c jobview.CheckView) bool { return c.Key == check })
	if i < 0 {
		return
	}
	c := f.b.Checks[i]
	st, err := f.b.Step(c.Does)
	switch {
	case c.Does == "" || err != nil:
		return
	case outcome == prove.Pass:
		f.tick(c.Does)
	case outcome == prove.Skip && c.May != "" && !f.b.Done[c.Does] && st.Leave(c.May, false) == nil:
		k := record.Tick{Step: c.Does, Outcome: "left-out", Reason: c.May, Version: 1, At: f.e.Now}
		f.set(st, k)
	}
	f.tickIdle()
}

// tickIdle ticks the steps at which nothing is to be done, as soon as all steps before them are.
func (f *follower) tickIdle() {
	for _, st := range f.b.Reckoning.Plan.Steps {
		if f.b.Done[st.Key] {
			continue
		}
		if !st.Itself {
			return
		}
		f.tick(st.Key)
	}
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
func (f *follower) With(c store.Change) store.Change {
	for _, said := range f.said {
		c.Said += "; " + said
	}
	return c
}
