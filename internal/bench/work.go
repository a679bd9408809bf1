package bench

import (
	"context"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/holding"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/reckon"
	"freshshard/core/timer"
	"freshshard/core/working"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Settle is a material that somebody settles on. Seen is the id of the choice
// that the person saw as settled, 0 for none.
type Settle struct {
	Material  string  `json:"material"`
	Thickness float64 `json:"thickness"`
	Reason    string  `json:"reason,omitempty" maxLength:"1000" doc:"Needed when a gate is closed for the material"`
	Seen      int64   `json:"seen,omitempty"`
	All       bool    `json:"all,omitempty" doc:"On all panes that are held and done alike and want one, or on none"`
}

// Choose settles material and thickness. A material that a gate rules out
// wants a reason in words, which stays on the record.
func (s *Service) Choose(ctx context.Context, by record.Account, at jobview.Bench, in Settle) error {
	m, err := pane.Book.ByID(in.Material)
	if err != nil {
		return err
	}
	if in.Reason, err = typed.Text("reason", in.Reason, 1000, false); err != nil {
		return err
	}
	if !in.All {
		return s.Pane(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
			return settle(s, e, p, m, in)
		})
	}
	return s.All(ctx, by, at.Job, func(e *change.Edit) (store.Change, error) {
		p, err := jobview.Find(e.Job, at)
		if err != nil {
			return store.Change{}, err
		}
		c, err := settle(s, e, p, m, in)
		if err != nil || c.Action == "" {
			return c, err
		}
		n, err := alike(ctx, s, e, p, LikeThis{Choice: true})
		c.Said = fmt.Sprintf("%s, on %d panes", c.Said, n+1)
		return c, err
	})
}

// settle settles a material on one pane.
func settle(s *Service, e *change.Edit, p *record.Pane, m pane.Material, in Settle) (store.Change, error) {
	if err := mayChoose(e.Job, p, m, in); err != nil {
		return store.Change{}, err
	}
	was := p.Choice
	if was != nil && was.Material == in.Material && was.Thickness == in.Thickness && in.Reason == "" {
		return store.Change{}, nil
	}
	if was != nil && was.ID != in.Seen {
		return store.Change{},
			&record.Conflict{Field: "material", Says: fmt.Sprintf("%s chose %s mm %s %s. Yours is not kept yet.",
				was.By, working.Num(was.Thickness, 1), was.Material, s.Ago(was.At))}
	}
	reason, err := whyChosen(e.Job, p, in)
	if err != nil {
		return store.Change{}, err
	}
	c := record.Choice{Material: in.Material, Thickness: in.Thickness, Reason: reason, At: e.Now}
	if in.Reason != "" && e.By.Role == record.Owner {
		s.takeGates(e, p, c, in.Reason)
	}
	e.Choose(p, c)
	f := s.Follower(e, p)
	f.afterChoice()
	return f.With(store.Change{Noun: "choice", Item: in.Material, Action: "settled",
		Said: fmt.Sprintf("chose %s mm %s", working.Num(in.Thickness, 1), m.Short), Before: was, After: c}), nil
}

// mayChoose refuses a material that is not put in here, and a thickness that it does not have.
func mayChoose(j *record.Job, p *record.Pane, m pane.Material, in Settle) error {
	if other := p.Road.ID == "other"; m.Other != other || other && p.Road.How != "" && m.ID != p.Road.How {
		return fault.New("material", m.Short+" is not what is to be put in here",
			"choose one of the list, or change what is to be done")
	}
	if !slices.Contains(sold(j, p, m), in.Thickness) {
		return fault.New("thickness", fmt.Sprintf("%s does not come in %s mm", m.Short, working.Num(in.Thickness, 2)),
			"choose one of its thicknesses")
	}
	return nil
}

// chosenStep is the step that settling does; its tick asks nothing more.
const chosenStep = "choose"

// whyChosen is the reason that stays on the record: the person's, or the one
// that speaks for the material. It is judged under the job's lock: a gate may
// have closed since the person looked.
func whyChosen(j *record.Job, p *record.Pane, in Settle) (string, error) {
	k := jobview.Known(j, p, length.MM)
	r, err := reckon.Numbers(k)
	if err != nil {
		return "", err
	}
	reason := in.Reason
	for _, c := range r.Choice.Closed {
		if c.Material != in.Material {
			continue
		}
		if reason == "" {
			return "", fault.New("reason", c.Sentence, "choose another, or say in words why you take this one")
		}
		if err := prove.Words("reason", reason); err != nil {
			return "", err
		}
		reason += " (against: " + c.Sentence + ")"
	}
	if reason == "" {
		for _, o := range r.Choice.Open {
			if o.Material == in.Material {
				reason = o.Sentence
			}
		}
	}
	return reason, nil
}

