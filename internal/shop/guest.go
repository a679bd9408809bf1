package shop

import (
	"context"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/guest"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// mostGuests is more than anybody puts into an object for now.
const mostGuests = 60

// GuestView is one thing that was put in only for now, with the step before
// which it goes out in words.
type GuestView struct {
	record.Guest
	Last string `json:"last" doc:"The last step before which it can be reached; empty for one that stays"`
}

// UsualView is one that is often put in, with the last step before which it can
// be reached in this job.
type UsualView struct {
	guest.Usual
	Before string `json:"before"`
	Last   string `json:"last"`
}

// inside are the guests that are in.
func inside(j *record.Job) []guest.Guest {
	var out []guest.Guest
	for _, g := range j.Guests {
		if g.Out == nil {
			out = append(out, g.Guest)
		}
	}
	return out
}

// PutIn notes what was put in only for now. A retry with the same key notes it
// once.
func (s *Shop) PutIn(ctx context.Context, by record.Account, key string, at Bench, g guest.Guest) error {
	var err error
	if g.What, err = clean("what", g.What, 80, true); err != nil {
		return err
	}
	if g.Where, err = clean("where", g.Where, 80, false); err != nil {
		return err
	}
	request := struct {
		At Bench
		G  guest.Guest
	}{at, g}
	_, err = s.create(ctx, by, key, "guest", request, func(t *store.Tx) (int64, error) {
		signed, err := t.LockJob(ctx, at.Job)
		if err != nil {
			return 0, err
		}
		if signed {
			return 0, &record.Conflict{Says: "This job is signed off; nothing is put in any more."}
		}
		j, err := t.Job(ctx, at.Job)
		if err != nil {
			return 0, err
		}
		if len(j.Guests) >= mostGuests {
			return 0, fault.New("what", "that is more than anybody puts in", "put like things into one")
		}
		steps, done, err := stepsOf(&j, at)
		if err != nil {
			return 0, err
		}
		if err := g.Check(steps); err != nil {
			return 0, err
		}
		if done[g.Before] {
			return 0, fault.New("before", "that step is done already: it would be shut in",
				"choose a later one, or open it again")
		}
		id, err := t.AddGuest(ctx, j.ID, g, by.ID, s.Now())
		if err != nil {
			return 0, err
		}
		if err := t.Audit(ctx, store.Change{Job: j.ID, Account: by.ID, At: s.Now(), Noun: "guest", Item: g.What,
			Action: "put in", Said: "put in for now: " + g.What, After: g}); err != nil {
			return 0, err
		}
		return id, t.TouchJob(ctx, j.ID)
	})
	return err
}

// TakeOut says that one is out, or in again. Doing it twice is as good as once.
func (s *Shop) TakeOut(ctx context.Context, by record.Account, job, id int64, isOut bool) error {
	return s.change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		j, err := t.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		for _, g := range j.Guests {
			if g.ID != id {
				continue
			}
			if (g.Out != nil) == isOut {
				return store.Change{}, nil
			}
			c := store.Change{Noun: "guest", Item: g.What, Action: "taken out", Said: "taken out: " + g.What}
			if !isOut {
				c.Action, c.Said = "put in", "in again: "+g.What
				return c, t.SetGuestOut(ctx, job, id, nil, nil)
			}
			now := s.Now()
			return c, t.SetGuestOut(ctx, job, id, &by.ID, &now)
		}
		return store.Change{}, &record.NotFound{What: "this guest"}
	})
}

// stepsOf are the steps of all panes of a job, the one on the bench first, each
// once, with those that are done.
func stepsOf(j *record.Job, at Bench) ([]plan.Step, map[string]bool, error) {
	p, err := paneOf(j, at)
	if err != nil {
		return nil, nil, err
	}
	f, err := laid(j, p)
	if err != nil {
		return nil, nil, err
	}
	pl, err := plan.Build(f, plan.Facts{})
	if err != nil {
		return nil, nil, err
	}
	done := map[string]bool{}
	q := together(j, p)
	for _, t := range q.Ticks {
		done[t.Step] = true
	}
	return pl.Steps, done, nil
}

// guests are those of the job, and what is often put in, as it stands to the
// pane on the table.
func (v *View) guests(b benchView) {
	title := map[string]string{}
	for _, st := range b.reck.Plan.Steps {
		title[st.Key] = st.Title
	}
	v.Guests, v.MayPutIn = []GuestView{}, []UsualView{}
	for _, g := range v.Job.Guests {
		v.Guests = append(v.Guests, GuestView{g, title[g.Before]})
	}
	for _, u := range guest.All() {
		if key, ok := guest.Last(u, b.reck.Plan.Steps, b.done); ok {
			v.MayPutIn = append(v.MayPutIn, UsualView{u, key, title[key]})
		}
	}
}

// guestsIn are what keeps the job from being signed: those that are in and do
// not stay.
func guestsIn(j *record.Job) []prove.Named {
	var out []prove.Named
	for _, g := range inside(j) {
		if !g.Stays {
			out = append(out, prove.Named{Key: "guest", Title: strings.TrimSuffix(g.What+", "+g.Where, ", ")})
		}
	}
	return out
}
