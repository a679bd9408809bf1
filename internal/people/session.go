package people

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/base64"
	"errors"
	"time"

	"freshshard/internal/change"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

const sessionNoted = 5 * time.Minute

// tokenBytes are drawn for a session's token; the database keeps a digest.
const tokenBytes = 32

func digest(token string) []byte {
	d := sha256.Sum256([]byte(token))
	return d[:]
}

// Enter starts a session for a person who has signed in and gives its token.
// device is what the browser calls itself.
func (s *Service) Enter(ctx context.Context, a record.Account, device, address string) (string, error) {
	raw := make([]byte, tokenBytes)
	if _, err := rand.Read(raw); err != nil {
		return "", err
	}
	token := base64.RawURLEncoding.EncodeToString(raw)
	return token, s.Store.Write(ctx, func(t *store.Tx) error {
		return t.People.AddSession(ctx, digest(token), a.ID, typed.Plain(device, 120), typed.Plain(address, 60), s.Now())
	})
}

// errNoSession is a token that opens nothing.
var errNoSession = &record.Denied{Why: "Sign in first."}

// Who finds the person of a token. Somebody who was shut out, who signed out
// or whose session was not used for long has none. Noting that a session was
// used never brings back one that has ended.
func (s *Service) Who(ctx context.Context, token string) (record.Account, record.Session, error) {
	if token == "" || len(token) > 100 {
		return record.Account{}, record.Session{}, errNoSession
	}
	v, a, err := s.Store.People.Session(ctx, digest(token))
	var missing *record.NotFound
	now := s.Now()
	switch {
	case errors.As(err, &missing), err == nil && (!a.Active || now.Sub(v.Seen) > change.SessionIdle ||
		now.Sub(v.Since) > change.SessionLife):
		return record.Account{}, v, errNoSession
	case err != nil:
		return a, v, err
	}
	if now.Sub(v.Seen) > sessionNoted {
		err = s.Store.Write(ctx, func(t *store.Tx) error { return t.People.SeeSession(ctx, v.ID, now) })
	}
	return a, v, err
}

// IsNobody says whether an error of Who means that nobody is signed in.
func IsNobody(err error) bool { return errors.Is(err, errNoSession) }

// Sessions lists where a person is signed in; here is the session that asks.
func (s *Service) Sessions(ctx context.Context, by record.Account, here int64) ([]record.Session, error) {
	list, err := s.Store.People.Sessions(ctx, by.ID)
	for i := range list {
		list[i].Here = list[i].ID == here
	}
	return list, err
}

// Leave ends a session of a person; one that has ended already is as wanted.
func (s *Service) Leave(ctx context.Context, by record.Account, id int64) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.People.EndSession(ctx, by.ID, id)
		if err != nil || !found {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "session", Item: by.Login, Action: "ended",
			Said: by.Name + " signed out"})
	})
}
