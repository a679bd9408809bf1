// Package hold has what hardens: clocks of adhesives by the air they stand in, other clocks,
// loads and the weather.
package hold

import (
	"freshshard/internal/change"
	"freshshard/internal/stock"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	Stock *stock.Service
}

// New makes it over the records.
func New(k *change.Keeper, shelf *stock.Service) *Service { return &Service{Keeper: k, Stock: shelf} }

// Timers keeps the clocks that are no chemistry.
type Timers struct{ *change.Keeper }
