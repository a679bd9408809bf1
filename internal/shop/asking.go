package shop

import (
	"context"
	"fmt"
	"slices"

	"freshshard/core/ask"
	"freshshard/core/cure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/road"
	"freshshard/core/setting"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// asking are the facts from which the one next thing of each station is told.
func (v *View) asking(b benchView) ask.Facts {
	r := b.reck
	f := ask.Facts{Signed: v.Job.Signed, Withdrawn: v.Job.Withdrawn != nil, Plan: r.Plan, Done: b.done, Waits: v.Waits,
		Missing: r.Fit.Missing, Odd: r.Fit.Odd,
		Fault: r.Fault,
		Why:   r.Why, Looked: len(r.Chain) > 0 || b.pane.Road.Came == road.Unbroken,
		Settles: r.Road.Settled, Settled: b.chosen(), WaitsFor: b.pane.WaitsFor, WaitsUntil: b.pane.WaitsUntil,
		Screws: screwsOf(b.pane, r.Family), Counted: b.pane.Counted, Back: v.Strip.Back, Hindrances: v.Hindrances,
		CheckWaits: map[string]string{}, Route: map[family.Station]int{}}
	if b.pane.Diagnosis != nil {
		f.Evidence = b.pane.Diagnosis.Evidence
	}
	if len(r.Choice.Open) > 0 {
		f.First = &r.Choice.Open[0]
	}
	for _, c := range b.checks {
		f.Checks = append(f.Checks, c.Check)
		f.CheckWaits[c.Key] = c.Waits
	}
	if b.finished() {
		f.Other = v.otherPane()
	}
	for _, k := range b.stops {
		if k.Taken == nil {
			f.Stops = append(f.Stops, k)
		}
	}
	for _, l := range b.route {
		f.Route[l.Station] = l.Open
	}
	f.Lays = b.lays()
	return f
}

// lays is what hardens here and has no clock yet; nil where nothing does.
func (b benchView) lays() *ask.Lays {
	if len(b.pane.Cures) > 0 || !slices.Contains(hardening, b.pane.Family) {
		return nil
	}
	a, err := cure.ByID(cure.UsualFor(b.pane.Family))
	if err != nil {
		return nil
	}
	out := &ask.Lays{Adhesive: a.ID, Name: a.Name}
	if a.Kind == cure.Moisture {
		out.Width = b.pressed()
	}
	return out
}

// otherPane is the next pane of the object that somebody can go on with, behind the
// one on the table and round; nil where there is none.
func (v *View) otherPane() *ask.Other {
	n := len(v.Panes)
	on := slices.IndexFunc(v.Panes, func(p PaneState) bool { return p.ID == v.Pane.ID })
	for i := 1; i < n; i++ {
		if p := v.Panes[(on+i)%n]; p.State == "now" {
			return &ask.Other{Pane: p.ID, Name: p.Name, Station: family.Station(p.Station)}
		}
	}
	return nil
}

// screwsOf is how many fixings of a pane are tightened in an order.
func screwsOf(p record.Pane, f family.Family) int {
	if f.Tightening == "" {
		return 0
	}
	return p.Sides.Total()
}

// CountScrews notes how many screws of a pane were counted off, over all passes.
func (s *Shop) CountScrews(ctx context.Context, by record.Account, at Bench, counted, version int) error {
	return s.paneChange(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		f, err := family.ByID(p.Family)
		if err != nil {
			return store.Change{}, err
		}
		n := screwsOf(*p, f)
		if counted < 0 || counted > n*len(setting.Passes) {
			return store.Change{}, fault.New("counted", fmt.Sprintf("%d screws are gone over %d times", n, len(setting.Passes)),
				"count from the drawing again")
		}
		before, full := p.Counted, n*len(setting.Passes)
		p.Counted, p.Version = counted, version
		c := store.Change{Noun: "screws", Item: p.Family, Action: "counted", Said: fmt.Sprintf("%d of %d over all passes",
			counted, full), Before: before, After: counted}
		found, err := t.SetPane(ctx, *p)
		if err == nil && !found {
			err = stale("the count of the screws")
		}
		if err != nil || counted < full && before < full {
			return c, err
		}
		follow, err := s.follower(ctx, t, by, j.ID, p.ID)
		if err != nil {
			return c, err
		}
		if counted < full {
			return follow.with(c, follow.afterUncounted(ctx))
		}
		if err := follow.afterScrews(ctx); err != nil {
			return c, err
		}
		return follow.with(c, follow.nothing(ctx))
	})
}
