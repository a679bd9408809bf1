package demo

import (
	"context"
	"time"

	"freshshard/core/fault"
	"freshshard/core/schedule"
	"freshshard/internal/days"
	"freshshard/internal/record"
	"freshshard/internal/shop"
)

// tooTight is how many promises the shop gave that it will hardly keep: there is something
// to save on Today, as there is in any shop.
const tooTight = 2

// promiseWell promises what the shop can keep: what was said without looking, and cannot
// be, is said again by the days. Promises that have passed stay, and the last ones that are
// too tight.
func promiseWell(ctx context.Context, s *shop.Shop, by record.Account) error {
	if _, err := s.Days.TakeDays(ctx, by); err != nil {
		return err
	}
	tight := 0
	for {
		d, err := s.Days.Days(ctx, by)
		if err != nil {
			return err
		}
		var again *days.DayReady
		tight = 0
		for i, j := range d.Jobs {
			if j.Promised != nil && j.Promised.After(d.From) && j.Kept < schedule.Safe && j.Nine != nil {
				tight++
				if again == nil {
					again = &d.Jobs[i]
				}
			}
		}
		if tight <= tooTight {
			return nil
		}
		// The days are laid anew for it, and on a busy machine with less time to search.
		for _, later := range []time.Duration{time.Hour, 24 * time.Hour, 7 * 24 * time.Hour} {
			if _, err = s.Days.Promise(ctx, by, again.Job, inHours(again.Nine.Add(later)),
				again.Promised); fault.Of(err) == nil {
				break
			}
		}
		if err != nil {
			return err
		}
	}
}
