// Package buy has what is asked for, offered, ordered and delivered, and from whom.
package buy

import (
	"freshshard/internal/change"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
}

// New makes it over the records.
func New(k *change.Keeper) *Service { return &Service{Keeper: k} }

// Suppliers keeps those who sell, and asks them for prices.
type Suppliers struct {
	*Service
	Folder string // of those who answer by files
}
