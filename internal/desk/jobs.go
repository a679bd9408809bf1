package desk

import (
	"context"
	"time"

	"freshshard/core/fault"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/internal/change"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Withdraw closes an open job that came to nothing, with why. It can be taken up
// again, and stays on the record.
func (s *Service) Withdraw(ctx context.Context, by record.Account, job int64, why string) error {
	why, err := typed.Text("why", why, 200, true)
	if err != nil {
		return err
	}
	return s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		w := record.Withdrawal{By: by.Name, At: s.Now(), Why: why}
		if err := t.Passports.NotBack(ctx, job, by.ID, w.At); err != nil {
			return store.Change{}, err
		}
		return store.Change{Noun: "job", Action: "withdrawn", Said: "withdrawn: " + why, After: w},
			t.Jobs.Withdraw(ctx, job, by.ID, w)
	})
}

// TakeUp opens a job again that was withdrawn. One that is open stays so.
func (s *Service) TakeUp(ctx context.Context, by record.Account, job int64) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		state, err := t.Jobs.JobState(ctx, job)
		switch {
		case err != nil || state == "open":
			return err
		case state == "signed":
			return &record.Conflict{Says: "This job is signed off; its ticket stays as it was handed over."}
		}
		if err := t.Jobs.TakeUp(ctx, job); err != nil {
			return err
		}
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return err
		}
		first, err := t.Passports.SameObject(ctx, j.Object.ID)
		if err != nil {
			return err
		}
		if first != j.Object.ID { // it was here before
			if err := s.hereAgain(ctx, t, by, first, job); err != nil {
				return err
			}
		}
		c := store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "job", Action: "taken up", Said: "taken up again"}
		if err := t.Trail.Audit(ctx, c); err != nil {
			return err
		}
		return t.Jobs.TouchJob(ctx, job)
	})
}

// Copy takes a job in again with the same customer, object and panes: how each is
// held, and nothing that was read, seen or done. A retry with the same key gives
// the same job.
func (s *Service) Copy(ctx context.Context, by record.Account, key string, job int64, promised *time.Time) (int64,
	error) {
	return s.Copied(ctx, by, key, job, promised, false)
}

// Copied takes a job in again, the same object or another like it.
func (s *Service) Copied(ctx context.Context, by record.Account, key string, job int64, promised *time.Time,
	same bool) (int64, error) {
	was, err := s.Store.Jobs.Job(ctx, job)
	if err != nil {
		return 0, err
	}
	vs, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return 0, err
	}
	j := record.Job{Place: was.Place, PromisedAt: promised, CreatedAt: s.Now(), Object: was.Object, Own: vs}
	j.Object.Stamp = "" // it was read off the old pane
	for _, p := range was.Panes {
		held := p.Held
		held.Uses, held.Turns, held.Stock = nil, nil, ""
		held.Peel.Spots = nil
		if held.Shape.Kind == reading.Drawn { // it was drawn for that pane
			held.Shape = reading.Shape{}
		}
		held.Stack = pane.Stack{Cavity: held.Stack.Cavity}
		j.Panes = append(j.Panes, record.Pane{Number: p.Number, Held: held, Spot: p.Spot})
	}
	if len(j.Panes) == 0 {
		return 0, fault.New("id", "this job has no pane", "take it in anew")
	}
	request := struct {
		Job      int64
		Promised *time.Time
	}{job, promised}
	call := map[bool]string{true: "again", false: "copy"}[same]
	return s.Create(ctx, by, key, call, request, func(t *store.Tx) (int64, error) {
		if err := change.Reckonable(&j, 0, nil); err != nil {
			return 0, err
		}
		id, err := s.AddJob(ctx, t, by, was.Customer.ID, j)
		if err == nil && same {
			err = s.sameObject(ctx, t, by, job, id)
		}
		return id, err
	})
}
