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
	return s.ChangePane(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		f, err := family.ByID(p.Family)
		if err != nil {
			return store.Change{}, err
		}
		n := jobview.ScrewsOf(*p, f)
		if counted < 0 || counted > n*len(setting.Passes) {
			return store.Change{}, fault.New("counted", fmt.Sprintf("%d screws are gone over %d times", n, len(setting.Passes)),
				"count from the drawing again")
		}
		before, full := p.Counted, n*len(setting.Passes)
		p.Counted, p.Version = counted, version
		c := store.Change{Noun: "screws", Item: p.Family, Action: "counted", Said: fmt.Sprintf("%d of %d over all passes",
			counted, full), Before: before, After: counted}
		found, err := t.Panes.SetPane(ctx, *p)
		if err == nil && !found {
			err = change.Stale("the count of the screws")
		}
		if err != nil || counted < full && before < full {
			return c, err
		}
		follow, err := s.Follower(ctx, t, by, j.ID, p.ID)
		if err != nil {
			return c, err
		}
		if counted < full {
			return follow.With(c, follow.afterUncounted(ctx))
		}
		if err := follow.afterScrews(ctx); err != nil {
			return c, err
		}
		return follow.With(c, follow.nothing(ctx))
	})
}
