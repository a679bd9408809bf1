// Package shop has the use cases: what people in the workshop do with jobs,
// panes and readings, and the rules for it. It knows the core and the store,
// and nothing of the web.
package shop

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"strings"
	"time"
	"unicode"
	"unicode/utf8"

	"freshshard/core/fault"
	"freshshard/core/schedule"
	"freshshard/internal/photo"
	"freshshard/internal/reach"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Shop runs the use cases. Now is the clock; tests and the demo set it.
type Shop struct {
	Now     func() time.Time
	Zone    *time.Location // the shop's own; UTC where nobody said
	MadeUp  bool           // simulated stations and instruments speak; no real shop is told by them
	store   *store.Store
	hashing *hashing
	door    *turns // who signs in, or sets a new password with a word
	photos  *photo.Taker
	stands  *stands

	suppliers string // folder of those who answer by files
	opens     func(ctx context.Context, address string) (string, error)
	verify    func(schedule.Problem, schedule.Plan) []schedule.Broken // what holds the days; tests break it
}

// New makes a shop over a store, on the real clock. What it keeps beside the
// store are bounds of its own work and answers that can be reckoned again.
func New(s *store.Store) *Shop {
	return &Shop{
		Now:     func() time.Time { return time.Now().UTC().Truncate(time.Millisecond) },
		store:   s,
		hashing: newHashing(),
		door:    newTurns(atTheDoor),
		photos:  photo.NewTaker(),
		stands:  newStands(),
		verify:  schedule.Verify,
		opens:   reach.Name,
	}
}

// Ping asks whether the records can be reached.
func (s *Shop) Ping(ctx context.Context) error { return s.store.Ping(ctx) }

// Unreachable says that an error is the records' not answering, and no fault of the program.
func Unreachable(err error) bool { return store.Unreachable(err) }

// Settings are the workshop's own.
func (s *Shop) Settings(ctx context.Context) (record.Shop, error) { return s.store.Shop(ctx) }

// People lists the people of the shop, by name.
func (s *Shop) People(ctx context.Context) ([]record.Account, error) { return s.store.Accounts(ctx) }

// How long what is over is kept: keys of calls that a caller may retry, counts
// of failed sign-ins.
const (
	keysKept     = 7 * 24 * time.Hour
	attemptsKept = 24 * time.Hour
)

// Tidy forgets what has had its time.
func (s *Shop) Tidy(ctx context.Context) error {
	return s.store.Write(ctx, func(t *store.Tx) error {
		return t.Tidy(ctx, s.Now(), SessionIdle, SessionLife, keysKept, signalsKept, attemptsKept)
	})
}

// change runs a write on an open job under its lock, counts its pulse up and
// keeps the trail. It is for what nothing is reckoned from; see reckoned.
func (s *Shop) change(ctx context.Context, by record.Account, job int64,
	f func(*store.Tx) (store.Change, error)) error {
	return s.store.Write(ctx, func(t *store.Tx) error {
		signed, err := t.LockJob(ctx, job)
		if err != nil {
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
		if err := t.Audit(ctx, c); err != nil {
			return err
		}
		return t.TouchJob(ctx, job)
	})
}

// create makes a record once for a key: a retry with the same key and the same
// request gives the first one's id. Without a key it just makes it.
func (s *Shop) create(ctx context.Context, by record.Account, key, call string, request any,
	f func(*store.Tx) (int64, error)) (int64, error) {
	return s.createBehind(ctx, by, key, call, request, func(*store.Tx) error { return nil }, f)
}

// createBehind takes a lock before it looks for the key: writers of one thing wait for
// each other in one line, not across their keys.
func (s *Shop) createBehind(ctx context.Context, by record.Account, key, call string, request any,
	lock func(*store.Tx) error, f func(*store.Tx) (int64, error)) (int64, error) {
	b, err := json.Marshal(request)
	if err != nil {
		return 0, err
	}
	sum := sha256.Sum256(b)
	hash := hex.EncodeToString(sum[:])
	var id int64
	err = s.store.Write(ctx, func(t *store.Tx) error {
		if err := lock(t); err != nil {
			return err
		}
		if key != "" {
			made, done, err := t.Once(ctx, by.ID, key, call, hash)
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
		return t.Made(ctx, by.ID, key, call, hash, made, s.Now())
	})
	return id, err
}

// plainSigns are a text's signs without those that steer a printer, a calendar or a
// terminal; ends of lines stay, in one form.
func plainSigns(text string) string {
	text = strings.ReplaceAll(strings.ReplaceAll(text, "\r\n", "\n"), "\r", "\n")
	return strings.Map(func(r rune) rune {
		if r != '\n' && r != 0 && unicode.IsControl(r) {
			return ' '
		}
		return r
	}, text)
}

// typed takes texts in and keeps every fault, so that a form is told all of them at once.
type typed struct{ faults []error }

func (f *typed) text(field string, text *string, most int, need bool) {
	var err error
	if *text, err = clean(field, *text, most, need); err != nil {
		f.faults = append(f.faults, err)
	}
}

// check keeps an error that is a fault; any other one is given back.
func (f *typed) check(err error) error {
	if fault.Of(err) == nil {
		return err
	}
	f.faults = append(f.faults, err)
	return nil
}

func (f *typed) err() error { return errors.Join(f.faults...) }

// clean trims a text and holds it to a length in characters. need is false for
// texts that may be empty.
func clean(field, text string, most int, need bool) (string, error) {
	text = strings.TrimSpace(plainSigns(text))
	switch {
	case need && text == "":
		return "", fault.New(field, "this is empty", "type it in")
	case utf8.RuneCountInString(text) > most:
		return "", fault.New(field, "this is too long", "keep it shorter")
	case !utf8.ValidString(text) || strings.ContainsRune(text, 0):
		return "", fault.New(field, "this holds characters that cannot be kept", "type it again")
	}
	return text, nil
}
