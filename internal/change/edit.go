package change

import (
	"context"
	"errors"
	"math/rand/v2"
	"time"

	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Edit is one change of an open job. It is worked out on the record in memory, outside every
// lock, and written afterwards in one stroke, unless somebody changed the job meanwhile: then
// it is worked out anew from what they left.
type Edit struct {
	By     record.Account
	Job    *record.Job
	Now    time.Time
	writes []func(context.Context, *store.Tx) error
}

// Write adds what is to be written when the change is kept.
func (e *Edit) Write(f func(context.Context, *store.Tx) error) { e.writes = append(e.writes, f) }

// ErrMoved is a job that somebody changed since it was read.
var ErrMoved = errors.New("the job has changed since it was read")

// mostTurns is how often a change is worked out anew before somebody is told that the others
// are quicker.
const mostTurns = 40

// Pane changes one pane of an open job, and reckons it with the change before that is kept.
func (s *Keeper) Pane(ctx context.Context, by record.Account, at jobview.Bench,
	f func(*Edit, *record.Pane) (store.Change, error)) error {
	return editor{s}.edit(ctx, by, at.Job, onPane(at, f),
		func(e *Edit) error { return editor{s}.reckons(ctx, e, at.Pane) })
}

// Note is Pane for what nothing is reckoned from.
func (s *Keeper) Note(ctx context.Context, by record.Account, at jobview.Bench,
	f func(*Edit, *record.Pane) (store.Change, error)) error {
	return editor{s}.edit(ctx, by, at.Job, onPane(at, f), nil)
}

// All changes any panes of an open job, and reckons each of them before that is kept.
func (s *Keeper) All(ctx context.Context, by record.Account, job int64, f func(*Edit) (store.Change, error)) error {
	return editor{s}.edit(ctx, by, job, f, func(e *Edit) error { return editor{s}.reckons(ctx, e, 0) })
}

// NoteAll is All for what nothing is reckoned from.
func (s *Keeper) NoteAll(ctx context.Context, by record.Account, job int64,
	f func(*Edit) (store.Change, error)) error {
	return editor{s}.edit(ctx, by, job, f, nil)
}

// onPane finds the pane of a bench, and puts its name before what is said of it where there
// are several.
func onPane(at jobview.Bench, f func(*Edit, *record.Pane) (store.Change, error)) func(*Edit) (store.Change, error) {
	return func(e *Edit) (store.Change, error) {
		p, err := jobview.Find(e.Job, at)
		if err != nil {
			return store.Change{}, err
		}
		return named(f(e, p))(e.Job, p)
	}
}

// editor works changes out and writes them.
type editor struct{ *Keeper }

func (s editor) edit(ctx context.Context, by record.Account, job int64, f func(*Edit) (store.Change, error),
	check func(*Edit) error) error {
	return Again(ctx, func() error { return s.tryEdit(ctx, by, job, f, check) })
}

// Again works something out anew as long as the job that it was worked out from has changed
// meanwhile (ErrMoved).
func Again(ctx context.Context, try func() error) error {
	for turn := range mostTurns {
		err := try()
		if !errors.Is(err, ErrMoved) {
			return err
		}
		select {
		case <-ctx.Done():
			return ctx.Err()
		case <-time.After(time.Duration(rand.IntN(4+2*turn)) * time.Millisecond):
		}
	}
	return &record.Conflict{Says: "Others are changing this job just now. Yours is not kept yet; try again."}
}

// tryEdit works a change out once and writes it.
func (s editor) tryEdit(ctx context.Context, by record.Account, job int64, f func(*Edit) (store.Change, error),
	check func(*Edit) error) error {
	if done, err := made(ctx, by, s.Store.Trail); err != nil || done {
		return err
	}
	j, err := s.open(ctx, job)
	if err != nil {
		return err
	}
	e := &Edit{By: by, Job: &j, Now: asKept(s.Now())}
	c, err := f(e)
	if err == nil && c.Action != "" && check != nil {
		err = check(e)
	}
	if err != nil {
		return s.orMoved(ctx, &j, err)
	}
	if c.Action == "" {
		return nil
	}
	c.Job, c.Account, c.At = job, by.ID, e.Now
	err = s.Store.Write(ctx, func(t *store.Tx) error { return written(ctx, t, e, c) })
	if err == nil {
		j.Pulse++
		s.kept(ctx, &j)
	}
	return err
}

// open reads a job that can still be changed.
func (s editor) open(ctx context.Context, job int64) (record.Job, error) {
	j, err := s.Store.Jobs.Job(ctx, job)
	switch {
	case err != nil:
		return j, err
	case j.Withdrawn != nil:
		return j, &record.Conflict{Says: "This job was withdrawn. Take it up again first."}
	case j.Signed:
		return j, &record.Conflict{Says: "This job is signed off; its ticket stays as it was handed over."}
	}
	return j, nil
}

// written writes a change in one stroke, unless somebody changed the job meanwhile.
func written(ctx context.Context, t *store.Tx, e *Edit, c store.Change) error {
	turned, err := t.Jobs.Turn(ctx, c.Job, e.Job.Pulse)
	if err != nil {
		return err
	}
	if !turned {
		return ErrMoved
	}
	for _, w := range e.writes {
		if err := w(ctx, t); err != nil {
			return err
		}
	}
	if err := madeNow(ctx, t, c); err != nil {
		return err
	}
	return t.Trail.Audit(ctx, c)
}

// orMoved is an error, or that the job has changed under whoever met it: what is read while
// somebody writes may be half of the one and half of the other.
func (s editor) orMoved(ctx context.Context, j *record.Job, err error) error {
	if now, e := s.Store.Jobs.Pulse(ctx, j.ID); e == nil && now != j.Pulse {
		return ErrMoved
	}
	return err
}

// reckons refuses a change after which a pane, or any for 0, cannot be reckoned. One that could
// not be reckoned before does not stand in the way of mending it or another.
func (s editor) reckons(ctx context.Context, e *Edit, pane int64) error {
	broken := map[int64]bool{}
	for {
		err := Reckonable(e.Job, pane, broken)
		var u *unreckonable
		if !errors.As(err, &u) || broken[u.pane] {
			return err
		}
		was, readErr := s.Store.Jobs.Job(ctx, e.Job.ID)
		if readErr != nil {
			return readErr
		}
		if Reckonable(&was, u.pane, nil) == nil {
			return err
		}
		broken[u.pane] = true
	}
}

type answerKey struct{}

// Answering lets a call answer from what it has just written: the job is not read again.
func Answering(ctx context.Context) context.Context {
	return context.WithValue(ctx, answerKey{}, new(*record.Job))
}

// kept remembers a job as it was just written.
func (s editor) kept(ctx context.Context, j *record.Job) {
	if s.Wrote != nil {
		s.Wrote(*j)
	}
	if w, ok := ctx.Value(answerKey{}).(**record.Job); ok {
		*w = j
	}
}

// job reads a job, or takes it as this call has just written it.
func (s *Keeper) job(ctx context.Context, id int64) (record.Job, error) {
	if w, ok := ctx.Value(answerKey{}).(**record.Job); ok && *w != nil && (*w).ID == id {
		return **w, nil
	}
	return s.Store.Jobs.Job(ctx, id)
}
