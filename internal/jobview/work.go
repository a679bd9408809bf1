package jobview

import (
	"freshshard/core/family"
	"freshshard/core/guest"
	"freshshard/core/length"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/road"
	"freshshard/core/striplog"
	"freshshard/core/work"
	"freshshard/internal/record"
)

// WaitOf is what a step of one pane of an object waits for.
func (s *Reader) WaitOf(j *record.Job, b Pane, st plan.Step) *plan.Wait {
	o := plan.Object{b.bench()}
	for i := range j.Panes {
		// Of the others only those are reckoned that may stand in its way.
		if q := &j.Panes[i]; q.ID != b.Pane.ID && (st.Once || q.Spot.Depth > b.Pane.Spot.Depth) {
			o = append(o, PaneOf(j, q, length.MM, nil, Numbers).bench())
		}
	}
	w := o.Wait(0, st, s.Now())
	if why := guest.In(st.Key, inside(j)); why != "" && w == nil {
		w = &plan.Wait{Step: st.Key, Why: why}
	}
	return w
}

// CheckWaits is what a check waits for on its pane; what is proved once for the object is proved of
// all its panes.
func (s *Reader) CheckWaits(j *record.Job, b Pane, c prove.Check) *plan.Wait {
	w := b.Reckoning.Plan.After(c.After, b.Standing)
	for i := range j.Panes {
		q := &j.Panes[i]
		if w != nil || !c.Once || q.ID == b.Pane.ID {
			continue
		}
		o := PaneOf(j, q, length.MM, nil, Numbers)
		if w = o.after(c); w != nil {
			w.Why = Name(*q) + ", " + w.Why
		}
	}
	return w
}

// after is what the same check waits for on another pane; nothing where that does not have it.
func (b Pane) after(c prove.Check) *plan.Wait {
	for _, o := range b.Checks {
		if o.Key == c.Key && o.Once {
			return b.Reckoning.Plan.After(o.After, b.Standing)
		}
	}
	return nil
}

// UntilSaid is what to do about a wait.
func UntilSaid(w *plan.Wait) string {
	if w.Until == nil {
		return "do that first"
	}
	return "wait, or ask an owner, who can leave the hold out with a reason"
}

// Step finds a step of the pane's plan.
func (b Pane) Step(key string) (plan.Step, error) {
	for _, st := range b.Reckoning.Plan.Steps {
		if st.Key == key {
			return st, nil
		}
	}
	return plan.Step{}, &record.NotFound{What: "this step"}
}

// familyOf is a pane's way of holding with the work of its road, without what came off.
func familyOf(j *record.Job, p *record.Pane) (family.Family, error) { return workWith(j, p, nil) }

// workWith is the same with lines of the strip log.
func workWith(j *record.Job, p *record.Pane, l striplog.Log) (family.Family, error) {
	f, err := family.Book.ByID(p.Family)
	if err != nil {
		return f, err
	}
	r, h, err := road.Of(p.Road.ID, p.Road.How)
	o := objectAs(j, p)
	o.Log = l
	return work.Of(f, r, h, p.Road.Came, o.Work()), err
}

// sameWork says whether two panes are held and done alike.
func sameWork(p, q *record.Pane) bool {
	return p.Family == q.Family && p.Road.ID == q.Road.ID && p.Road.How == q.Road.How
}

// CheckedOn is the pane on which a check was answered, where it is proved once
// for the object.
func CheckedOn(j *record.Job, p *record.Pane, check string) *record.Pane {
	_, checks := OnceOf(j, p)
	return Holder(j, p, func(q *record.Pane) bool { return answerOf(q, check) != nil }, checks, check)
}

// TickedOn is the pane on which a step was ticked, where it is done once for the object.
func TickedOn(j *record.Job, p *record.Pane, step string) *record.Pane {
	steps, _ := OnceOf(j, p)
	return Holder(j, p, func(q *record.Pane) bool { return TickOf(q, step) != nil }, steps, step)
}

// CheckNow finds a check of the pane's family and its road and its last answer, if any.
func CheckNow(j *record.Job, p *record.Pane, check string) (prove.Check, *record.Answer, error) {
	f, err := familyOf(j, p)
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
