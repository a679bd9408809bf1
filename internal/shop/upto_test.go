package shop

import (
	"slices"
	"testing"
	"time"

	"freshshard/core/cure"
	"freshshard/core/drawing"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// upTo does the work of a pane that comes before a step, but for some of it; before no step, all of
// it. What hardens is laid, and time passes until it has let go.
func upTo(t *testing.T, s *Shop, by record.Account, at jobview.Bench, step string, but ...string) {
	t.Helper()
	v, err := s.Table(ctx, at)
	if err != nil {
		t.Fatal(err)
	}
	for _, st := range v.Reckoning.Plan.Steps {
		if st.Key == step {
			return
		}
		if isDone(v, st.Key) || slices.Contains(but, st.Key) {
			continue
		}
		if st.Hardens {
			laid(t, s, by, at)
		}
		if err := s.Bench.Tick(ctx, by, at, st.Key, bench.Done{Outcome: "done"}); err != nil {
			t.Fatalf("up to %s: %s: %v", step, st.Key, err)
		}
	}
}

// laid says what hardens at a pane, the usual, on all that are held alike, and lets time pass until
// it is ready.
func laid(t *testing.T, s *Shop, by record.Account, at jobview.Bench) {
	t.Helper()
	v, err := s.Table(ctx, at)
	if err != nil {
		t.Fatal(err)
	}
	for _, st := range v.Reckoning.Plan.Steps {
		if !st.Hardens || isDone(v, st.Key) || len(v.Pane.Cures) > 0 {
			continue
		}
		warm := 24.0
		l := hold.Laid{Step: st.Key, Adhesive: cure.UsualFor(v.Pane.Family), Width: 8, Edges: 2, Place: record.AtBench,
			All: true, Surface: &warm}
		if err := s.Hold.StartCure(ctx, by, "", at, l, time.UTC); err != nil {
			t.Fatal(err)
		}
		if v, err = s.Table(ctx, at); err != nil {
			t.Fatal(err)
		}
		until := v.Pane.Cures[0].Ready
		if a, err := cure.Book.ByID(v.Pane.Cures[0].Adhesive); err == nil && a.Opens() == cure.LetGo {
			until = v.Pane.Cures[0].LetGo
		}
		if now := s.Now(); until.After(now) {
			later := until.Add(time.Minute)
			s.Now = func() time.Time { return later }
		}
	}
}

// pairOf takes in an object of two panes beside each other.
func pairOf(t *testing.T, s *Shop, by record.Account, in desk.TakeIn) (first, second jobview.Bench) {
	t.Helper()
	in.Layout = &drawing.Layout{Across: 2, Down: 1}
	id, err := s.Desk.TakeIn(ctx, by, "", in)
	if err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	return jobview.Bench{Job: id, Pane: v.Panes[0].ID}, jobview.Bench{Job: id, Pane: v.Panes[1].ID}
}
