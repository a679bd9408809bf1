package shop

import (
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// What was painted dries before anything holds on it: one answer ticks the step and begins its clock,
// at each pane where it is said of all. Opened again, the clock goes with it; a step at which nobody
// paints has no such answer.
func TestPaintedDries(t *testing.T) {
	s, _, tor := open(t)
	now := time.Now().UTC()
	s.Now = func() time.Time { return now }
	one, two := pairOf(t, s, tor, desk.TakeIn{Name: "Oda Marl", Object: "Greenhouse, pair of lights",
		Exposure: "weather", Family: "putty-points", Place: "bench"})
	id := one.Job
	for _, at := range []jobview.Bench{one, two} {
		upTo(t, s, tor, at, "rebate", "measure", "choose")
	}
	if f := fault.Of(s.Bench.Tick(ctx, tor, one, "putty-out", bench.Done{Outcome: "done", Dries: true, Seen: 1,
		Reason: "again"})); f == nil || f.Field != "dries" {
		t.Errorf("putty is no paint: %v", f)
	}
	timers := func(at jobview.Bench) (all []record.Timer) {
		v, err := s.Work(ctx, at)
		if err != nil {
			t.Fatal(err)
		}
		return v.Pane.Timers
	}
	tick := func(outcome string, seen int, dries bool) {
		t.Helper()
		if err := s.Bench.Tick(ctx, tor, one, "rebate", bench.Done{Outcome: outcome, Seen: seen, Dries: dries}); err != nil {
			t.Fatal(err)
		}
	}
	tick("done", 0, true)
	tick("done", 0, true) // sent again
	got := timers(one)
	if len(got) != 1 || got[0].Usual != "paint" || got[0].Until.Sub(now).Round(time.Second) != 16*time.Hour ||
		got[0].Gates == "" {
		t.Fatalf("%+v", got)
	}
	upTo(t, s, tor, one, got[0].Gates, "measure", "choose")
	f := fault.Of(s.Bench.Tick(ctx, tor, one, got[0].Gates, bench.Done{Outcome: "done"}))
	if f == nil || !strings.Contains(f.Why, "paint dries") {
		t.Errorf("putty on wet paint: %v", f)
	}
	tick("open", 1, false)
	if len(timers(one)) != 0 {
		t.Errorf("opened again: %+v", timers(one))
	}
	if err := s.Bench.TickAll(ctx, tor, id, "rebate", true); err != nil {
		t.Fatal(err)
	}
	if len(timers(one)) != 1 || len(timers(two)) != 1 {
		t.Errorf("on all: %+v, %+v", timers(one), timers(two))
	}
	now = now.Add(16 * time.Hour)
	if err := s.Bench.Tick(ctx, tor, one, got[0].Gates, bench.Done{Outcome: "done"}); err != nil {
		if f := fault.Of(err); f == nil || strings.Contains(f.Why, "paint") {
			t.Errorf("the paint is dry: %v", err)
		}
	}
}
