package desk

import (
	"context"

	"freshshard/core/usual"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// sameObject ties the object of a new job to the one that was here before. What was to be
// looked at of it is looked at now.
func (s *Service) sameObject(ctx context.Context, t *store.Tx, by record.Account, was, id int64) error {
	j, err := t.Jobs.Job(ctx, id)
	if err != nil {
		return err
	}
	before, err := t.Jobs.Job(ctx, was)
	if err != nil {
		return err
	}
	first, err := t.Passports.SameObject(ctx, before.Object.ID)
	if err != nil {
		return err
	}
	if err := t.Passports.SetSameObject(ctx, j.Object.ID, first); err != nil {
		return err
	}
	return s.hereAgain(ctx, t, by, first, id)
}

// hereAgain is what an object's being here with a job means for its earlier ones.
func (s *Service) hereAgain(ctx context.Context, t *store.Tx, by record.Account, first, id int64) error {
	if err := t.Passports.DropReminders(ctx, first, id, by.ID, s.Now()); err != nil {
		return err
	}
	own, err := t.Shops.Own(ctx)
	if err != nil {
		return err
	}
	// What is here again so soon was not right.
	soon := s.Now().AddDate(0, 0, -int(usual.Of(own, usual.CameBack)))
	return t.Passports.CameBack(ctx, first, id, soon, s.Now())
}
