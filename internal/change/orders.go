package change

import (
	"context"

	"freshshard/internal/record"
	"freshshard/internal/store"
)

// LockOpen locks a job that is not signed.
func (s *Keeper) LockOpen(ctx context.Context, job int64) func(*store.Tx) error {
	return func(t *store.Tx) error {
		signed, err := t.Jobs.LockJob(ctx, job)
		if err == nil && signed {
			err = &record.Conflict{Says: "This job is signed off; what was ordered for it stays as it is."}
		}
		return err
	}
}
