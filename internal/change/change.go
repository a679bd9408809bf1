// Package change opens a job and changes it, in one way for every use case: under the lock of the
// job, reckoned before it is kept, with its pulse and its trail.
package change

import (
	"time"

	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Keeper reads and keeps the records of one shop.
type Keeper struct {
	jobview.Reader
	Zone   *time.Location // the shop's own; UTC where nobody said
	MadeUp bool           // simulated stations and instruments speak; no real shop is told by them
	Store  *store.Store
	Wrote  func(record.Job) // is told of a job as it was just written; nil for nobody
}

// New makes a keeper over a store, on the real clock.
func New(s *store.Store) *Keeper {
	now := func() time.Time { return time.Now().UTC().Truncate(time.Millisecond) }
	return &Keeper{Reader: jobview.Reader{Now: now}, Store: s}
}
