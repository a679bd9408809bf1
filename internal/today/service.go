// Package today says what to do now, and finds jobs and things by words.
package today

import (
	"freshshard/internal/change"
	"freshshard/internal/hold"
	"freshshard/internal/records"
	"freshshard/internal/standing"
	"freshshard/internal/stock"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	Hold     *hold.Service
	Records  *records.Service
	Standing *standing.Service
	Stock    *stock.Service
}

// New makes it over the records.
func New(k *change.Keeper, h *hold.Service, r *records.Service, open *standing.Service, shelf *stock.Service) *Service {
	return &Service{Keeper: k, Hold: h, Records: r, Standing: open, Stock: shelf}
}