// Weigh is the choice for a pane with weights that somebody tries.
func (s *Service) Weigh(ctx context.Context, at jobview.Bench, weights map[string]float64) (pane.Choice, error) {
	j, err := s.Store.Jobs.Job(ctx, at.Job)
	if err != nil {
		return pane.Choice{}, err
	}
	p, err := jobview.Find(&j, at)
	if err != nil {
		return pane.Choice{}, err
	}
	k := jobview.Known(&j, p, length.MM)
	k.Weights = weights
	r, err := reckon.Pane(k)
	return r.Choice, err
}

// Why are the numbers behind one bar of Choose: what a material stands of one thing that the
// place asks, in the unit of whoever looks.
func (s *Service) Why(ctx context.Context, at jobview.Bench, aspect, material string) ([]working.Figure, error) {
	j, err := s.Store.Jobs.Job(ctx, at.Job)
	if err != nil {
		return nil, err
	}
	p, err := jobview.Find(&j, at)
	if err != nil {
		return nil, err
	}
	unit, err := s.Store.Shops.UnitFor(ctx, at.Job, at.By)
	if err != nil {
		return nil, err
	}
	k := jobview.Known(&j, p, unit)
	r, err := reckon.Numbers(k)
	if err != nil {
		return nil, err
	}
	figures, err := r.Choice.Why(aspect, material)
	return reckon.Present(figures, unit), err
}

// sold are the thicknesses in which a material may be ordered for a pane.
func sold(j *record.Job, p *record.Pane, m pane.Material) []float64 {
	b := jobview.PaneOf(j, p, length.MM, nil, jobview.Numbers)
	return m.Sold(holding.Of(b.Reckoning.Family.Sizing).Tube(), b.Reckoning.Read)
}

// Done is how a step ended: done, left out with a reason, or open again. Seen
// is the version of the tick that the person saw, 0 for an open step.
type Done struct {
	Outcome string `json:"outcome" enum:"done,left-out,open"`
	Reason  string `json:"reason,omitempty" maxLength:"500"`
	Seen    int    `json:"seen,omitempty"`
	Dries   bool   `json:"dries,omitempty" doc:"Something was painted that has to dry: its clock begins"`
}

// Tick says how a step ended. Doing it twice is as good as once.
func (s *Service) Tick(ctx context.Context, by record.Account, at jobview.Bench, step string, in Done) error {
	reason, err := typed.Text("reason", in.Reason, 500, in.Outcome == "left-out")
	if err != nil {
		return err
	}
	if in.Outcome != "done" && in.Outcome != "left-out" && in.Outcome != "open" {
		return fault.New("outcome", "a step is done, left out or open", "choose one of the three")
	}
	return s.Note(ctx, by, at, func(e *change.Edit, here *record.Pane) (store.Change, error) {
		b := jobview.PaneOf(e.Job, here, length.MM, nil, jobview.Numbers)
		st, err := b.Step(step)
		if err != nil {
			return store.Change{}, err
		}
		if family.LineOf(step) != "" {
			return rebuild{s, e}.tick(st, in)
		}
		steps, _ := jobview.OnceOf(e.Job, here)
		ticked := func(q *record.Pane) bool { return jobview.TickOf(q, step) != nil }
		p := jobview.Holder(e.Job, here, ticked, steps, step)
		last := record.Tick{Outcome: "open"}
		if k := jobview.TickOf(p, step); k != nil {
			last = *k
		}
		if last.Outcome == in.Outcome && last.Reason == reason {
			return store.Change{}, nil // a retry, or two who did the same
		}
		if last.Version != in.Seen {
			return store.Change{}, tickConflict(last, step, s.Ago(last.At))
		}
		if err := s.mayTick(e, b, st, in.Outcome, reason); err != nil {
			return store.Change{}, err
		}
		c := store.Change{Noun: "step", Item: step, Action: in.Outcome, Said: st.Title + ": " + in.Outcome, After: in}
		if in.Outcome == "open" {
			e.Untick(p, step)
			return opened(s, e, here, b, st, last, c), nil
		}
		e.Tick(p, record.Tick{Step: step, Outcome: in.Outcome, Reason: reason, Version: last.Version + 1, At: e.Now})
		return ended(s, e, here, b, st, in, c)
	})
}

