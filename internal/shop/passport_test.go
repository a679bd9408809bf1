package shop

import (
	"encoding/json"
	"errors"
	"slices"
	"strings"
	"testing"
	"time"

	"freshshard/core/experience"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/today"
)

// With the signature goes what belongs to it: one address, what is to be looked at again,
// a line of experience. A retry writes nothing twice.
func TestGoesOut(t *testing.T) {
	s, mira, tor := open(t)
	id := finished(t, s, mira, tor)
	if _, err := s.Records.Sign(ctx, mira, "", id, records.Signature{}); err == nil {
		t.Error("signed twice")
	}
	p, err := s.Records.Passport(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	if len(p.Panes) != 1 || p.Panes[0].What != "4 mm glass-ceramic" || !strings.HasSuffix(p.Panes[0].Size, "mm") ||
		p.Newer || len(p.Told) == 0 || !slices.ContainsFunc(p.Letter.WayIn, func(w string) bool {
		return strings.Contains(w, "4 × bracket screw (screw, M4, PH2, 12 mm)")
	}) {
		t.Errorf("%+v", p)
	}
	all, err := s.Records.Reminders(ctx)
	if err != nil || len(all) != 3 || all[0].Rule != "nip" || all[0].Customer != "Oda Marl" {
		t.Errorf("%+v, %v", all, err)
	}
	b, err := json.Marshal(p)
	if err != nil {
		t.Fatal(err)
	}
	j, _ := s.Store.Jobs.Job(ctx, id)
	for _, secret := range []string{j.Customer.Name, j.Customer.Phone, j.Story, "demonstration"} {
		if secret != "" && strings.Contains(string(b), secret) {
			t.Errorf("the passport tells %q", secret)
		}
	}
}

// An address opens one thing, until an owner withdraws it; a new one is another.
func TestLinks(t *testing.T) {
	s, mira, tor := open(t)
	draft := takeIn(t, s, tor)
	var c *record.Conflict
	if err := s.Records.MakeLink(ctx, mira, record.PassportLink, draft); !errors.As(err, &c) {
		t.Errorf("an open job got an address: %v", err)
	}
	if _, err := s.Records.Passport(ctx, draft); !errors.As(err, &c) {
		t.Errorf("an open job has a passport: %v", err)
	}
	id := finished(t, s, mira, tor)
	link := func() *record.Link {
		t.Helper()
		l, err := s.Records.LinkOf(ctx, record.PassportLink, id)
		if err != nil {
			t.Fatal(err)
		}
		return l
	}
	first := link()
	if len(first.Token) != 26 || first.MadeBy != mira.Name {
		t.Fatalf("%+v", first)
	}
	for range 2 { // there is one already
		if err := s.Records.MakeLink(ctx, tor, record.PassportLink, id); err != nil || link().Token != first.Token {
			t.Errorf("a second address: %v", err)
		}
	}
	// The last letter carries three bits: b is none of them.
	opens := func(token string) bool {
		l, err := s.Records.Opened(ctx, record.PassportLink, token)
		return err == nil && l.Job == id
	}
	if !opens(first.Token) || opens("") || opens(strings.ToUpper(first.Token)) || opens(first.Token[:25]+"b") {
		t.Error("an address opens what it should not, or not what it should")
	}
	if _, err := s.Records.Opened(ctx, record.CalendarLink, first.Token); err == nil {
		t.Error("a passport's address opens the calendar")
	}
	if err := s.Records.WithdrawLink(ctx, tor, record.PassportLink, id); err == nil {
		t.Error("a technician withdrew it")
	}
	for range 2 {
		if err := s.Records.WithdrawLink(ctx, mira, record.PassportLink, id); err != nil {
			t.Fatal(err)
		}
	}
	if link() != nil || opens(first.Token) {
		t.Error("it still opens")
	}
	if err := s.Records.MakeLink(ctx, tor, record.PassportLink, id); err != nil || link().Token == first.Token ||
		!opens(link().Token) {
		t.Errorf("the new address: %v", err)
	}
	if err := s.Records.MakeLink(ctx, tor, record.CalendarLink, 0); err == nil {
		t.Error("a technician made the calendar's address")
	}
	if err := s.Records.MakeLink(ctx, mira, record.CalendarLink, 0); err != nil {
		t.Fatal(err)
	}
	if l, _ := s.Records.LinkOf(ctx, record.CalendarLink, 0); l == nil {
		t.Error("no address of the calendar")
	}
}

// What is to be looked at: done once, put off to a day to come, dropped; what is stale is
// refused, and a day that is over.
func TestReminders(t *testing.T) {
	s, mira, tor := open(t)
	id := finished(t, s, mira, tor)
	now := s.Now()
	for range 2 { // a retry
		if _, err := s.Records.Remember(ctx, tor, "remember-1", id, records.Remember{What: "ask whether it drew",
			Due: now.Add(time.Hour)}); err != nil {
			t.Fatal(err)
		}
	}
	list := func() []record.Reminder {
		t.Helper()
		all, err := s.Records.Reminders(ctx)
		if err != nil {
			t.Fatal(err)
		}
		return all
	}
	if all := list(); len(all) != 4 || all[0].What != "ask whether it drew" || all[0].Rule != records.OwnRule {
		t.Fatalf("%+v", all)
	}
	for name, due := range map[string]time.Time{"now": now, "over": now.Add(-time.Second),
		"far": now.Add(records.Horizon + time.Second)} {
		if _, err := s.Records.Remember(ctx, tor, "", id, records.Remember{What: "x y", Due: due}); err == nil {
			t.Errorf("%s: taken", name)
		}
	}
	own, nip := list()[0], list()[1]
	next := now.AddDate(0, 0, 20)
	if err := s.Records.Reminded(ctx, tor, own.ID,
		records.Reminded{State: "open", Due: &next, Version: own.Version}); err != nil {
		t.Fatal(err)
	}
	var c *record.Conflict
	if err := s.Records.Reminded(ctx, tor, own.ID,
		records.Reminded{State: "dropped", Version: own.Version}); !errors.As(err, &c) {
		t.Errorf("an old version was taken: %v", err)
	}
	if err := s.Records.Reminded(ctx, tor, own.ID, records.Reminded{State: "open", Version: own.Version + 1}); err == nil {
		t.Error("put off to no day")
	}
	for range 2 {
		if err := s.Records.Reminded(ctx, tor, nip.ID, records.Reminded{State: "done", Version: nip.Version}); err != nil {
			t.Fatal(err)
		}
	}
	if all := list(); len(all) != 3 || !all[0].Due.Equal(next) {
		t.Errorf("%+v", all)
	}
	due, err := s.Today.Today(ctx, tor)
	if err != nil || len(due.Due) != 0 {
		t.Errorf("%+v, %v", due.Due, err)
	}
	s.Now = func() time.Time { return next.Add(-today.DueSoon + time.Second) }
	if due, err = s.Today.Today(ctx, tor); err != nil || len(due.Due) != 1 {
		t.Errorf("a week before: %+v, %v", due.Due, err)
	}
}

// An object that comes back stays one object through time; within a year it counts as
// come back, a day later it does not.
func TestCameBack(t *testing.T) {
	for name, c := range map[string]struct {
		after time.Duration
		back  int
	}{"within a year": {365 * 24 * time.Hour, 1}, "a day later": {366 * 24 * time.Hour, 0}} {
		t.Run(name, func(t *testing.T) {
			s, mira, tor := open(t)
			id := finished(t, s, mira, tor)
			out, _ := s.Records.Passport(ctx, id)
			s.Now = func() time.Time { return out.Out.Add(c.after) }
			var second int64
			for range 2 { // a retry
				var err error
				if second, err = s.Records.Again(ctx, tor, "again-again", id, nil); err != nil {
					t.Fatal(err)
				}
			}
			if due, err := s.Records.Reminders(ctx); err != nil || len(due) != 0 {
				t.Errorf("it is here, and is to be looked at: %+v, %v", due, err)
			}
			if other, err := s.Desk.Copy(ctx, tor, "", id, nil); err != nil || other == second {
				t.Fatal(err)
			}
			through, err := s.Records.Through(ctx, second)
			if err != nil || len(through) != 2 || through[0].Job != second || !through[0].Here || len(through[1].Panes) != 1 ||
				through[1].Panes[0].Cause == "over-tight" {
				t.Fatalf("%+v, %v", through, err)
			}
			if (through[1].Panes[0].Back != nil) != (c.back == 1) {
				t.Errorf("back at %v", through[1].Panes[0].Back)
			}
			if p, err := s.Records.Passport(ctx, id); err != nil || !p.Newer {
				t.Errorf("the old passport says nothing of the newer job: %v", err)
			}
			lines, err := s.Records.Experience(ctx, jobview.First(second))
			if err != nil {
				t.Fatal(err)
			}
			i := slices.IndexFunc(lines, func(l experience.Line) bool { return l.Kind == experience.ByMaterial })
			if i < 0 || lines[i].What != "glass-ceramic" || lines[i].Fitted != 1 || lines[i].Back != c.back {
				t.Errorf("%+v", lines)
			}
		})
	}
}

// "It is back", withdrawn, gives everything back: the first job's reminders, what was fitted
// did not come back, and its page points to no newer one. Taken up again it is back again.
func TestBackWithdrawn(t *testing.T) {
	s, mira, tor := open(t)
	id := finished(t, s, mira, tor)
	out, _ := s.Records.Passport(ctx, id)
	s.Now = func() time.Time { return out.Out.Add(30 * 24 * time.Hour) }
	before, err := s.Records.Reminders(ctx)
	if err != nil || len(before) == 0 {
		t.Fatalf("%+v, %v", before, err)
	}
	second, err := s.Records.Again(ctx, tor, "it-is-back", id, nil)
	if err != nil {
		t.Fatal(err)
	}
	look := func(back bool, when string) {
		t.Helper()
		due, err := s.Records.Reminders(ctx)
		if err != nil || (len(due) == 0) != back || !back && len(due) != len(before) {
			t.Errorf("%s: %d reminders of %d, %v", when, len(due), len(before), err)
		}
		if p, err := s.Records.Passport(ctx, id); err != nil || p.Newer != back {
			t.Errorf("%s: newer %v, %v", when, p.Newer, err)
		}
		through, err := s.Records.Through(ctx, id)
		if err != nil || (through[len(through)-1].Panes[0].Back != nil) != back {
			t.Errorf("%s: %+v, %v", when, through, err)
		}
	}
	look(true, "it is back")
	if err := s.Desk.Withdraw(ctx, tor, second, "the wrong one"); err != nil {
		t.Fatal(err)
	}
	look(false, "withdrawn")
	if err := s.Desk.TakeUp(ctx, tor, second); err != nil {
		t.Fatal(err)
	}
	look(true, "taken up again")
}

// A job is found by any word of what is kept with it.
func TestSearch(t *testing.T) {
	s, mira, tor := open(t)
	id := finished(t, s, mira, tor)
	if _, err := s.Stock.AddStock(ctx, tor, "", sheetOf(2)); err != nil {
		t.Fatal(err)
	}
	for words, want := range map[string][3]bool{
		"bracket screw": {true}, "oda": {true, true}, "glass-ceramic": {true}, "ticket 1": {true},
		"annealed rack":   {false, false, true},
		"nothing like it": {}, "o": {}, "": {}, "%": {}, "over-tight": {true},
	} {
		f, err := s.Today.Search(ctx, words)
		if err != nil {
			t.Fatal(err)
		}
		has := slices.ContainsFunc(f.Jobs, func(r record.Row) bool { return r.ID == id })
		if has != want[0] || len(f.Customers) > 0 != want[1] || len(f.Stores) > 0 != want[2] {
			t.Errorf("%q: %+v", words, f)
		}
	}
}
