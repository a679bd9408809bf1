package change

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"time"

	"freshshard/core/length"
	"freshshard/internal/database"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Ping asks whether the records can be reached.
func (s *Keeper) Ping(ctx context.Context) error { return s.Store.Ping(ctx) }

// Unreachable says that an error is the records' not answering, and no fault of the program.
func Unreachable(err error) bool { return database.Unreachable(err) }

// Settings are the workshop's own.
func (s *Keeper) Settings(ctx context.Context) (record.Shop, error) { return s.Store.Shops.Shop(ctx) }

// How long what is over is kept: keys of calls that a caller may retry, counts
// of failed sign-ins.
const (
	KeysKept     = 7 * 24 * time.Hour
	attemptsKept = 24 * time.Hour
)

// Tidy forgets what has had its time.
func (s *Keeper) Tidy(ctx context.Context) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		return t.People.Tidy(ctx, s.Now(), SessionIdle, SessionLife, KeysKept, SignalsKept, attemptsKept)
	})
}

// Change runs a write on an open job under its lock, counts its pulse up and
// keeps the trail. It is for what nothing is reckoned from; see Edit.
func (s *Keeper) Change(ctx context.Context, by record.Account, job int64,
	f func(*store.Tx) (store.Change, error)) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		signed, err := t.Jobs.LockJob(ctx, job)
		if err != nil {
			return err
		}
		// Under the lock of the job: the same change that came twice at once is made once.
		if done, err := made(ctx, by, t.Trail); err != nil || done {
			return err
		}
		if signed {
			return &record.Conflict{Says: "This job is signed off; its ticket stays as it was handed over."}
		}
		c, err := f(t)
		if err != nil || c.Action == "" {
			return err
		}
		c.Job, c.Account, c.At = job, by.ID, s.Now()
		if err := madeNow(ctx, t, c); err != nil {
			return err
		}
		if err := t.Trail.Audit(ctx, c); err != nil {
			return err
		}
		return t.Jobs.TouchJob(ctx, job)
	})
}

// Create makes a record once for a key: a retry with the same key and the same
// request gives the first one's id. Without a key it just makes it.
func (s *Keeper) Create(ctx context.Context, by record.Account, key, call string, request any,
	f func(*store.Tx) (int64, error)) (int64, error) {
	return s.CreateBehind(ctx, by, key, call, request, func(*store.Tx) error { return nil }, f)
}

// CreateBehind takes a lock before it looks for the key: writers of one thing wait for
// each other in one line, not across their keys.
func (s *Keeper) CreateBehind(ctx context.Context, by record.Account, key, call string, request any,
	lock func(*store.Tx) error, f func(*store.Tx) (int64, error)) (int64, error) {
	b, err := json.Marshal(request)
	if err != nil {
		return 0, err
	}
	sum := sha256.Sum256(b)
	hash := hex.EncodeToString(sum[:])
	var id int64
	err = s.Store.Write(ctx, func(t *store.Tx) error {
		if err := lock(t); err != nil {
			return err
		}
		if key != "" {
			made, done, err := t.Trail.Once(ctx, by.ID, key, call, hash)
			if err != nil || done {
				id = made
				return err
			}
		}
		made, err := f(t)
		if err != nil {
			return err
		}
		id = made
		if key == "" {
			return nil
		}
		return t.Trail.Made(ctx, by.ID, key, call, hash, made, s.Now())
	})
	return id, err
}

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

// TimeZone is the shop's own; UTC where nobody said.
func (s *Keeper) TimeZone() *time.Location {
	if s.Zone != nil {
		return s.Zone
	}
	return time.UTC
}

// Stale is what a person gets whose copy was old.
func Stale(what string) error {
	return &record.Conflict{Says: "Somebody else changed " + what +
		" a moment ago. What they set is shown now; yours is still in the form."}
}

// UnitFor is the unit in which a person works at a job.
func (s *Keeper) UnitFor(ctx context.Context, by record.Account, job int64) (length.Unit, error) {
	return s.Store.Shops.UnitFor(ctx, job, by.ID)
}

const SessionLife = 14 * 24 * time.Hour

const SessionIdle = 3 * 24 * time.Hour

// SignalsKept is how long a sent line can still be asked for again.
const SignalsKept = time.Hour
