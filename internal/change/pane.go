package change

import (
	"context"

	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// NotePane runs a write on one pane of an open job under the lock of the job; nothing is
// reckoned from it.
func (s *Keeper) NotePane(ctx context.Context, by record.Account, at jobview.Bench,
	f func(*store.Tx, *record.Job, *record.Pane) (store.Change, error)) error {
	return s.Change(ctx, by, at.Job, func(t *store.Tx) (store.Change, error) {
		j, err := t.Jobs.Job(ctx, at.Job)
		if err != nil {
			return store.Change{}, err
		}
		p, err := jobview.Find(&j, at)
		if err != nil {
			return store.Change{}, err
		}
		return named(f(t, &j, p))(&j, p)
	})
}

// named puts the pane's name before what is said of it, where there are several.
func named(c store.Change, err error) func(*record.Job, *record.Pane) (store.Change, error) {
	return func(j *record.Job, p *record.Pane) (store.Change, error) {
		if p.Name != "" || len(j.Panes) > 1 {
			c.Said = jobview.Name(*p) + ": " + c.Said
		}
		return c, err
	}
}
