package change

import (
	"context"
	"crypto/rand"
	"encoding/base32"

	"freshshard/internal/record"
	"freshshard/internal/store"
)

// linkBytes are guessed in vain: 128 bits.
const linkBytes = 16

var tokenText = base32.NewEncoding("abcdefghjkmnpqrstuvwxyz234567890").WithPadding(base32.NoPadding)

func newToken() (string, error) {
	b := make([]byte, linkBytes)
	if _, err := rand.Read(b); err != nil {
		return "", err
	}
	return tokenText.EncodeToString(b), nil
}

// LinkOf is what an address of a kind opens: a person's own days, a job, or the shop's for 0.
func LinkOf(by record.Account, kind record.LinkKind, job int64) int64 {
	if kind == record.DaysLink {
		return by.ID
	}
	return job
}

// AddLink writes an address, unless there is one: a retry never makes a second.
func (s *Keeper) AddLink(ctx context.Context, t *store.Tx, by record.Account, kind record.LinkKind, job int64) error {
	had, err := t.Passports.LinkOf(ctx, kind, LinkOf(by, kind, job))
	if err != nil || had != nil {
		return err
	}
	token, err := newToken()
	if err != nil {
		return err
	}
	if err := t.Passports.AddLink(ctx, record.Link{Kind: kind, Token: token, Job: job, MadeAt: s.Now()},
		by.ID); err != nil {
		return err
	}
	return t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "link", Item: string(kind),
		Action: "made",
		Said:   "an address was made that opens the " + string(kind)})
}
