package bench

import (
	"context"
	"fmt"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/setting"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// CountScrews notes how many screws of a pane were counted off, over all passes.
func (s *Service) CountScrews(ctx context.Context, by record.Account, at jobview.Bench, counted, version int) error {
	return s.Pane(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		f, err := family.Book.ByID(p.Family)
		if err != nil {
			return store.Change{}, err
		}
		n := jobview.ScrewsOf(*p, f)
		if counted < 0 || counted > n*len(setting.Passes) {
			return store.Change{}, fault.New("counted", fmt.Sprintf("%d screws are gone over %d times", n, len(setting.Passes)),
				"count from the drawing again")
		}
		if p.Version != version {
			return store.Change{}, change.Stale("the count of the screws")
		}
		before, full := p.Counted, n*len(setting.Passes)
		p.Counted = counted
		e.Hold(p)
		c := store.Change{Noun: "screws", Item: p.Family, Action: "counted", Said: fmt.Sprintf("%d of %d over all passes",
			counted, full), Before: before, After: counted}
		if counted < full && before < full {
			return c, nil
		}
		follow := s.Follower(e, p)
		if counted < full {
			follow.afterUncounted()
		} else {
			follow.afterScrews()
			follow.tickIdle()
		}
		return follow.With(c), nil
	})
}