// dries begins the clock of what was painted at a step: the next thing that loads the paint waits
// for it.
func dries(e *change.Edit, p *record.Pane, b jobview.Pane, st plan.Step) error {
	if st.Dries == "" {
		return fault.New("dries", "nothing is painted at this step", "say that it is done")
	}
	open := []string{}
	for _, o := range b.Reckoning.Plan.Steps {
		if !b.Done[o.Key] {
			open = append(open, o.Key)
		}
	}
	run, err := timer.Start(timer.Run{Usual: st.Dries, Gates: timer.At(st.Dries, open)}, 0, e.Now)
	if err == nil {
		e.Begin(p, run)
	}
	return err
}

// mayTick refuses what cannot be done yet, or left out without a reason that holds.
func (s *Service) mayTick(e *change.Edit, b jobview.Pane, st plan.Step, outcome, reason string) error {
	switch outcome {
	case "done":
		if w := s.WaitOf(e.Job, b, st); w != nil {
			return fault.New("outcome", "not yet: "+w.Why, jobview.UntilSaid(w))
		}
	case "left-out":
		if err := st.Leave(reason, e.By.Role == record.Owner); err != nil {
			return err
		}
		if !slices.Contains(st.May, reason) {
			return prove.Words("reason", reason)
		}
	}
	return nil
}

// tickConflict is what somebody gets whose step somebody else ended, so long ago.
func tickConflict(last record.Tick, step, ago string) error {
	switch last.Outcome {
	case "open":
		return &record.Conflict{Field: step, Says: "Somebody opened this step again. Yours is not kept yet."}
	case "left-out":
		return &record.Conflict{Field: step, Says: fmt.Sprintf("%s left this step out %s: %s. Yours is not kept yet.",
			last.By, ago, last.Reason)}
	}
	return &record.Conflict{Field: step, Says: fmt.Sprintf("%s ticked this step %s. Yours is not kept yet.", last.By, ago)}
}

// Checked is an answer to a check. Seen is the version of the answer that the
// person saw, 0 for an open check.
type Checked struct {
	prove.Answer
	Read []string `json:"read,omitempty" maxItems:"8" doc:"As typed, a length where wanted; several: gaps round the pane"`
	Seen int      `json:"seen,omitempty"`
}

// typed takes what was typed for the number that a check wants, in the unit of
// whoever typed it; errors name read[n].
func (in Checked) typed(c prove.Check, unit length.Unit) (prove.Answer, error) {
	a := in.Answer
	if len(in.Read) == 0 || c.Limit == nil {
		return a, nil
	}
	got := make([]float64, len(in.Read))
	for i, text := range in.Read {
		field := fmt.Sprintf("read[%d]", i)
		if c.Unit == "mm" {
			r, err := typed.Length(field, text, unit, length.Rule)
			if err != nil {
				return a, err
			}
			got[i] = r.Value
			continue
		}
		v, err := strconv.ParseFloat(strings.Replace(strings.TrimSpace(text), ",", ".", 1), 64)
		if err != nil {
			return a, fault.New(field, "a number is expected", "type what was read, in "+c.Unit)
		}
		got[i] = v
	}
	if len(got) == 1 {
		a.Value = &got[0]
	} else {
		a.Gaps = got
	}
	return a, nil
}

// Answer keeps the answer to a check.
func (s *Service) Answer(ctx context.Context, by record.Account, at jobview.Bench, check string, in Checked) error {
	var err error
	if in.Finding, err = typed.Text("finding", in.Finding, 500, false); err != nil {
		return err
	}
	unit, err := s.Store.Shops.UnitFor(ctx, at.Job, by.ID)
	if err != nil {
		return err
	}
	return s.Note(ctx, by, at, func(e *change.Edit, here *record.Pane) (store.Change, error) {
		p := jobview.CheckedOn(e.Job, here, check)
		now, last, err := jobview.CheckNow(e.Job, p, check)
		if err != nil {
			return store.Change{}, err
		}
		said, err := in.typed(now, unit)
		if err != nil {
			return store.Change{}, err
		}
		taken, err := now.Take(said)
		if err != nil {
			return store.Change{}, err
		}
		if err := s.mayAnswer(e, here, now, in.Outcome); err != nil {
			return store.Change{}, err
		}
		a := record.Answer{Check: check, Answer: prove.Answer{Outcome: taken.Outcome, Value: taken.Value,
			Gaps: taken.Gaps, Finding: taken.Finding}, Version: 1, At: e.Now}
		if last != nil {
			if sameAnswer(last.Answer, a.Answer) {
				return store.Change{}, nil // a retry, or two who saw the same
			}
			a.Version = last.Version + 1
		}
		if a.Version != in.Seen+1 {
			return store.Change{}, s.answerConflict(last, check)
		}
		if err := keepTrial(e, p, last, ""); err != nil {
			return store.Change{}, err
		}
		c := store.Change{Noun: "check", Item: check, Action: string(a.Answer.Outcome),
			Said: now.Text + ": " + string(a.Answer.Outcome), Before: last, After: a.Answer}
		if e.Answer(p, a); now.Does == "" {
			return c, nil
		}
		f := s.Follower(e, here)
		f.afterCheck(check, a.Answer.Outcome)
		return f.With(c), nil
	})
}

