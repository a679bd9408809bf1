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
	Calendar *Calendar
	Verify   func(schedule.Problem, schedule.Plan) []schedule.Broken // what holds the days; tests break it
}

// New makes it over the records.
func New(k *change.Keeper, h *hold.Service, open *standing.Service) *Service {
	return &Service{Keeper: k, Hold: h, Standing: open, Calendar: &Calendar{k}, Verify: schedule.Verify}
}

// Calendar has who works when and where, and the roads between places.
type Calendar struct{ *change.Keeper }

// RoundPlanner plans rounds of visits within the days.
type RoundPlanner struct{ *Service }

// ByHand lets people put work where they want it, and take it out again.
type ByHand struct{ *Service }
