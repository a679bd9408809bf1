package shop

import (
	"context"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/guest"
	"freshshard/core/holding"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/reckon"
	"freshshard/core/road"
	"freshshard/core/working"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Settle is a material that somebody settles on. Seen is the id of the choice
// that the person saw as settled, 0 for none.
type Settle struct {
	Material  string  `json:"material"`
	Thickness float64 `json:"thickness"`
	Reason    string  `json:"reason,omitempty" maxLength:"1000" doc:"Needed when a gate is closed for the material"`
	Seen      int64   `json:"seen,omitempty"`
}

// Choose settles material and thickness. A material that a gate rules out
// wants a reason in words, which stays on the record.
func (s *Shop) Choose(ctx context.Context, by record.Account, at Bench, in Settle) error {
	m, err := pane.ByID(in.Material)
	if err != nil {
		return err
	}
	if in.Reason, err = clean("reason", in.Reason, 1000, false); err != nil {
		return err
	}
	return s.paneChange(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		if other := p.Road.ID == "other"; m.Other != other || other && p.Road.How != "" && m.ID != p.Road.How {
			return store.Change{}, fault.New("material", m.Short+" is not what is to be put in here",
				"choose one of the list, or change what is to be done")
		}
		if !slices.Contains(sold(j, p, m), in.Thickness) {
			return store.Change{},
				fault.New("thickness", fmt.Sprintf("%s does not come in %s mm", m.Short, working.Num(in.Thickness, 2)),
					"choose one of its thicknesses")
		}
		if c := p.Choice; c != nil {
			if c.Material == in.Material && c.Thickness == in.Thickness && in.Reason == "" {
				return store.Change{}, nil
			}
			if c.ID != in.Seen {
				return store.Change{},
					&record.Conflict{Field: "material", Says: fmt.Sprintf("%s settled on %s mm %s %s. Yours is not kept yet.", c.By,
						working.Num(c.Thickness, 1), c.Material, s.ago(c.At))}
			}
		}
		reason, err := whyChosen(j, p, in)
		if err != nil {
			return store.Change{}, err
		}
		c := record.Choice{Material: in.Material, Thickness: in.Thickness, Reason: reason, At: s.Now()}
		if in.Reason != "" && by.Role == record.Owner {
			if err := s.takeGates(ctx, t, by, j, p, c, in.Reason); err != nil {
				return store.Change{}, err
			}
		}
		done := store.Change{Noun: "choice", Item: in.Material, Action: "settled", Said: fmt.Sprintf("settled on %s mm %s",
			working.Num(in.Thickness, 1), m.Short), Before: p.Choice, After: c}
		if err := t.AddChoice(ctx, p.ID, c, by.ID); err != nil {
			return done, err
		}
		f, err := s.follower(ctx, t, by, j.ID, p.ID)
		if err != nil {
			return done, err
		}
		return f.with(done, f.afterChoice(ctx))
	})
}

// chosenStep is the step that settling does; its tick asks nothing more.
const chosenStep = "choose"

