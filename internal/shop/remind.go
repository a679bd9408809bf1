package shop

import (
	"context"
	"fmt"
	"time"

	"freshshard/core/due"
	"freshshard/core/fault"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// zone is the shop's own; UTC where nobody said.
func (s *Shop) zone() *time.Location {
	if s.Zone != nil {
		return s.Zone
	}
	return time.UTC
}

// ownRule is the rule of a reminder that somebody wrote.
const ownRule = "own"

// mostReminders is how many a list shows, the soonest first.
const mostReminders = 500

// horizon is how far ahead reminders are listed.
const horizon = 3 * 366 * 24 * time.Hour

// Reminders lists what is due, the soonest first.
func (s *Shop) Reminders(ctx context.Context) ([]record.Reminder, error) {
	return s.store.Reminders(ctx, s.Now().Add(horizon), mostReminders)
}

// remind writes what is due of a job that is being signed.
func (s *Shop) remind(ctx context.Context, t *store.Tx, by record.Account, job int64, list []due.Due) error {
	for _, d := range list {
		if _, err := t.AddReminder(ctx, record.Reminder{Job: job, Rule: d.Key, What: d.What, Why: d.Why, Due: d.On.UTC()},
			by.ID,
			s.Now()); err != nil {
			return err
		}
	}
	return nil
}

// Remember is a reminder that somebody writes.
type Remember struct {
	What string    `json:"what" maxLength:"200"`
	Due  time.Time `json:"due_at"`
}

// Remember writes one. A retry with the same key writes it once.
func (s *Shop) Remember(ctx context.Context, by record.Account, key string, job int64, in Remember) (int64, error) {
	what, err := clean("what", in.What, 200, true)
	if err != nil {
		return 0, err
	}
	at := in.Due.UTC()
	if err := s.ahead(at); err != nil {
		return 0, err
	}
	request := struct {
		Job  int64
		What string
		At   time.Time
	}{job, what, at}
	return s.create(ctx, by, key, "reminder", request, func(t *store.Tx) (int64, error) {
		if _, err := t.LockJob(ctx, job); err != nil {
			return 0, err
		}
		id, err := t.AddReminder(ctx, record.Reminder{Job: job, Rule: ownRule, What: what, Due: at}, by.ID, s.Now())
		if err != nil {
			return 0, err
		}
		return id, t.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "reminder", Item: fmt.Sprint(id),
			Action: "added", Said: "to be remembered: " + what})
	})
}

// Reminded is what became of a reminder: done, dropped, or put off to another day.
type Reminded struct {
	State   string     `json:"state" enum:"open,done,dropped"`
	Due     *time.Time `json:"due_at,omitempty" doc:"Put off to this time"`
	Note    string     `json:"note,omitempty" maxLength:"300"`
	Version int        `json:"version"`
}

// Reminded says what became of a reminder, at the version on the screen.
func (s *Shop) Reminded(ctx context.Context, by record.Account, id int64, in Reminded) error {
	note, err := clean("note", in.Note, 300, false)
	if err != nil {
		return err
	}
	return s.store.Write(ctx, func(t *store.Tx) error {
		v, err := t.Reminder(ctx, id)
		if err != nil {
			return err
		}
		if v.State == in.State && v.State != "open" {
			return nil // said twice
		}
		said := map[string]string{"open": "put off", "done": "done", "dropped": "dropped"}[in.State]
		if in.State == "open" {
			if in.Due == nil {
				return fault.New("due_at", "until when is it put off?", "say a day: in 2 weeks, 3 Dec")
			}
			if v.Due = in.Due.UTC(); s.ahead(v.Due) != nil {
				return s.ahead(v.Due)
			}
		}
		v.State, v.Note, v.Version = in.State, note, in.Version
		found, err := t.SetReminder(ctx, v, by.ID, s.Now())
		if err == nil && !found {
			err = stale("this reminder")
		}
		if err != nil {
			return err
		}
		return t.Audit(ctx, store.Change{Job: v.Job, Account: by.ID, At: s.Now(), Noun: "reminder", Item: fmt.Sprint(id),
			Action: said, Said: said + ": " + v.What})
	})
}

// Again takes an object in that was here before: as Copy, and its panes through time stay
// together. What was fitted within a year counts as come back.
func (s *Shop) Again(ctx context.Context, by record.Account, key string, job int64, promised *time.Time) (int64,
	error) {
	return s.copied(ctx, by, key, job, promised, true)
}

// cameBackWithin is how soon something comes back that was not right. Judgement, no source.
const cameBackWithin = 365 * 24 * time.Hour

// sameObject ties the object of a new job to the one that was here before. What was to be
// looked at of it is looked at now.
func (s *Shop) sameObject(ctx context.Context, t *store.Tx, by record.Account, was, id int64) error {
	j, err := t.Job(ctx, id)
	if err != nil {
		return err
	}
	before, err := t.Job(ctx, was)
	if err != nil {
		return err
	}
	first, err := t.SameObject(ctx, before.Object.ID)
	if err != nil {
		return err
	}
	if err := t.SetSameObject(ctx, j.Object.ID, first); err != nil {
		return err
	}
	return s.hereAgain(ctx, t, by, first, id)
}

// hereAgain is what an object's being here with a job means for its earlier ones.
func (s *Shop) hereAgain(ctx context.Context, t *store.Tx, by record.Account, first, id int64) error {
	if err := t.DropReminders(ctx, first, id, by.ID, s.Now()); err != nil {
		return err
	}
	return t.CameBack(ctx, first, id, s.Now().Add(-cameBackWithin), s.Now())
}

// ahead refuses a day on which nobody would be reminded.
func (s *Shop) ahead(at time.Time) error {
	switch {
	case !at.After(s.Now()):
		return fault.New("due_at", "this is over", "choose a day to come")
	case at.After(s.Now().Add(horizon)):
		return fault.New("due_at", "this is more than three years away", "choose a nearer day")
	}
	return nil
}
