// Package stock has the stores and the cut room: what is on the shelf, what there is to cut, and
// the plans of cuts.
package stock

import (
	"freshshard/internal/change"
	"freshshard/internal/standing"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	Standing *standing.Service
}

// New makes it over the records.
func New(k *change.Keeper, open *standing.Service) *Service {
	return &Service{Keeper: k, Standing: open}
}
