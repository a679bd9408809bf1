package shop

import (
	"testing"
	"time"

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
		got := chimeOf(record.Cure{Adhesive: "urethane", LetGo: c.letGo, Ready: c.ready, Full: c.full}, noon)
		if (got == nil) != (c.title == "") || got != nil && (got.Title != c.title || got.Out != c.out || got.May == "") {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
}

// Today names it, until the job is signed or withdrawn.
func TestTodayCalls(t *testing.T) {
	s, tor, at, start := bonded(t)
	if err := start("", nil); err != nil {
		t.Fatal(err)
	}
	today, err := s.Today(ctx, tor)
	if err != nil || len(today.Clocks) != 1 || today.Clocks[0].Job != at.Job || today.Clocks[0].Title != "Let go" {
		t.Fatalf("%v, %+v", err, today.Clocks)
	}
	if c := held1(t, s, at).Cures[0]; !c.LetGo.Equal(today.Clocks[0].At) || !c.Full.Equal(*c.Curing.Clocks[2].Safe) {
		t.Errorf("%+v", c.Cure)
	}
	if err := s.Withdraw(ctx, tor, at.Job, "the customer said no"); err != nil {
		t.Fatal(err)
	}
	if today, err = s.Today(ctx, tor); err != nil || len(today.Clocks) != 0 {
		t.Errorf("%v, %+v", err, today.Clocks)
	}
}
