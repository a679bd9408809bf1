// Package measure has the readings of a pane and what gives them: instruments, traced outlines,
// photos with a known size, sashes and packs.
package measure

import (
	"freshshard/internal/bench"
	"freshshard/internal/change"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	Bench *bench.Service
	Sums  *Sums
}

// New makes it over the records.
func New(k *change.Keeper, b *bench.Service) *Service {
	return &Service{Keeper: k, Bench: b, Sums: &Sums{k}}
}

// Sums are worked out for whoever asks, and kept nowhere.
type Sums struct{ *change.Keeper }