// whyChosen is the reason that stays on the record: the person's, or the one
// that speaks for the material. It is judged under the job's lock: a gate may
// have closed since the person looked.
func whyChosen(j *record.Job, p *record.Pane, in Settle) (string, error) {
	k := known(j, p, length.MM)
	k.Stage = reckon.Numbers
	r, err := reckon.Pane(k)
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
func (s *Shop) Weigh(ctx context.Context, at Bench, weights map[string]float64) (pane.Choice, error) {
	j, err := s.store.Job(ctx, at.Job)
	if err != nil {
		return pane.Choice{}, err
	}
	p, err := paneOf(&j, at)
	if err != nil {
		return pane.Choice{}, err
	}
	k := known(&j, p, length.MM)
	k.Weights = weights
	r, err := reckon.Pane(k)
	return r.Choice, err
}

// Why are the numbers behind one bar of Choose: what a material stands of one thing that the
// place asks, in the unit of whoever looks.
func (s *Shop) Why(ctx context.Context, at Bench, aspect, material string) ([]working.Figure, error) {
	j, err := s.store.Job(ctx, at.Job)
	if err != nil {
		return nil, err
	}
	p, err := paneOf(&j, at)
	if err != nil {
		return nil, err
	}
	unit, err := s.store.UnitFor(ctx, at.Job, at.By)
	if err != nil {
		return nil, err
	}
	k := known(&j, p, unit)
	k.Stage = reckon.Numbers
	r, err := reckon.Pane(k)
	if err != nil {
		return nil, err
	}
	figures, err := r.Choice.Why(aspect, material)
	return reckon.Present(figures, unit), err
}

// sold are the thicknesses in which a material may be ordered for a pane.
func sold(j *record.Job, p *record.Pane, m pane.Material) []float64 {
	b := benchOf(j, p, length.MM, nil, numbers)
	return m.Sold(holding.Of(b.reck.Family.Sizing).Tube(), b.reck.Read)
}

// Done is how a step ended: done, left out with a reason, or open again. Seen
// is the version of the tick that the person saw, 0 for an open step.
type Done struct {
	Outcome string `json:"outcome" enum:"done,left-out,open"`
	Reason  string `json:"reason,omitempty" maxLength:"500"`
	Seen    int    `json:"seen,omitempty"`
}

// Tick says how a step ended. Doing it twice is as good as once.
func (s *Shop) Tick(ctx context.Context, by record.Account, at Bench, step string, in Done) error {
	reason, err := clean("reason", in.Reason, 500, in.Outcome == "left-out")
	if err != nil {
		return err
	}
	if in.Outcome != "done" && in.Outcome != "left-out" && in.Outcome != "open" {
		return fault.New("outcome", "a step is done, left out or open", "choose one of the three")
	}
	return s.paneNote(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		b := benchOf(j, p, length.MM, nil, numbers)
		st, err := b.step(step)
		if err != nil {
			return store.Change{}, err
		}
		steps, _ := onceOf(j, p)
		p = holder(j, p, func(q *record.Pane) bool { return tickOf(q, step) != nil }, steps, step)
		if in.Outcome == "left-out" {
			if err := st.Leave(reason, by.Role == record.Owner); err != nil {
				return store.Change{}, err
			}
			if !slices.Contains(st.May, reason) {
				if err := prove.Words("reason", reason); err != nil {
					return store.Change{}, err
				}
			}
		}
		last := record.Tick{Outcome: "open"}
		for _, k := range p.Ticks {
			if k.Step == step {
				last = k
			}
		}
		if last.Outcome == in.Outcome && last.Reason == reason {
			return store.Change{}, nil // a retry, or two who did the same
		}
		if last.Version != in.Seen {
			return store.Change{}, s.tickConflict(last, step)
		}
		if in.Outcome == "done" {
			if w := s.waitOf(j, b, st); w != nil {
				return store.Change{}, fault.New("outcome", "not yet: "+w.Why, untilSaid(w))
			}
		}
		title := st.Title
		c := store.Change{Noun: "step", Item: step, Action: in.Outcome, Said: title + ": " + in.Outcome, After: in}
		if in.Outcome == "open" {
			if err := t.ClearTick(ctx, p.ID, step); err != nil || !b.leadsBack(step) {
				return c, err
			}
			f, err := s.follower(ctx, t, by, j.ID, b.pane.ID)
			if err != nil {
				return c, err
			}
			return f.with(c, f.afterOpened(ctx, step, last.At))
		}
		if err := t.SetTick(ctx, p.ID, record.Tick{Step: step, Outcome: in.Outcome, Reason: reason, Version: last.Version + 1,
			At: s.Now()}, by.ID); err != nil || !b.leads(step) {
			return c, err
		}
		f, err := s.follower(ctx, t, by, j.ID, b.pane.ID)
		if err != nil {
			return c, err
		}
		return f.with(c, f.afterStep(ctx, step, in.Outcome == "done"))
	})
}

