package shop

import (
	"context"

	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Bench is what lies on the light table: a job and one of its panes, the first
// one for 0.
type Bench struct {
	Job, Pane int64
	// By is who looks, so that lengths are in the unit they work in here; 0 for
	// the shop's.
	By int64
}

// First is the first pane of a job.
func First(job int64) Bench { return Bench{Job: job} }

// paneOf finds the pane of a bench in its job.
func paneOf(j *record.Job, at Bench) (*record.Pane, error) {
	if p := j.Pane(at.Pane); p != nil {
		return p, nil
	}
	return nil, &record.NotFound{What: "this pane"}
}

// paneChange runs a write on one pane of an open job under the job's lock, and
// reckons the pane with it before it is kept.
func (s *Shop) paneChange(ctx context.Context, by record.Account, at Bench,
	f func(*store.Tx, *record.Job, *record.Pane) (store.Change, error)) error {
	return s.reckoned(ctx, by, at.Job, at.Pane, func(t *store.Tx, j *record.Job) (store.Change, error) {
		p, err := paneOf(j, at)
		if err != nil {
			return store.Change{}, err
		}
		return named(f(t, j, p))(j, p)
	})
}

// paneNote is paneChange for what nothing is reckoned from.
func (s *Shop) paneNote(ctx context.Context, by record.Account, at Bench,
	f func(*store.Tx, *record.Job, *record.Pane) (store.Change, error)) error {
	return s.change(ctx, by, at.Job, func(t *store.Tx) (store.Change, error) {
		j, err := t.Job(ctx, at.Job)
		if err != nil {
			return store.Change{}, err
		}
		p, err := paneOf(&j, at)
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
			c.Said = paneName(*p) + ": " + c.Said
		}
		return c, err
	}
}
