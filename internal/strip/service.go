// Package strip has the strip log: what comes off, in which order it goes back, and what was put
// in only for now.
package strip

import (
	"freshshard/internal/change"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
}

// New makes it over the records.
func New(k *change.Keeper) *Service { return &Service{Keeper: k} }
