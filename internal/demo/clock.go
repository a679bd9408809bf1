package demo

import (
	"context"
	"time"

	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/shop"
)

// startClock starts the clock of what was laid, out of the first tube of its kind in the
// stores.
func startClock(ctx context.Context, s *shop.Shop, by record.Account, at jobview.Bench, in hold.Laid) error {
	h, err := s.Hold.Hold(ctx, at, time.Local)
	if err != nil {
		return err
	}
	for _, t := range h.Tubes {
		if t.Spent == "" && t.Name == "vehicle urethane, 300 ml" {
			in.Item = t.ID
		}
	}
	return s.Hold.StartCure(ctx, by, "", at, in, time.Local)
}
