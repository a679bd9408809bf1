package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/diagnose"
	"freshshard/core/fault"
	"freshshard/core/prove"
	"freshshard/internal/bench"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/strip"
)

// The station that comes next follows the work, not the clock.
func TestNextStationFollowsTheWork(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	next := func() (string, string) {
		day, err := s.Today.Today(ctx, record.Account{})
		if err != nil {
			t.Fatal(err)
		}
		return day.First.Station, day.First.Next
	}
	tick := func(keys ...string) {
		for _, k := range keys {
			if err := s.Bench.Tick(ctx, tor, jobview.First(id), k, bench.Done{Outcome: "done"}); err != nil {
				t.Fatal(err)
			}
		}
	}
	if st, n := next(); st != "assess" || n != "Cold, and why it broke" {
		t.Errorf("%s: %s", st, n)
	}
	tick("cold", "door-off", "screws", "pane-out", "gasket-judge")
	if st, n := next(); st != "measure" || n != "Measure recess and old pane" {
		t.Errorf("%s: %s", st, n)
	}
	// Who measures has measured.
	if f := fault.Of(s.Bench.Tick(ctx, tor, jobview.First(id), "measure", bench.Done{Outcome: "done"})); f == nil ||
		!strings.Contains(f.Why, "not read yet") {
		t.Errorf("measured with nothing read: %v", f)
	}
	for p, text := range sized {
		read(t, s, tor, id, p, text)
	}
	tick("measure")
	read(t, s, tor, id, "width_middle", "296.5")
	if st, n := next(); st != "measure" || n != "Look again at a reading" {
		t.Errorf("%s: %s", st, n)
	}
	if err := s.Measure.Read(ctx, tor, jobview.First(id), "width_middle",
		measure.Said{Text: "269", Instrument: "rule", Version: 1}); err != nil {
		t.Fatal(err)
	}
	tick("choose")
	if st, n := next(); st != "choose" || n != "Choose the material" {
		t.Errorf("%s: %s", st, n)
	}
	if err := s.Bench.Choose(ctx, tor, jobview.First(id),
		bench.Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	upTo(t, s, tor, jobview.First(id), "")
	if st, n := next(); st != "prove" || n != "Finish the checks" {
		t.Errorf("%s: %s", st, n)
	}
}

func TestUndoingWork(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	for i, o := range []string{"done", "open", "left-out", "open"} {
		if err := s.Bench.Tick(ctx, tor, jobview.First(id), "cold", bench.Done{Outcome: o, Reason: "the door came by itself",
			Seen: i % 2}); err != nil {
			t.Fatal(err)
		}
	}
	if n := len(view1(t, s, id).Pane.Ticks); n != 0 {
		t.Errorf("%d ticks after the last was opened", n)
	}
	upTo(t, s, tor, jobview.First(id), "first-fire", "measure")
	ticks := len(view1(t, s, id).Pane.Ticks)
	if err := s.Bench.Answer(ctx, tor, jobview.First(id), "paper",
		bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}}); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.Reopen(ctx, tor, jobview.First(id), "paper", 1, ""); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.Reopen(ctx, tor, jobview.First(id), "paper", 1, ""); err != nil {
		t.Errorf("opening an open check: %v", err)
	}
	if v := view1(t, s, id); len(v.Pane.Answers) != 0 || len(v.Pane.Ticks) != ticks {
		t.Errorf("%d answers, %d ticks", len(v.Pane.Answers), len(v.Pane.Ticks))
	}
}

// Two people answer one check differently: the second is told.
func TestCheckConflict(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	upTo(t, s, tor, jobview.First(id), "first-fire", "measure")
	if err := s.Bench.Answer(ctx, tor, jobview.First(id), "paper",
		bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}}); err != nil {
		t.Fatal(err)
	}
	var c *record.Conflict
	fail := bench.Checked{Answer: prove.Answer{Outcome: prove.Fail, Finding: "loose at the hinge"}}
	if err := s.Bench.Answer(ctx, mira, jobview.First(id), "paper", fail); !errors.As(err, &c) ||
		!strings.Contains(c.Says, "Tor answered") {
		t.Errorf("%v", err)
	}
	fail.Seen = 1
	if err := s.Bench.Answer(ctx, mira, jobview.First(id), "paper", fail); err != nil {
		t.Error(err)
	}
}

