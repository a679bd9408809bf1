// Package desk has what happens at the counter: taking a job in, its customer and object, its
// photos, copying it and carrying it to another shop.
package desk

import (
	"context"

	"freshshard/internal/change"
	"freshshard/internal/photo"
	"freshshard/internal/record"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	Photos   *Photos
	promised func(ctx context.Context, by record.Account) // is told that a promise was given
}

// New makes it over the records. promised is told when a job was taken in with a promise.
func New(k *change.Keeper, promised func(ctx context.Context, by record.Account)) *Service {
	return &Service{Keeper: k, Photos: &Photos{k, photo.NewTaker()}, promised: promised}
}

// Photos keeps the pictures of jobs.
type Photos struct {
	*change.Keeper
	photos *photo.Taker
}
