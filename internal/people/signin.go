package people

import (
	"context"
	"errors"
	"time"
	"unicode/utf8"

	"freshshard/core/fault"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// limit is how many failures are let pass before a wait, and the waits that
// follow: the first, doubling, up to the longest.
type limit struct {
	scope          string
	free           int
	first, longest time.Duration
}

// A name from one address is held hardest. An address, and a name from
// anywhere, are held only where the person has never signed in from there: a
// shop behind one address is not shut out by one of its tablets, and nobody by
// a stranger.
var (
	pairLimit    = limit{"pair", 5, 5 * time.Second, 15 * time.Minute}
	loginLimit   = limit{"login", 40, 5 * time.Second, time.Minute}
	addressLimit = limit{"address", 40, 5 * time.Second, time.Minute}
)

// after is how long must pass after the n-th failure.
func (l limit) after(n int) time.Duration {
	if n < l.free {
		return 0
	}
	return min(l.longest, l.first<<min(n-l.free, 10))
}

// counted is one limit and what it counts.
type counted struct {
	limit
	subject string
}

// take counts an attempt before anything is looked at, or says how long to
// wait. It must run in a transaction of its own that ends before the password
// is hashed.
func take(ctx context.Context, t *store.Tx, all []counted, now time.Time) error {
	for _, c := range all {
		if err := t.People.CountAttempt(ctx, c.scope, c.subject, now); err != nil {
			return err
		}
	}
	return nil
}

// waitFor is the longest wait that the limits ask for.
func waitFor(ctx context.Context, t *store.Tx, all []counted, now time.Time) (time.Duration, error) {
	var longest time.Duration
	for _, c := range all {
		if err := t.People.HoldAttempt(ctx, c.scope, c.subject, now); err != nil {
			return 0, err
		}
		n, last, err := t.People.Attempt(ctx, c.scope, c.subject)
		if err != nil {
			return 0, err
		}
		longest = max(longest, c.after(n)-now.Sub(last))
	}
	return longest, nil
}

// attempt counts a try to sign in as somebody from an address. It is refused
// with a record.Slow while a wait is on.
func (s *Service) attempt(ctx context.Context, login, address string, a record.Account) ([]counted, error) {
	login = countedAs(login, a)
	all := []counted{{pairLimit, login + "|" + address}}
	known := false
	if a.ID != 0 {
		var err error
		if known, err = s.Store.People.KnowsAddress(ctx, a.ID, address); err != nil {
			return nil, err
		}
	}
	if !known {
		all = append(all, counted{loginLimit, login}, counted{addressLimit, address})
	}
	return all, s.Store.Write(ctx, func(t *store.Tx) error {
		now := s.Now()
		wait, err := waitFor(ctx, t, all, now)
		if err != nil {
			return err
		}
		if wait > 0 {
			return &record.Slow{Seconds: int((wait + time.Second - 1) / time.Second)}
		}
		return take(ctx, t, all, now)
	})
}

// passed forgets what was counted for an attempt that succeeded.
func (s *Service) passed(ctx context.Context, t *store.Tx, all []counted, a record.Account, address string) error {
	for _, c := range all {
		var err error
		if c.scope == pairLimit.scope {
			err = t.People.ClearAttempts(ctx, c.scope, c.subject)
		} else {
			err = t.People.ForgetAttempt(ctx, c.scope, c.subject)
		}
		if err != nil {
			return err
		}
	}
	return t.People.LearnAddress(ctx, a.ID, address, s.Now())
}

// person finds who has a sign-in name, with the password's hash; nobody, and a
// hash that no password has, for a name that is not there.
func (s *Service) person(ctx context.Context, login string) (record.Account, string, error) {
	a, hash, err := s.Store.People.Credentials(ctx, login)
	var missing *record.NotFound
	if errors.As(err, &missing) {
		return record.Account{}, nobody, nil
	}
	if hash == "" {
		hash = nobody
	}
	return a, hash, err
}

// nobody is a hash that no password has: an unknown name takes as long as a
// wrong password.
const nobody = "$argon2id$v=19$m=19456,t=2,p=1$AAAAAAAAAAAAAAAAAAAAAA$AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA"

// mostLogin is how long a sign-in name is, in characters.
const mostLogin = 60

// SignIn checks a name and a password from an address. The same words come
// back whether the name or the password is wrong.
func (s *Service) SignIn(ctx context.Context, login, password, address string) (a record.Account, err error) {
	if e := s.door.do(ctx, func() { a, err = s.signIn(ctx, login, password, address) }); e != nil {
		return record.Account{}, e
	}
	return a, err
}

func (s *Service) signIn(ctx context.Context, login, password, address string) (record.Account, error) {
	login = canonical(login)
	address = typed.Plain(address, 60)
	wrong := fault.New("password", "this name and password do not belong together",
		"try again, or ask the owner for a word to set a new password with")
	if utf8.RuneCountInString(login) > mostLogin || utf8.RuneCountInString(password) > passwordMost {
		return record.Account{}, wrong
	}
	a, hash, err := s.person(ctx, login)
	if err != nil {
		return a, err
	}
	all, err := s.attempt(ctx, login, address, a)
	if err != nil {
		return record.Account{}, err
	}
	same, err := s.hashing.same(ctx, password, hash)
	if err != nil {
		return record.Account{}, err
	}
	if !same || !a.Active {
		return record.Account{}, errors.Join(s.Trail(ctx, a.ID, "sign-in", login, "refused", "wrong password from "+address),
			wrong)
	}
	return a, s.Store.Write(ctx, func(t *store.Tx) error {
		if err := s.passed(ctx, t, all, a, address); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: a.ID, At: s.Now(), Noun: "sign-in", Item: login, Action: "signed in",
			Said: a.Name + " signed in from " + address})
	})
}

// Trail keeps something in the trail that changed nothing.
func (s *Service) Trail(ctx context.Context, account int64, noun, item, action, said string) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		return t.Trail.Audit(ctx, store.Change{Account: account, At: s.Now(), Noun: noun, Item: item, Action: action,
			Said: said})
	})
}

// NoteDenied keeps in the trail that somebody tried what they may not.
func (s *Service) NoteDenied(ctx context.Context, by record.Account, call string) error {
	return s.Trail(ctx, by.ID, "denied", call, "denied", by.Name+" tried what only an owner may: "+call)
}
