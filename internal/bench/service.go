// Package bench has the work at one pane: why it broke, what is settled, the steps, the checks,
// and what an owner takes on.
package bench

import (
	"freshshard/internal/change"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
}

// New makes it over the records.
func New(k *change.Keeper) *Service { return &Service{Keeper: k} }
