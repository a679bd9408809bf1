package shop

import (
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/guest"
	"freshshard/internal/bench"
	"freshshard/internal/jobview"
)

// Pins through a sprung hinge: the door cannot go on while they are in, nobody
// signs over them unseen, and out they are counted.
func TestGuestIsCountedOut(t *testing.T) {
	s, _, tor := open(t)
	in := stove()
	in.Family, in.Exposure, in.Power = "channel-front", "oven", true
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	before := ""
	for _, u := range v.MayPutIn {
		if u.ID == "pins" {
			before = u.Before
		}
	}
	if before != "door-on" {
		t.Fatalf("pins can be reached until %q", before)
	}
	pins := guest.Guest{What: "pins through the hinges", Before: before}
	for range 2 { // a retry
		if err := s.Strip.PutIn(ctx, tor, "pins-once-key-000", jobview.First(id), pins); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.Strip.PutIn(ctx, tor, "", jobview.First(id),
		guest.Guest{What: "clear tape", Stays: true, Seen: true}); err != nil {
		t.Fatal(err)
	}
	v = view1(t, s, id)
	if len(v.Guests) != 2 || v.Guests[0].Last != "Door back on" || v.Guests[1].Last != "" {
		t.Fatalf("%+v", v.Guests)
	}
	upTo(t, s, tor, jobview.First(id), "door-on", "measure", "choose")
	v = view1(t, s, id)
	err = s.Bench.Tick(ctx, tor, jobview.First(id), "door-on", bench.Done{Outcome: "done"})
	if f := fault.Of(err); f == nil || !strings.Contains(f.Why, "pins through the hinges still in") {
		t.Errorf("the door went on over its pins: %v", err)
	}
	waits, hinders := "", 0
	for _, w := range v.Waits {
		if w.Step == "door-on" {
			waits = w.Why
		}
	}
	for _, h := range v.Hindrances {
		if h.Kind == "guest" {
			hinders++
		}
	}
	if !strings.Contains(waits, "still in") || hinders != 1 {
		t.Errorf("waits %q, %d in the way", waits, hinders)
	}
	for range 2 {
		if err := s.Strip.TakeOut(ctx, tor, id, v.Guests[0].ID, true); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "door-on", bench.Done{Outcome: "done"}); err != nil {
		t.Errorf("with the pins out: %v", err)
	}
	v = view1(t, s, id)
	if g := v.Guests[0]; g.Out == nil || g.OutBy != "Tor" {
		t.Errorf("%+v", g)
	}
	for _, h := range v.Hindrances {
		if h.Kind == "guest" {
			t.Errorf("still in the way: %+v", h)
		}
	}
	// What is shut in by a step that is done cannot be put in any more.
	if err := s.Strip.PutIn(ctx, tor, "", jobview.First(id), pins); fault.Of(err) == nil ||
		fault.Of(err).Field != "before" {
		t.Errorf("put in behind a shut door: %v", err)
	}
	for field, g := range map[string]guest.Guest{"what": {Before: "first-heat"}, "before": {What: "a rag"}} {
		if err := s.Strip.PutIn(ctx, tor, "", jobview.First(id), g); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%+v: %v", g, err)
		}
	}
	// In again it is in the way again.
	if err := s.Strip.TakeOut(ctx, tor, id, v.Guests[0].ID, false); err != nil {
		t.Fatal(err)
	}
	if v = view1(t, s, id); v.Guests[0].Out != nil {
		t.Error("it is out still")
	}
	c, err := s.Desk.Carry(ctx, id)
	if err != nil || len(c.Job.Guests) != 2 {
		t.Fatalf("%d carried, %v", len(c.Job.Guests), err)
	}
	other, err := s.Desk.Bring(ctx, tor, "carry-guests-000", onPaper(t, c))
	if err != nil {
		t.Fatal(err)
	}
	if w := view1(t, s, other); len(w.Guests) != 2 || w.Guests[0].Out != nil || !w.Guests[1].Stays {
		t.Errorf("brought in: %+v", w.Guests)
	}
}
