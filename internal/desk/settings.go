package desk

import (
	"context"
	"slices"

	"freshshard/core/compat"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/reckon"
	"freshshard/internal/bench"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// SetPane changes how a pane is held. version is that which the person saw.
func (s *Service) SetPane(ctx context.Context, by record.Account, at jobview.Bench, held record.Held,
	version int) error {
	var err error
	if held.Name, err = typed.Text("name", held.Name, 80, false); err != nil {
		return err
	}
	if held.Like != "" {
		if _, err := pane.Book.ByID(held.Like); err != nil {
			return fault.New("like", "no material is called "+held.Like, "choose one of the list")
		}
	}
	return s.Pane(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		if p.Version != version {
			return store.Change{}, change.Stale("how the pane is held")
		}
		before := p.Held
		was := *p
		p.Held = held
		if err := change.Worse(e.Job, &was, p); err != nil {
			return store.Change{}, err
		}
		if err := bench.AroundStop(by, e.Job, &was, p); err != nil {
			return store.Change{}, err
		}
		if !slices.Equal(before.Uses, held.Uses) {
			if err := clash(e.Job, p); err != nil {
				return store.Change{}, err
			}
		}
		e.Hold(p)
		return store.Change{Noun: "pane", Item: p.Family, Action: "changed", Said: "how the pane is held was changed",
			Before: before, After: held}, nil
	})
}

// mostUses is more than anybody takes to one pane.
const mostUses = 40

// clash refuses what must never touch the pane.
func clash(j *record.Job, p *record.Pane) error {
	if len(p.Uses) > mostUses {
		return fault.New("uses", "that is more than anybody uses", "tick what touches the pane")
	}
	k := jobview.Known(j, p, length.MM)
	r, err := reckon.Work(k)
	if err != nil {
		return err
	}
	return compat.Check(p.Uses, r.Touch)
}

// SetObject changes what the object is and what it sees. Every pane of it is
// reckoned with the change before it is kept.
func (s *Service) SetObject(ctx context.Context, by record.Account, job int64, o record.Object) error {
	var err error
	if o.Name, err = typed.Text("name", o.Name, 120, true); err != nil {
		return err
	}
	if o.Stamp, err = typed.Text("stamp", o.Stamp, 200, false); err != nil {
		return err
	}
	if err := o.Exposure.Check(); err != nil {
		return err
	}
	return s.All(ctx, by, job, func(e *change.Edit) (store.Change, error) {
		before := e.Job.Object
		if o.Version != before.Version {
			return store.Change{}, change.Stale("the object")
		}
		after := o
		after.ID = before.ID
		e.Object(after)
		return store.Change{Noun: "object", Item: o.Name, Action: "changed", Said: "object changed", Before: before,
			After: after}, nil
	})
}

// SetJob changes story, place and promise. Only these fields of j count, with
// its version.
func (s *Service) SetJob(ctx context.Context, by record.Account, job int64, j record.Job) error {
	var err error
	j.ID = job
	if j.Story, err = typed.Text("story", j.Story, 1000, false); err != nil {
		return err
	}
	if j.Place != "bench" && j.Place != "site" {
		return fault.New("place", "the work is at the bench or at the customer's", "choose one of the two")
	}
	return s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		before, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		found, err := t.Jobs.SetJob(ctx, j)
		if err == nil && !found {
			err = change.Stale("the job's dates")
		}
		if err == nil {
			err = t.Search.IndexJob(ctx, job)
		}
		return store.Change{Noun: "job", Item: before.Object.Name, Action: "changed", Said: "promise or place changed",
			Before: []any{before.Story, before.Place, before.PromisedAt}, After: []any{j.Story, j.Place, j.PromisedAt}}, err
	})
}

// SetUnit keeps the unit in which a person works at a job. It changes what they
// see and how a bare number of theirs is taken, not the job.
func (s *Service) SetUnit(ctx context.Context, by record.Account, job int64, u length.Unit) error {
	if u != length.MM && u != length.IN {
		return fault.New("unit", "a length is in mm or in inches here", "choose mm or in")
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if _, err := t.Jobs.Job(ctx, job); err != nil {
			return err
		}
		return t.Shops.SetUnitFor(ctx, job, by.ID, u)
	})
}

// SetCustomer changes the customer of a job, for all open jobs of the same
// customer; a signed one keeps who it was signed for.
func (s *Service) SetCustomer(ctx context.Context, by record.Account, job int64, c record.Customer) error {
	var err error
	if c.Name, err = typed.Text("name", c.Name, 120, true); err != nil {
		return err
	}
	if c.Phone, err = typed.Text("phone", c.Phone, 40, false); err != nil {
		return err
	}
	if c.Note, err = typed.Text("note", c.Note, 500, false); err != nil {
		return err
	}
	return s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		before := j.Customer
		c.ID = before.ID
		found, err := t.Jobs.SetCustomer(ctx, c)
		if err == nil && !found {
			err = change.Stale("the customer")
		}
		if err != nil {
			return store.Change{}, err
		}
		all, err := t.Search.JobsOf(ctx, c.ID)
		if err != nil {
			return store.Change{}, err
		}
		for _, id := range all {
			if err := t.Search.IndexJob(ctx, id); err != nil {
				return store.Change{}, err
			}
		}
		return store.Change{Noun: "customer", Item: c.Name, Action: "changed", Said: "customer changed", Before: before,
			After: c}, t.Jobs.TouchJobsOf(ctx, c.ID)
	})
}