// waitOf is what a step waits for on its pane, and where it is done once for the
// object, on any other pane that has it.
func (s *Shop) waitOf(j *record.Job, b benchView, st plan.Step) *plan.Wait {
	w := b.reck.Plan.Wait(st, b.standing, s.Now())
	if why := guest.In(st.Key, inside(j)); why != "" && w == nil {
		w = &plan.Wait{Step: st.Key, Why: why}
	}
	for i := range j.Panes {
		q := &j.Panes[i]
		if w != nil || !st.Once || q.ID == b.pane.ID {
			continue
		}
		o := benchOf(j, q, length.MM, nil, numbers)
		if other, err := o.step(st.Key); err == nil && other.Once {
			if w = o.reck.Plan.Wait(other, o.standing, s.Now()); w != nil {
				w.Why = paneName(*q) + ", " + w.Why
			}
		}
	}
	return w
}

func (s *Shop) tickConflict(last record.Tick, step string) error {
	switch last.Outcome {
	case "open":
		return &record.Conflict{Field: step, Says: "Somebody opened this step again. Yours is not kept yet."}
	case "left-out":
		return &record.Conflict{Field: step, Says: fmt.Sprintf("%s left this step out %s: %s. Yours is not kept yet.",
			last.By, s.ago(last.At), last.Reason)}
	}
	return &record.Conflict{Field: step, Says: fmt.Sprintf("%s ticked this step %s. Yours is not kept yet.", last.By,
		s.ago(last.At))}
}

// untilSaid is what to do about a wait.
func untilSaid(w *plan.Wait) string {
	if w.Until == nil {
		return "do that first"
	}
	return "wait, or ask an owner, who can leave the hold out with a reason"
}

// step finds a step of the pane's plan.
func (b benchView) step(key string) (plan.Step, error) {
	for _, st := range b.reck.Plan.Steps {
		if st.Key == key {
			return st, nil
		}
	}
	return plan.Step{}, &record.NotFound{What: "this step"}
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
			r, err := readText(field, text, unit, length.Rule)
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
func (s *Shop) Answer(ctx context.Context, by record.Account, at Bench, check string, in Checked) error {
	var err error
	if in.Finding, err = clean("finding", in.Finding, 500, false); err != nil {
		return err
	}
	unit, err := s.store.UnitFor(ctx, at.Job, by.ID)
	if err != nil {
		return err
	}
	return s.paneNote(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		at := p
		p = checkedOn(j, p, check)
		now, last, err := checkNow(j, p, check)
		if err != nil {
			return store.Change{}, err
		}
		if in.Outcome != prove.Skip && (len(now.After) > 0 || len(at.Timers) > 0 || now.Does != "") {
			b := benchOf(j, at, length.MM, nil, numbers)
			w := b.reck.Plan.After(now.After, b.standing)
			if w == nil && in.Outcome == prove.Pass { // what fails is said at once
				if w = b.standing.CheckWait(check, s.Now()); w == nil {
					w = s.doesWait(j, b, now)
				}
			}
			if w != nil {
				return store.Change{}, fault.New("outcome", "not yet: "+w.Why, untilSaid(w))
			}
		}
		said, err := in.typed(now, unit)
		if err != nil {
			return store.Change{}, err
		}
		taken, err := now.Take(said)
		if err != nil {
			return store.Change{}, err
		}
		a := record.Answer{Check: check, Answer: prove.Answer{Outcome: taken.Outcome, Value: taken.Value,
			Gaps: taken.Gaps, Finding: taken.Finding}, Version: 1, At: s.Now()}
		if last != nil {
			if sameAnswer(last.Answer, a.Answer) {
				return store.Change{}, nil // a retry, or two who saw the same
			}
			a.Version = last.Version + 1
		}
		if a.Version != in.Seen+1 {
			return store.Change{}, s.answerConflict(last, check)
		}
		if err := s.keepTrial(ctx, t, p, last, by, ""); err != nil {
			return store.Change{}, err
		}
		c := store.Change{Noun: "check", Item: check, Action: string(a.Answer.Outcome),
			Said: now.Text + ": " + string(a.Answer.Outcome), Before: last, After: a.Answer}
		if err := t.SetAnswer(ctx, p.ID, a, by.ID); err != nil || now.Does == "" {
			return c, err
		}
		f, err := s.follower(ctx, t, by, j.ID, at.ID)
		if err != nil {
			return c, err
		}
		return f.with(c, f.afterCheck(ctx, check, a.Answer.Outcome))
	})
}

