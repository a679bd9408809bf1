package people

import (
	"context"
	"crypto/rand"
	"math/big"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// wordLife is how long a one-time word can be used.
const wordLife = 24 * time.Hour

// wordLetters are those that nobody takes for another one.
const wordLetters = "23456789abcdefghjkmnpqrstvwxyz"

// newWord draws a word that can be read out over the telephone: 58 bits in
// three groups of four.
func newWord() (string, error) {
	w := &strings.Builder{}
	for n := range 12 {
		if n > 0 && n%4 == 0 {
			w.WriteByte('-')
		}
		i, err := rand.Int(rand.Reader, big.NewInt(int64(len(wordLetters))))
		if err != nil {
			return "", err
		}
		w.WriteByte(wordLetters[i.Int64()])
	}
	return w.String(), nil
}

// wordDigest is what is kept of a word, however it was typed.
func wordDigest(w string) []byte {
	return digest(strings.NewReplacer("-", "", " ", "").Replace(strings.ToLower(w)))
}

// GiveWord makes a word with which a person can set a new password once,
// within a day; only an owner may. It is shown once and not kept.
func (s *OneTime) GiveWord(ctx context.Context, by record.Account, id int64) (string, error) {
	if err := OwnerOnly(by); err != nil {
		return "", err
	}
	a, err := s.Store.People.Account(ctx, id)
	if err != nil {
		return "", err
	}
	return s.giveWord(ctx, by.ID, a, by.Name+" gave "+a.Name+" a word for a new password")
}

// GiveWordTo is GiveWord from the machine itself, for an owner who is lost.
func (s *OneTime) GiveWordTo(ctx context.Context, login string) (string, error) {
	a, _, err := s.Store.People.Credentials(ctx, canonical(login))
	if err != nil {
		return "", err
	}
	return s.giveWord(ctx, 0, a, "a word for a new password of "+a.Name+" was made on the machine")
}

func (s *OneTime) giveWord(ctx context.Context, by int64, a record.Account, said string) (string, error) {
	w, err := newWord()
	if err != nil {
		return "", err
	}
	return w, s.Store.Write(ctx, func(t *store.Tx) error {
		if err := t.People.SetResetWord(ctx, a.ID, wordDigest(w), s.Now().Add(wordLife)); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by, At: s.Now(), Noun: "person", Item: a.Login, Action: "word",
			Said: said})
	})
}

// Reset is a new password set with a one-time word.
type Reset struct {
	Login    string `json:"login" maxLength:"120"`
	Word     string `json:"word" maxLength:"40"`
	Password string `json:"password" maxLength:"200"`
}

// ResetPassword sets a new password with a word and ends all sessions of the
// person. Tries are counted as those of signing in.
func (s *OneTime) ResetPassword(ctx context.Context, in Reset, address string) (a record.Account, err error) {
	if e := s.door.do(ctx, func() { a, err = s.resetPassword(ctx, in, address) }); e != nil {
		return record.Account{}, e
	}
	return a, err
}

func (s *OneTime) resetPassword(ctx context.Context, in Reset, address string) (record.Account, error) {
	login := canonical(in.Login)
	address = typed.Plain(address, 60)
	a, _, err := s.person(ctx, login)
	if err != nil {
		return a, err
	}
	if err := s.checkPassword(in.Password, login, a.Name); err != nil {
		return a, err
	}
	all, err := s.attempt(ctx, login, address, a)
	if err != nil {
		return a, err
	}
	hash, err := s.hashing.hash(ctx, in.Password)
	if err != nil {
		return a, err
	}
	return a, s.Store.Write(ctx, func(t *store.Tx) error {
		used, err := t.People.UseResetWord(ctx, a.ID, wordDigest(in.Word), s.Now())
		if err != nil {
			return err
		}
		if !used || !a.Active {
			return fault.New("word", "this name and word do not belong together, or the word is over",
				"ask the owner for a new one")
		}
		if err := t.People.SetPassword(ctx, a.ID, hash); err != nil {
			return err
		}
		if err := t.People.EndSessions(ctx, a.ID, 0); err != nil {
			return err
		}
		if err := s.passed(ctx, t, all, a, address); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: a.ID, At: s.Now(), Noun: "person", Item: login, Action: "changed",
			Said: "new password set with a word"})
	})
}
