package days

import (
	"context"
	"slices"
	"time"

	"freshshard/core/cure"
	"freshshard/internal/hold"
	"freshshard/internal/record"
	"freshshard/internal/stock"
)

// AdhesiveDay is what is opened, set, peeled, unclamped and ready today and tomorrow, a
// line each, for the wall.
type AdhesiveDay struct {
	From  time.Time   `json:"from"`
	Air   *cure.Air   `json:"air,omitempty" doc:"At the bench now; nothing where nobody read it"`
	Lines []cure.Line `json:"lines"`
	Lay   int         `json:"lay" doc:"Panes that could be glued"`
}

// dayShown is how far ahead the wall shows.
const dayShown = 36 * time.Hour

// AdhesiveDay reckons it from the air, the beads of all jobs on the bench and the clocks
// that run.
func (s *Service) AdhesiveDay(ctx context.Context) (AdhesiveDay, error) {
	now := s.Now()
	out := AdhesiveDay{From: now, Lines: []cure.Line{}}
	all, err := s.Standing.Open(ctx, stock.MostCut)
	if err != nil {
		return out, err
	}
	var lay []cure.Laying
	for _, j := range all {
		for _, p := range j.Panes {
			if p.Lay == nil {
				continue
			}
			l := *p.Lay
			l.Job, l.Name = j.ID, j.Object
			if len(j.Panes) > 1 {
				l.Name += ", " + p.Name
			}
			lay = append(lay, l)
		}
	}
	out.Lay = len(lay)
	air, err := s.Hold.Airs(ctx, hold.AirOf(s.Store), now, s.TimeZone())(record.AtBench)
	if err != nil {
		return out, err
	}
	for _, a := range air {
		if !a.At.After(now) {
			out.Air = &a
		}
	}
	if len(air) > 0 {
		if out.Lines, err = cure.Day(lay, air, quarter(now)); err != nil {
			return out, err
		}
	}
	clocks, err := s.Hold.Chimes(ctx, now)
	if err != nil {
		return out, err
	}
	for _, c := range clocks {
		kind := map[string]string{"hardens": "ready", "runs": "runs", "comes": "comes"}[c.Kind]
		out.Lines = append(out.Lines, cure.Line{At: c.At, Kind: kind, Job: c.Job, Pane: c.Pane, Name: c.Object,
			Says: c.Title + ": " + c.May})
	}
	out.Lines = slices.DeleteFunc(out.Lines, func(l cure.Line) bool { return l.At.After(now.Add(dayShown)) })
	slices.SortStableFunc(out.Lines, func(a, b cure.Line) int { return a.At.Compare(b.At) })
	return out, nil
}

// quarter is the next quarter of an hour.
func quarter(t time.Time) time.Time {
	q := t.Truncate(15 * time.Minute)
	if q.Before(t) {
		q = q.Add(15 * time.Minute)
	}
	return q
}