// keepTrial puts an answer that failed on the record before another one takes
// its place.
func (s *Shop) keepTrial(ctx context.Context, t *store.Tx, p *record.Pane, last *record.Answer,
	by record.Account, changed string) error {
	if last == nil || last.Answer.Outcome != prove.Fail {
		return nil
	}
	if len(p.Trials) >= mostOfPane {
		return fault.New("outcome", "this was tried as often as anybody tries", "look for another cause")
	}
	return t.AddTrial(ctx, p.ID, record.Trial{Check: last.Check, Value: last.Answer.Value, Finding: last.Answer.Finding,
		Changed: changed, Author: last.By, At: last.At}, by.ID)
}

func sameAnswer(a, b prove.Answer) bool {
	return a.Outcome == b.Outcome && a.Finding == b.Finding && (a.Value == nil) == (b.Value == nil) &&
		(a.Value == nil || *a.Value == *b.Value) &&
		slices.Equal(a.Gaps, b.Gaps)
}

func (s *Shop) answerConflict(last *record.Answer, check string) error {
	if last == nil {
		return &record.Conflict{Field: check, Says: "Somebody took the answer here back. Yours is not kept yet."}
	}
	return &record.Conflict{Field: check, Says: fmt.Sprintf("%s answered %q here %s. Yours is not kept yet.", last.By,
		last.Answer.Outcome, s.ago(last.At))}
}

// Reopen takes the answer of a check back. seen is the version that the person
// saw; a check that is open already is as wanted. changed is what was changed
// after it failed, before it is tried again.
func (s *Shop) Reopen(ctx context.Context, by record.Account, at Bench, check string, seen int, changed string) error {
	changed, err := clean("changed", changed, 200, false)
	if err != nil {
		return err
	}
	return s.paneNote(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		at := p.ID
		p = checkedOn(j, p, check)
		now, last, err := checkNow(j, p, check)
		if err != nil || last == nil {
			return store.Change{}, err
		}
		if last.Version != seen {
			return store.Change{}, s.answerConflict(last, check)
		}
		if err := s.keepTrial(ctx, t, p, last, by, changed); err != nil {
			return store.Change{}, err
		}
		said := now.Text + ": open again"
		if changed != "" {
			said += ", changed: " + changed
		}
		c := store.Change{Noun: "check", Item: check, Action: "open", Said: said, Before: last}
		if err := t.ClearAnswer(ctx, p.ID, check); err != nil || now.Does == "" || last.Answer.Outcome == prove.Fail {
			return c, err
		}
		f, err := s.follower(ctx, t, by, j.ID, at)
		if err != nil {
			return c, err
		}
		return f.with(c, f.afterUnproved(ctx, now.Does, last.At))
	})
}

// laid is a pane's way of holding with the work of its road.
func laid(j *record.Job, p *record.Pane) (family.Family, error) {
	f, err := family.ByID(p.Family)
	if err != nil {
		return f, err
	}
	r, h, err := road.Of(p.Road.ID, p.Road.How)
	return road.Work(f, r, h, p.Road.Came, j.Object.Leaf), err
}

// checkedOn is the pane on which a check was answered, where it is proved once
// for the object.
func checkedOn(j *record.Job, p *record.Pane, check string) *record.Pane {
	_, checks := onceOf(j, p)
	return holder(j, p, func(q *record.Pane) bool { return answerOf(q, check) != nil }, checks, check)
}

// checkNow finds a check of the pane's family and its road and its last answer, if any.
func checkNow(j *record.Job, p *record.Pane, check string) (prove.Check, *record.Answer, error) {
	f, err := laid(j, p)
	if err != nil {
		return prove.Check{}, nil, err
	}
	var last *record.Answer
	for i := range p.Answers {
		if p.Answers[i].Check == check {
			last = &p.Answers[i]
		}
	}
	for _, c := range prove.Checks(f) {
		if c.Key == check {
			return c, last, nil
		}
	}
	return prove.Check{}, nil, &record.NotFound{What: "this check"}
}
