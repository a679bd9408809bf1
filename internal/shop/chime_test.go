package shop

import (
	"testing"
	"time"

	"freshshard/core/plan"
	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// Which of three clocks calls: just before, at and just after each, and how long one that
// is out is still shown.
func TestChimeOf(t *testing.T) {
	noon := time.Date(2027, 1, 12, 12, 0, 0, 0, time.UTC)
	at := func(h float64) *time.Time {
		v := noon.Add(time.Duration(h * float64(time.Hour)))
		return &v
	}
	for _, c := range []struct {
		name               string
		letGo, ready, full *time.Time
		title              string
		out                bool
	}{
		{"before the first", at(0.1), at(9), at(90), "Let go", false}, {"at the first", at(0), at(9), at(90), "Ready", false},
		{"after it", at(-1), at(0.01), at(90), "Ready", false},
		{"the last is far: the one that is out", at(-9), at(-1), at(73), "Ready", true},
		{"the last comes within three days", at(-9), at(-1), at(72), "Full", false},
		{"all are out", at(-30), at(-20), at(-12), "Full", true}, {"since long", at(-30), at(-20), at(-12.1), "", false},
		{"ready since long, the last far", at(-30), at(-13), at(99), "", false},
		{"never", nil, nil, nil, "", false}, {"let go, then never", at(-1), nil, nil, "Let go", true},
	} {
		got := hold.ChimeOf(record.Cure{Adhesive: "urethane", LetGo: c.letGo, Ready: c.ready, Full: c.full}, noon)
		if (got == nil) != (c.title == "") || got != nil && (got.Title != c.title || got.Out != c.out || got.May == "") {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
}

// What never hardens in such air keeps no promise.
func TestHardBy(t *testing.T) {
	noon := time.Date(2027, 1, 12, 12, 0, 0, 0, time.UTC)
	b := func(step string, ready *time.Time, done bool) jobview.Pane {
		return jobview.Pane{Done: map[string]bool{step: done},
			Standing: plan.Standing{Clocks: map[string]plan.Clock{step: {Ready: ready}}}}
	}
	later := noon.Add(time.Hour)
	for _, c := range []struct {
		name    string
		benches []jobview.Pane
		want    *time.Time
	}{{"nothing", nil, nil}, {"one", []jobview.Pane{b("cure", &noon, false)}, &noon},
		{"ticked", []jobview.Pane{b("cure", &noon, true)}, nil},
		{"the later", []jobview.Pane{b("cure", &later, false), b("skin", &noon, false)}, &later},
		{"never", []jobview.Pane{b("cure", &later, false), b("skin", nil, false)}, &jobview.Never}} {
		got := jobview.HardBy(c.benches)
		if (got == nil) != (c.want == nil) || got != nil && !got.Equal(*c.want) {
			t.Errorf("%s: %v", c.name, got)
		}
	}
	if jobview.Slips(nil, &jobview.Never) || jobview.Slips(&noon, nil) || !jobview.Slips(&noon, &jobview.Never) ||
		jobview.Slips(&noon, &noon) {
		t.Error("slips")
	}
}

// Today names it, until the job is signed or withdrawn.
func TestTodayCalls(t *testing.T) {
	s, tor, at, start := bonded(t)
	if err := start("", nil); err != nil {
		t.Fatal(err)
	}
	today, err := s.Today.Today(ctx, tor)
	if err != nil || len(today.Clocks) != 1 || today.Clocks[0].Job != at.Job || today.Clocks[0].Title != "Let go" {
		t.Fatalf("%v, %+v", err, today.Clocks)
	}
	if c := held1(t, s, at).Cures[0]; !c.LetGo.Equal(today.Clocks[0].At) || !c.Full.Equal(*c.Curing.Clocks[2].Safe) {
		t.Errorf("%+v", c.Cure)
	}
	if err := s.Desk.Withdraw(ctx, tor, at.Job, "the customer said no"); err != nil {
		t.Fatal(err)
	}
	if today, err = s.Today.Today(ctx, tor); err != nil || len(today.Clocks) != 0 {
		t.Errorf("%v, %+v", err, today.Clocks)
	}
}

// A promise before the bond is ready is late, on the job and on Today; one at that very
// moment is not.
func TestPromiseAgainstTheClock(t *testing.T) {
	s, tor, at, start := bonded(t)
	if err := start("", nil); err != nil {
		t.Fatal(err)
	}
	ready := *held1(t, s, at).Cures[0].Ready
	for d, want := range map[time.Duration]bool{-time.Second: true, 0: false} {
		j := view1(t, s, at.Job).Job
		due := ready.Add(d)
		j.PromisedAt = &due
		if err := s.Desk.SetJob(ctx, tor, at.Job, j); err != nil {
			t.Fatal(err)
		}
		today, err := s.Today.Today(ctx, tor)
		if err != nil || len(today.Turns) != 1 || today.Turns[0].Late != want || view1(t, s, at.Job).Late != want {
			t.Errorf("%v: %v, %+v", d, err, today)
		}
	}
}
