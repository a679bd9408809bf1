package strip

import (
	"context"

	"freshshard/core/fault"
	"freshshard/core/guest"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// mostGuests is more than anybody puts into an object for now.
const mostGuests = 60

// PutIn notes what was put in only for now. A retry with the same key notes it
// once.
func (s *Service) PutIn(ctx context.Context, by record.Account, key string, at jobview.Bench, g guest.Guest) error {
	var err error
	if g.What, err = typed.Text("what", g.What, 80, true); err != nil {
		return err
	}
	if g.Where, err = typed.Text("where", g.Where, 80, false); err != nil {
		return err
	}
	request := struct {
		At jobview.Bench
		G  guest.Guest
	}{at, g}
	_, err = s.Create(ctx, by, key, "guest", request, func(t *store.Tx) (int64, error) {
		signed, err := t.Jobs.LockJob(ctx, at.Job)
		if err != nil {
			return 0, err
		}
		if signed {
			return 0, &record.Conflict{Says: "This job is signed off; nothing is put in any more."}
		}
		j, err := t.Jobs.Job(ctx, at.Job)
		if err != nil {
			return 0, err
		}
		if len(j.Guests) >= mostGuests {
			return 0, fault.New("what", "that is more than anybody puts in", "put like things into one")
		}
		steps, done, err := jobview.StepsOf(&j, at)
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
		id, err := t.Strips.AddGuest(ctx, j.ID, g, by.ID, s.Now())
		if err != nil {
			return 0, err
		}
		if err := t.Trail.Audit(ctx, store.Change{Job: j.ID, Account: by.ID, At: s.Now(), Noun: "guest", Item: g.What,
			Action: "put in", Said: "put in for now: " + g.What, After: g}); err != nil {
			return 0, err
		}
		return id, t.Jobs.TouchJob(ctx, j.ID)
	})
	return err
}

// TakeOut says that one is out, or in again. Doing it twice is as good as once.
func (s *Service) TakeOut(ctx context.Context, by record.Account, job, id int64, isOut bool) error {
	return s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		j, err := t.Jobs.Job(ctx, job)
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
				return c, t.Strips.SetGuestOut(ctx, job, id, nil, nil)
			}
			now := s.Now()
			return c, t.Strips.SetGuestOut(ctx, job, id, &by.ID, &now)
		}
		return store.Change{}, &record.NotFound{What: "this guest"}
	})
}
