package shop

import (
	"errors"
	"testing"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/records"
)

// A job that came to nothing is closed with why: nothing is done at it, Today and
// the open jobs leave it out, and it can be taken up again.
func TestWithdraw(t *testing.T) {
	s, mira, tor := open(t)
	id, err := s.Desk.TakeIn(ctx, tor, "",
		desk.TakeIn{Name: "Oda Marl", Object: "Museum case, taken in twice", Exposure: "room",
			Family: "bead-brads", Place: "bench"})
	if err != nil {
		t.Fatal(err)
	}
	has := func(state string) bool {
		t.Helper()
		rows, err := s.Today.Find(ctx, "taken in twice", state, 0, 10)
		if err != nil {
			t.Fatal(err)
		}
		return len(rows) == 1
	}
	if rows, err := s.Today.Find(ctx, "", "", 0, 10); err != nil || len(rows) != 1 || rows[0].Station != "assess" ||
		rows[0].Left == 0 ||
		len(rows[0].Route) != 10 || rows[0].Panes != 1 || rows[0].Next == "" {
		t.Errorf("listed: %+v, %v", rows, err)
	}
	if err := s.Desk.Withdraw(ctx, tor, id, "  "); fault.Of(err) == nil || fault.Of(err).Field != "why" {
		t.Errorf("without a reason: %v", err)
	}
	if err := s.Desk.Withdraw(ctx, tor, id, "taken in twice"); err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	if w := v.Job.Withdrawn; w == nil || w.By != tor.Name || w.Why != "taken in twice" || v.Asks[0].Kind != "nothing" ||
		v.Job.Signed {
		t.Errorf("%+v, asks %+v", w, v.Asks[0])
	}
	if has("open") || !has("withdrawn") || !has("") {
		t.Error("in the wrong list")
	}
	if day, err := s.Today.Today(ctx, record.Account{}); err != nil || day.Open != 0 || len(day.Turns) != 0 {
		t.Errorf("today: %+v, %v", day, err)
	}
	var c *record.Conflict
	for what, err := range map[string]error{
		"read": s.Measure.Read(ctx, tor, jobview.First(id), reading.WidthTop,
			measure.Said{Text: "300", Instrument: "rule"}),
		"ticked":    s.Bench.Tick(ctx, tor, jobview.First(id), "cause", bench.Done{Outcome: "done"}),
		"settled":   s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "annealed", Thickness: 3}),
		"withdrawn": s.Desk.Withdraw(ctx, tor, id, "once more"),
	} {
		if !errors.As(err, &c) {
			t.Errorf("%s at a withdrawn job: %v", what, err)
		}
	}
	if _, err := s.Records.Sign(ctx, mira, "", id, records.Signature{Override: "done anyway"}); !errors.As(err, &c) {
		t.Errorf("signed: %v", err)
	}
	for range 2 { // a retry changes nothing
		if err := s.Desk.TakeUp(ctx, tor, id); err != nil {
			t.Fatal(err)
		}
	}
	if v := view1(t, s, id); v.Job.Withdrawn != nil || !has("open") || has("withdrawn") {
		t.Errorf("taken up: %+v", v.Job.Withdrawn)
	}
	var nf *record.NotFound
	if err := s.Desk.TakeUp(ctx, tor, 999); !errors.As(err, &nf) {
		t.Errorf("no such job: %v", err)
	}
	if _, err := s.Records.Sign(ctx, mira, "", id, records.Signature{Override: "given back as it came"}); err != nil {
		t.Fatal(err)
	}
	for _, err := range []error{s.Desk.TakeUp(ctx, tor, id), s.Desk.Withdraw(ctx, tor, id, "too late")} {
		if !errors.As(err, &c) {
			t.Errorf("a signed job: %v", err)
		}
	}
	if rows, err := s.Today.Find(ctx, "", "signed", 0, 10); err != nil || len(rows) != 1 || rows[0].Station != "" {
		t.Errorf("signed, listed: %+v, %v", rows, err)
	}
}

// A copy has the panes and how they are held, and nothing that was read or done; a
// retry makes no second one.
func TestCopy(t *testing.T) {
	s, _, tor := open(t)
	id, err := s.Desk.TakeIn(ctx, tor, "",
		desk.TakeIn{Name: "Brindle & Daughters", Object: "Deck oven, door", Exposure: "oven",
			Power:  true,
			Family: "window-pack", Place: "site", Story: "a tray", Road: road.Chosen{ID: "kept", How: "clean", Came: road.Whole},
			Layout: &drawing.Layout{Across: 2, Down: 1}})
	if err != nil {
		t.Fatal(err)
	}
	read(t, s, tor, id, reading.WidthTop, "400")
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "isolate", bench.Done{Outcome: "done"}); err != nil {
		t.Fatal(err)
	}
	copied, err := s.Desk.Copy(ctx, tor, "a-key-of-its-own", id, nil)
	if err != nil {
		t.Fatal(err)
	}
	again, err := s.Desk.Copy(ctx, tor, "a-key-of-its-own", id, nil)
	if err != nil || again != copied || copied == id {
		t.Errorf("%d, then %d, %v", copied, again, err)
	}
	v := view1(t, s, copied)
	if len(v.Panes) != 2 || len(v.Pane.Readings)+len(v.Pane.Ticks) != 0 || v.Pane.Road.ID != "kept" ||
		v.Pane.Road.Came != road.Whole ||
		!v.Job.Object.Power || v.Job.Customer.Name != "Brindle & Daughters" || v.Job.Place != "site" || v.Job.Story != "" {
		t.Errorf("%+v", v.Job)
	}
	var nf *record.NotFound
	if _, err := s.Desk.Copy(ctx, tor, "another-key-yet", 999, nil); !errors.As(err, &nf) {
		t.Errorf("no such job: %v", err)
	}
}
