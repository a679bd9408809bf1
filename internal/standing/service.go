// Package standing says how the open jobs stand, as lists and plans show it, and reckons only
// those that have changed.
package standing

import (
	"freshshard/internal/change"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	Stands *kept
}

// New makes it over the records.
func New(k *change.Keeper) *Service { return &Service{Keeper: k, Stands: NewKept()} }