// mayAnswer refuses an answer to what cannot be tried yet. What fails is said at once.
func (s *Service) mayAnswer(e *change.Edit, p *record.Pane, c prove.Check, outcome prove.Outcome) error {
	if outcome == prove.Skip || len(c.After) == 0 && len(p.Timers)+len(p.Cures) == 0 && c.Does == "" {
		return nil
	}
	b := jobview.PaneOf(e.Job, p, length.MM, nil, jobview.Numbers)
	w := s.CheckWaits(e.Job, b, c)
	if w == nil && outcome == prove.Pass {
		if w = b.Standing.CheckWait(c.Key, e.Now); w == nil {
			w = s.doesWait(e.Job, b, c)
		}
	}
	if w != nil {
		return fault.New("outcome", "not yet: "+w.Why, jobview.UntilSaid(w))
	}
	return nil
}

// keepTrial puts an answer that failed on the record before another one takes
// its place.
func keepTrial(e *change.Edit, p *record.Pane, last *record.Answer, changed string) error {
	if last == nil || last.Answer.Outcome != prove.Fail {
		return nil
	}
	if len(p.Trials) >= MostOfPane {
		return fault.New("outcome", "this was tried as often as anybody tries", "look for another cause")
	}
	e.Tried(p, record.Trial{Check: last.Check, Value: last.Answer.Value, Finding: last.Answer.Finding,
		Changed: changed, Author: last.By, At: last.At})
	return nil
}

func sameAnswer(a, b prove.Answer) bool {
	return a.Outcome == b.Outcome && a.Finding == b.Finding && (a.Value == nil) == (b.Value == nil) &&
		(a.Value == nil || *a.Value == *b.Value) &&
		slices.Equal(a.Gaps, b.Gaps)
}

func (s *Service) answerConflict(last *record.Answer, check string) error {
	if last == nil {
		return &record.Conflict{Field: check, Says: "Somebody took the answer here back. Yours is not kept yet."}
	}
	return &record.Conflict{Field: check, Says: fmt.Sprintf("%s answered %q here %s. Yours is not kept yet.", last.By,
		last.Answer.Outcome, s.Ago(last.At))}
}

// Reopen takes the answer of a check back. seen is the version that the person
// saw; a check that is open already is as wanted. changed is what was changed
// after it failed, before it is tried again.
func (s *Service) Reopen(ctx context.Context, by record.Account, at jobview.Bench, check string, seen int,
	changed string) error {
	changed, err := typed.Text("changed", changed, 200, false)
	if err != nil {
		return err
	}
	return s.Note(ctx, by, at, func(e *change.Edit, here *record.Pane) (store.Change, error) {
		p := jobview.CheckedOn(e.Job, here, check)
		now, last, err := jobview.CheckNow(e.Job, p, check)
		if err != nil || last == nil {
			return store.Change{}, err
		}
		if last.Version != seen {
			return store.Change{}, s.answerConflict(last, check)
		}
		if err := keepTrial(e, p, last, changed); err != nil {
			return store.Change{}, err
		}
		said := now.Text + ": open again"
		if changed != "" {
			said += ", changed: " + changed
		}
		c := store.Change{Noun: "check", Item: check, Action: "open", Said: said, Before: last}
		if e.Unanswer(p, check); now.Does == "" || last.Answer.Outcome == prove.Fail {
			return c, nil
		}
		f := s.Follower(e, here)
		f.afterUnproved(now.Does, last.At)
		return f.With(c), nil
	})
}

// MostOfPane is more than a pane has places, steps or checks.
const MostOfPane = 200
