// Package people has who works here: their names, passwords, one-time words and what each may do,
// and how they sign in.
package people

import (
	"context"

	"freshshard/internal/change"
	"freshshard/internal/reach"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	hashing *hashing
	door    *turns // who signs in, or sets a new password with a word
	Opens   func(ctx context.Context, address string) (string, error)
}

// New makes it over the records.
func New(k *change.Keeper) *Service {
	return &Service{Keeper: k, hashing: newHashing(), door: newTurns(atTheDoor), Opens: reach.Name}
}

// OneTime gives codes with which a lost password is set anew, once.
type OneTime struct{ *Service }
