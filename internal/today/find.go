package today

import (
	"context"

	"freshshard/core/route"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Listed is a job as the list of jobs shows it; how an open one stands is told with
// it.
type Listed struct {
	record.Row
	Station string      `json:"station" doc:"Where the next work is; empty for a closed job"`
	Next    string      `json:"next" doc:"The next step's title, or what is missing"`
	Late    bool        `json:"late" doc:"The promise has passed, or the work left no longer fits before it"`
	Left    int         `json:"left" doc:"Hands-on minutes left"`
	Waiting bool        `json:"waiting" doc:"Nobody can go on before something has come"`
	Problem string      `json:"problem,omitempty" doc:"Something that has to be put right first"`
	Panes   int         `json:"panes"`
	Route   []route.Leg `json:"route"`
}

// Find lists jobs whose object, customer, story or number are like the words,
// newest first, with how the open ones stand.
func (s *Service) Find(ctx context.Context, words, state string, before int64, most int) ([]Listed, error) {
	rows, err := s.Store.Search.JobsLike(ctx, store.Filter{Words: words, State: state, Before: before, Most: most})
	if err != nil {
		return nil, err
	}
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return nil, err
	}
	var open []store.Turned
	for _, r := range rows {
		if !r.Signed && !r.Withdrawn {
			open = append(open, store.Turned{ID: r.ID, Pulse: r.Pulse})
		}
	}
	all, err := s.Standing.Of(ctx, open, shop.Unit)
	if err != nil {
		return nil, err
	}
	stands := map[int64]Turn{}
	now := s.Now()
	for _, st := range all {
		stands[st.ID] = turn(st, now)
	}
	out := make([]Listed, 0, len(rows))
	for _, r := range rows {
		l := Listed{Row: r, Route: []route.Leg{}}
		if t, ok := stands[r.ID]; ok {
			l.Station, l.Next, l.Late, l.Left, l.Panes, l.Route = t.Station, t.Next, t.Late, t.Left, t.Panes, t.Route
			l.Waiting, l.Problem = t.Waits != "", t.Problem
			if l.Waiting { // what hardens is waited for as glass is
				l.WaitsFor, l.WaitsUntil = t.Waits, t.WaitsUntil
			}
		}
		out = append(out, l)
	}
	return out, nil
}
