package records

import (
	"context"
	"fmt"
	"time"

	"freshshard/core/due"
	"freshshard/core/fault"
	"freshshard/internal/change"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// OwnRule is the rule of a reminder that somebody wrote.
const OwnRule = "own"

// mostReminders is how many a list shows, the soonest first.
const mostReminders = 500

// Horizon is how far ahead reminders are listed.
const Horizon = 3 * 366 * 24 * time.Hour

// Reminders lists what is due, the soonest first.
func (s *Service) Reminders(ctx context.Context) ([]record.Reminder, error) {
	return s.Store.Passports.Reminders(ctx, s.Now().Add(Horizon), mostReminders)
}

// remind writes what is due of a job that is being signed.
func (s *Service) remind(ctx context.Context, t *store.Tx, by record.Account, job int64, list []due.Due) error {
	for _, d := range list {
		if _, err := t.Passports.AddReminder(ctx,
			record.Reminder{Job: job, Rule: d.Key, What: d.What, Why: d.Why, Due: d.On.UTC()},
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
func (s *Service) Remember(ctx context.Context, by record.Account, key string, job int64, in Remember) (int64, error) {
	what, err := typed.Text("what", in.What, 200, true)
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
	return s.Create(ctx, by, key, "reminder", request, func(t *store.Tx) (int64, error) {
		if _, err := t.Jobs.LockJob(ctx, job); err != nil {
			return 0, err
		}
		id, err := t.Passports.AddReminder(ctx, record.Reminder{Job: job, Rule: OwnRule, What: what, Due: at}, by.ID, s.Now())
		if err != nil {
			return 0, err
		}
		return id, t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "reminder",
			Item:   fmt.Sprint(id),
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
func (s *Service) Reminded(ctx context.Context, by record.Account, id int64, in Reminded) error {
	note, err := typed.Text("note", in.Note, 300, false)
	if err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		v, err := t.Passports.Reminder(ctx, id)
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
		found, err := t.Passports.SetReminder(ctx, v, by.ID, s.Now())
		if err == nil && !found {
			err = change.Stale("this reminder")
		}
		if err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Job: v.Job, Account: by.ID, At: s.Now(), Noun: "reminder",
			Item:   fmt.Sprint(id),
			Action: said, Said: said + ": " + v.What})
	})
}

// Again takes an object in that was here before: as Copy, and its panes through time stay
// together. What was fitted within a year counts as come back.
func (s *Service) Again(ctx context.Context, by record.Account, key string, job int64, promised *time.Time) (int64,
	error) {
	return s.Desk.Copied(ctx, by, key, job, promised, true)
}

// ahead refuses a day on which nobody would be reminded.
func (s *Service) ahead(at time.Time) error {
	switch {
	case !at.After(s.Now()):
		return fault.New("due_at", "this is over", "choose a day to come")
	case at.After(s.Now().Add(Horizon)):
		return fault.New("due_at", "this is more than three years away", "choose a nearer day")
	}
	return nil
}
