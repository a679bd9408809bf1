package change

import (
	"context"

	"freshshard/core/length"
	"freshshard/internal/record"
)

// Stale is what a person gets whose copy was old.
func Stale(what string) error {
	return &record.Conflict{Says: "Somebody else changed " + what +
		" a moment ago. What they set is shown now; yours is still in the form."}
}

// UnitFor is the unit in which a person works at a job.
func (s *Keeper) UnitFor(ctx context.Context, by record.Account, job int64) (length.Unit, error) {
	return s.Store.Shops.UnitFor(ctx, job, by.ID)
}
