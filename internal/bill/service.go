// Package bill has what a job costs: prices, quotes, invoices and the ledger.
package bill

import (
	"freshshard/internal/buy"
	"freshshard/internal/change"
	"freshshard/internal/stock"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	Buy   *buy.Service
	Stock *stock.Service
	Yes   *Assents
}

// New makes it over the records.
func New(k *change.Keeper, b *buy.Service, shelf *stock.Service) *Service {
	return &Service{Keeper: k, Buy: b, Stock: shelf, Yes: &Assents{k}}
}
