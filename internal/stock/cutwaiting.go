package stock

import (
	"context"
	"fmt"

	"freshshard/internal/standing"
)

// waitingToCut lists the panes that wait to be cut, the sooner promised first.
func (s *Service) waitingToCut(ctx context.Context) ([]standing.ToCut, error) {
	all, err := s.Standing.Open(ctx, MostCut)
	if err != nil {
		return nil, err
	}
	cut, err := s.Store.Stocks.CutPanes(ctx)
	if err != nil {
		return nil, err
	}
	out := []standing.ToCut{}
	for _, j := range all {
		for _, p := range j.Panes {
			if p.Cut == nil || cut[p.ID] || p.WaitsFor != "" { // ordered from somebody else
				continue
			}
			c := *p.Cut
			c.Piece, c.Job, c.Object, c.Promised = fmt.Sprintf("pane %d", p.ID), j.ID, j.Object, j.Promised
			if len(j.Panes) > 1 {
				c.Name = p.Name
			}
			out = append(out, c)
		}
	}
	return out, nil
}

// MostCut is how many open jobs the cut room looks at, the soonest promised first.
const MostCut = 500
