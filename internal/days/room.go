// Package days lays the work of the shop out over its days, people, van and rounds.
package days

import (
	"freshshard/core/schedule"
	"freshshard/internal/change"
	"freshshard/internal/hold"
	"freshshard/internal/standing"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	Hold     *hold.Service
	Standing *standing.Service
	Verify   func(schedule.Problem, schedule.Plan) []schedule.Broken // what holds the days; tests break it
}

// New makes it over the records.
func New(k *change.Keeper, h *hold.Service, open *standing.Service) *Service {
	return &Service{Keeper: k, Hold: h, Standing: open, Verify: schedule.Verify}
}