// What was fixed at the signature stays, whatever is changed around it.
func TestTicketStaysAsItWas(t *testing.T) {
	s, mira, tor := open(t)
	id := finished(t, s, mira, tor)
	before := view1(t, s, id)
	if _, err := s.Store.DB.Exec("UPDATE object SET exposure = JSON_SET(exposure, '$.frame_hot', 20)"); err != nil {
		t.Fatal(err)
	}
	after := view1(t, s, id)
	for i, f := range after.Reckoning.Figures {
		if f.Value != before.Reckoning.Figures[i].Value || f.Text != before.Reckoning.Figures[i].Text {
			t.Errorf("%s was %s and is %s", f.Key, before.Reckoning.Figures[i].Text, f.Text)
		}
	}
	for name, err := range map[string]error{
		"reading": s.Measure.Read(ctx, tor, jobview.First(id), "width_top",
			measure.Said{Text: "300", Instrument: "tape", Version: 1}),
		"back":      s.Measure.TakeBack(ctx, tor, jobview.First(id), "width_top", 1),
		"pane":      s.Desk.SetPane(ctx, tor, jobview.First(id), before.Pane.Held, before.Pane.Version),
		"object":    s.Desk.SetObject(ctx, tor, id, before.Job.Object),
		"job":       s.Desk.SetJob(ctx, tor, id, before.Job),
		"step":      s.Bench.Tick(ctx, tor, jobview.First(id), "cold", bench.Done{Outcome: "open"}),
		"check":     s.Bench.Reopen(ctx, tor, jobview.First(id), "gap", 1, ""),
		"diagnosis": s.Bench.Diagnose(ctx, tor, jobview.First(id), bench.Seen{Evidence: diagnose.Evidence{}, Version: 1}),
		"strip":     s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(came("x", 1))),
		"put back":  s.Bench.PutBack(ctx, tor, id, "e1", 1, 1),
		"choice":    s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "glass-ceramic", Thickness: 5}),
	} {
		var c *record.Conflict
		if !errors.As(err, &c) {
			t.Errorf("a signed job took a change of its %s: %v", name, err)
		}
	}
}

func TestUnitChangesHowItIsShown(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	for p, text := range sized {
		read(t, s, tor, id, p, text)
	}
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		t.Fatal(err)
	}
	shop.Unit = "in"
	if _, err := s.People.SetShop(ctx, mira, shop); err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	if v.Unit != "in" || !strings.Contains(v.Reckoning.Order,
		" in, not chosen yet; best choice: 4 mm glass-ceramic, ±1/16 in") {
		t.Errorf("%s: %s", v.Unit, v.Reckoning.Order)
	}
	// A bare number is inches from now on.
	if err := s.Measure.Read(ctx, tor, jobview.First(id), "height_middle",
		measure.Said{Text: "9.5", Instrument: "tape"}); err != nil {
		t.Fatal(err)
	}
	for _, r := range view1(t, s, id).Pane.Readings {
		if r.Place == "height_middle" && (r.Reading.Value < 241.2 || r.Reading.Value > 241.4) {
			t.Errorf("9.5 was taken for %v mm", r.Reading.Value)
		}
	}
	var c *record.Conflict
	if _, err := s.People.SetShop(ctx, mira, shop); !errors.As(err, &c) {
		t.Errorf("an old copy of the shop: %v", err)
	}
	shop.Unit = "ells"
	if _, err := s.People.SetShop(ctx, mira, shop); fault.Of(err) == nil {
		t.Errorf("%v", err)
	}
}

func TestKnownCustomerIsUsedAgain(t *testing.T) {
	s, _, tor := open(t)
	takeIn(t, s, tor)
	known, err := s.Desk.Customers(ctx, "marl")
	if err != nil || len(known) != 1 {
		t.Fatalf("%v, %v", known, err)
	}
	in := stove()
	in.Name, in.CustomerID = "", known[0].ID
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	if v := view1(t, s, id); v.Job.Customer.ID != known[0].ID || v.Job.Customer.Name != "Oda Marl" {
		t.Errorf("%+v", v.Job.Customer)
	}
	if again, _ := s.Desk.Customers(ctx, "marl"); len(again) != 1 {
		t.Errorf("%d customers of that name", len(again))
	}
}

func TestAgo(t *testing.T) {
	s, _, _ := open(t)
	now := time.Date(2026, 3, 2, 9, 0, 0, 0, time.UTC)
	s.Now = func() time.Time { return now }
	for d, want := range map[time.Duration]string{10 * time.Second: "a moment ago", 5 * time.Minute: "5 min ago",
		3 * time.Hour: "3 h ago", 50 * time.Hour: "2 days ago"} {
		if got := s.Ago(now.Add(-d)); got != want {
			t.Errorf("%v back is %q, want %q", d, got, want)
		}
	}
}
