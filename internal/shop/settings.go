package shop

import (
	"context"
	"slices"

	"freshshard/core/compat"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/prove"
	"freshshard/core/reckon"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// stale is what a person gets whose copy was old.
func stale(what string) error {
	return &record.Conflict{Says: "Somebody else changed " + what +
		" a moment ago. What they set is shown now; yours is still in the form."}
}

// SetPane changes how a pane is held. version is that which the person saw.
func (s *Shop) SetPane(ctx context.Context, by record.Account, at Bench, held record.Held, version int) error {
	var err error
	if held.Name, err = clean("name", held.Name, 80, false); err != nil {
		return err
	}
	if held.Like != "" {
		if _, err := pane.ByID(held.Like); err != nil {
			return fault.New("like", "no material is called "+held.Like, "choose one of the list")
		}
	}
	return s.paneChange(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		before := p.Held
		was := *p
		p.Held, p.Version = held, version
		if err := worse(j, &was, p); err != nil {
			return store.Change{}, err
		}
		if err := aroundStop(by, j, &was, p); err != nil {
			return store.Change{}, err
		}
		if !slices.Equal(before.Uses, held.Uses) {
			if err := clash(j, p); err != nil {
				return store.Change{}, err
			}
		}
		found, err := t.SetPane(ctx, *p)
		if err == nil && !found {
			err = stale("how the pane is held")
		}
		return store.Change{Noun: "pane", Item: p.Family, Action: "changed", Said: "how the pane is held was changed",
			Before: before, After: held}, err
	})
}

// aroundStop refuses a technician's change of what is to be done that would take
// a stop away which nobody has put right or taken on: a road is no way round it.
func aroundStop(by record.Account, j *record.Job, was, now *record.Pane) error {
	if by.Role == record.Owner || was.Road.ID == now.Road.ID && was.Road.How == now.Road.How {
		return nil
	}
	after := benchOf(j, now, length.MM, nil, numbers).stops
	for _, k := range benchOf(j, was, length.MM, nil, numbers).stops {
		gone := !slices.ContainsFunc(after, func(o prove.Stop) bool { return o.Key == k.Key })
		if k.Taken == nil && gone {
			return fault.New("road.id", "this pane is stopped: "+k.Says,
				"put that right first, or ask an owner, who can change what is to be done")
		}
	}
	return nil
}

// mostUses is more than anybody takes to one pane.
const mostUses = 40

// clash refuses what must never touch the pane.
func clash(j *record.Job, p *record.Pane) error {
	if len(p.Uses) > mostUses {
		return fault.New("uses", "that is more than anybody uses", "tick what touches the pane")
	}
	k := known(j, p, length.MM)
	k.Stage = reckon.Work
	r, err := reckon.Pane(k)
	if err != nil {
		return err
	}
	return compat.Check(p.Uses, r.Touch)
}

// SetObject changes what the object is and what it sees. Every pane of it is
// reckoned with the change before it is kept.
func (s *Shop) SetObject(ctx context.Context, by record.Account, job int64, o record.Object) error {
	var err error
	if o.Name, err = clean("name", o.Name, 120, true); err != nil {
		return err
	}
	if o.Stamp, err = clean("stamp", o.Stamp, 200, false); err != nil {
		return err
	}
	if err := o.Exposure.Check(); err != nil {
		return err
	}
	return s.reckoned(ctx, by, job, 0, func(t *store.Tx, j *record.Job) (store.Change, error) {
		before := j.Object
		o.ID = before.ID
		found, err := t.SetObject(ctx, o)
		if err == nil && !found {
			err = stale("the object")
		}
		if err == nil {
			err = t.IndexJob(ctx, job)
		}
		return store.Change{Noun: "object", Item: o.Name, Action: "changed", Said: "object changed", Before: before,
			After: o}, err
	})
}

// SetJob changes story, place and promise. Only these fields of j count, with
// its version.
func (s *Shop) SetJob(ctx context.Context, by record.Account, job int64, j record.Job) error {
	var err error
	j.ID = job
	if j.Story, err = clean("story", j.Story, 1000, false); err != nil {
		return err
	}
	if j.Place != "bench" && j.Place != "site" {
		return fault.New("place", "the work is at the bench or at the customer's", "choose one of the two")
	}
	return s.change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		before, err := t.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		found, err := t.SetJob(ctx, j)
		if err == nil && !found {
			err = stale("the job's dates")
		}
		if err == nil {
			err = t.IndexJob(ctx, job)
		}
		return store.Change{Noun: "job", Item: before.Object.Name, Action: "changed", Said: "promise or place changed",
			Before: []any{before.Story, before.Place, before.PromisedAt}, After: []any{j.Story, j.Place, j.PromisedAt}}, err
	})
}

// UnitFor is the unit in which a person works at a job.
func (s *Shop) UnitFor(ctx context.Context, by record.Account, job int64) (length.Unit, error) {
	return s.store.UnitFor(ctx, job, by.ID)
}

// SetUnit keeps the unit in which a person works at a job. It changes what they
// see and how a bare number of theirs is taken, not the job.
func (s *Shop) SetUnit(ctx context.Context, by record.Account, job int64, u length.Unit) error {
	if u != length.MM && u != length.IN {
		return fault.New("unit", "a length is in mm or in inches here", "choose mm or in")
	}
	return s.store.Write(ctx, func(t *store.Tx) error {
		if _, err := t.Job(ctx, job); err != nil {
			return err
		}
		return t.SetUnitFor(ctx, job, by.ID, u)
	})
}

// SetCustomer changes the customer of a job, for all open jobs of the same
// customer; a signed one keeps who it was signed for.
func (s *Shop) SetCustomer(ctx context.Context, by record.Account, job int64, c record.Customer) error {
	var err error
	if c.Name, err = clean("name", c.Name, 120, true); err != nil {
		return err
	}
	if c.Phone, err = clean("phone", c.Phone, 40, false); err != nil {
		return err
	}
	if c.Note, err = clean("note", c.Note, 500, false); err != nil {
		return err
	}
	return s.change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		j, err := t.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		before := j.Customer
		c.ID = before.ID
		found, err := t.SetCustomer(ctx, c)
		if err == nil && !found {
			err = stale("the customer")
		}
		if err != nil {
			return store.Change{}, err
		}
		all, err := t.JobsOf(ctx, c.ID)
		if err != nil {
			return store.Change{}, err
		}
		for _, id := range all {
			if err := t.IndexJob(ctx, id); err != nil {
				return store.Change{}, err
			}
		}
		return store.Change{Noun: "customer", Item: c.Name, Action: "changed", Said: "customer changed", Before: before,
			After: c}, t.TouchJobsOf(ctx, c.ID)
	})
}
