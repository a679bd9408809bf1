package days

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/change"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/standing"
	"freshshard/internal/store"
)

// MakeSo keeps what was tried: glass is late, somebody is away, a step is pinned. The plan
// that flows round it is kept with it. It conflicts where somebody changed the days since.
func (s *ByHand) MakeSo(ctx context.Context, by record.Account, what WhatIf, seen int) (Days, error) {
	if len(what.Hand)+len(what.Urgent) > 0 || what.Cold != nil {
		return Days{}, fault.New("", "this can be tried, and not made so", "a hand has its hours at Shop, a job is taken in")
	}
	_, then, err := s.tryDays(ctx, what)
	if err != nil {
		return Days{}, err
	}
	then.version = seen
	said := []string{}
	err = s.Store.Write(ctx, func(t *store.Tx) error {
		if err := then.keep(ctx, t, by, s.Now()); err != nil {
			return err
		}
		for _, m := range what.Move {
			of := then.w.steps[m.Step]
			p := record.DayPin{Step: m.Step, Job: of.job, At: m.At, People: m.People}
			if err := t.Days.SetDayPin(ctx, p, by.ID, s.Now()); err != nil {
				return err
			}
			said = append(said, fmt.Sprintf("%s of %s pinned", of.title, of.object))
		}
		for _, o := range what.Off {
			if err := s.away(ctx, t, by, o, what.off(o.Account)); err != nil {
				return err
			}
			said = append(said, fmt.Sprintf("%s away from %s to %s", then.w.nameOf(o.Account), o.From, o.To))
		}
		for _, l := range what.Late {
			if err := s.postponed(ctx, t, by, l); err != nil {
				return err
			}
		}
		if len(said) == 0 {
			return nil
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "days", Action: "changed",
			Said: strings.Join(said, "; "), After: what})
	})
	if err != nil {
		return Days{}, err
	}
	return s.Days(ctx, by)
}

// postponed says at a job that what it waits for comes later.
func (s *ByHand) postponed(ctx context.Context, t *store.Tx, by record.Account, l LateOne) error {
	signed, err := t.Jobs.LockJob(ctx, l.Job)
	if err != nil || signed {
		return err
	}
	if err := t.Jobs.Postpone(ctx, l.Job, l.Days); err != nil {
		return err
	}
	return t.Trail.Audit(ctx, store.Change{Job: l.Job, Account: by.ID, At: s.Now(), Noun: "wait", Action: "changed",
		Said: fmt.Sprintf("what it waits for comes %d days later", l.Days), After: l})
}

// away keeps days off: a person's own, or anybody's by an owner.
func (s *ByHand) away(ctx context.Context, t *store.Tx, by record.Account, o OffOne, days []string) error {
	if by.ID != o.Account {
		if err := people.OwnerOnly(by); err != nil {
			return err
		}
	}
	weeks, err := t.Days.Weeks(ctx)
	if err != nil {
		return err
	}
	w, ok := weeks[o.Account]
	if !ok {
		w = UsualWeek
		w.Account = o.Account
	}
	w.Off = slices.Compact(slices.Sorted(slices.Values(append(slices.Clone(w.Off), days...))))
	found, err := t.Days.SetWeek(ctx, w)
	if err == nil && !found {
		err = change.Stale("these hours")
	}
	return err
}

// Unpin lets a step go where it fits best. One that has no pin stays as it is.
func (s *ByHand) Unpin(ctx context.Context, by record.Account, step string) (Days, error) {
	err := s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.Days.DropDayPin(ctx, step)
		if err != nil || !found {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "days", Item: step, Action: "changed",
			Said: "pin taken out"})
	})
	if err != nil {
		return Days{}, err
	}
	return s.Days(ctx, by)
}

func (w *dayWork) nameOf(account int64) string {
	for _, a := range w.names {
		if a.ID == account {
			return a.Name
		}
	}
	return fmt.Sprint(account)
}

// DayWays are what would have a job ready by a time, with who is to be told otherwise.
type DayWays struct {
	Object   string     `json:"object"`
	Customer string     `json:"customer,omitempty"`
	Phone    string     `json:"phone,omitempty"`
	By       *time.Time `json:"by,omitempty" doc:"The time that they would save"`
	Ways     []DayWay   `json:"ways" doc:"The cheapest first; nothing where nothing would"`
}

// DayWay is one of them.
type DayWay struct {
	Says string    `json:"says"`
	Nine time.Time `json:"nine" doc:"Ready by then nine times in ten"`
	Kind string    `json:"kind" enum:"hand,longer,sooner,first"`
}

// Ways tells what would save the promise of a job, and whom to call.
func (s *ByHand) Ways(ctx context.Context, job int64) (DayWays, error) {
	l, err := s.laid(ctx, WhatIf{})
	if err != nil {
		return DayWays{}, err
	}
	i := slices.IndexFunc(l.w.jobs, func(j standing.Job) bool { return j.ID == job })
	if i < 0 {
		return DayWays{}, &record.NotFound{What: "this job among the days"}
	}
	j, err := s.Store.Jobs.Job(ctx, job)
	if err != nil {
		return DayWays{}, err
	}
	out := DayWays{Object: j.Object.Name, Customer: j.Customer.Name, Phone: j.Customer.Phone, By: j.PromisedAt,
		Ways: []DayWay{}}
	if j.PromisedAt != nil {
		out.Ways, err = l.ways(ctx, i, *j.PromisedAt)
	}
	return out, err
}
