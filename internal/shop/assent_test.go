package shop

import (
	"errors"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/price"
	"freshshard/internal/bill"
	"freshshard/internal/buy"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// A quote goes to its customer by a page: the job waits for the yes, a call that is asked for stands
// in its place, the yes ends the wait. The same said twice is kept once; the shop takes it back; a
// newer quote asks anew, and one that holds no longer hears nothing.
func TestCustomerSaysYes(t *testing.T) {
	s, _, tor := open(t)
	now := time.Date(2027, 3, 1, 10, 0, 0, 0, time.UTC)
	s.Now = func() time.Time { return now }
	id := s.priced(t, tor)
	var conflict *record.Conflict
	if err := s.Bill.Yes.AskForYes(ctx, tor, id); !errors.As(err, &conflict) {
		t.Errorf("asked without a quote: %v", err)
	}
	quote := func() {
		t.Helper()
		total := priceOf(t, s, id).Total.Cents
		if err := s.Bill.Write(ctx, tor, "", id, bill.Paper{Kind: price.Quote, Total: total}); err != nil {
			t.Fatal(err)
		}
	}
	stands := func(want price.Assent, waits string) *bill.Asked {
		t.Helper()
		a := priceOf(t, s, id).Asked
		if a == nil || a.Stands != want {
			t.Fatalf("%+v, want %s", a, want)
		}
		if got := view1(t, s, id).Pane.WaitsFor; got != waits {
			t.Fatalf("it waits for %q, want %q", got, waits)
		}
		return a
	}
	hear := func(by record.Account, yes bool, name string) error {
		return s.Bill.Yes.Hear(ctx, by, id, bill.Said{Yes: yes, Name: name, Words: "after six"})
	}
	quote()
	stands(price.Unasked, "")
	for range 2 {
		if err := s.Bill.Yes.AskForYes(ctx, tor, id); err != nil {
			t.Fatal(err)
		}
	}
	link := stands(price.Waiting, "the customer's yes").Link
	if l, err := s.Records.Opened(ctx, record.QuoteLink, link.Token); err != nil || l.Job != id {
		t.Fatalf("%+v %v", l, err)
	}
	if _, err := s.Records.Opened(ctx, record.PassportLink, link.Token); err == nil {
		t.Error("the address of a quote opened a passport")
	}
	page, err := s.Bill.Yes.QuotePage(ctx, id)
	if err != nil || page.Bill.Total != priceOf(t, s, id).Total.Cents || len(page.Bill.Not) == 0 ||
		page.Stands != price.Waiting {
		t.Fatalf("%+v %v", page, err)
	}
	if f := fault.Of(hear(record.Account{}, true, " ")); f == nil || f.Field != "name" {
		t.Errorf("%v", f)
	}
	if err := hear(record.Account{}, false, "Oda Marl"); err != nil {
		t.Fatal(err)
	}
	stands(price.Call, "a call to the customer, who asks for one")
	for range 2 {
		if err := hear(record.Account{}, true, "Oda Marl"); err != nil {
			t.Fatal(err)
		}
	}
	a := stands(price.Yes, "")
	if len(a.Replies) != 2 || a.Replies[1].By != "" || a.Replies[1].Words != "after six" || !a.Replies[1].At.Equal(now) {
		t.Errorf("%+v", a.Replies)
	}
	if err := s.Bill.Yes.StopAsking(ctx, tor, id); err != nil {
		t.Fatal(err)
	}
	a = stands(price.Unasked, "")
	if a.Link != nil || a.Replies[0].Withdrawn == nil || len(a.Replies) != 2 {
		t.Errorf("%+v", a)
	}
	if _, err := s.Records.Opened(ctx, record.QuoteLink, link.Token); err == nil {
		t.Error("a page that was withdrawn opens")
	}
	if err := hear(tor, true, "Oda Marl"); err != nil { // on paper
		t.Fatal(err)
	}
	if a = stands(price.Yes, ""); a.Replies[2].By == "" {
		t.Errorf("nobody wrote it down: %+v", a.Replies[2])
	}
	quote()
	if a = stands(price.Unasked, ""); len(a.Replies) != 0 {
		t.Errorf("what was said to the quote before: %+v", a.Replies)
	}
	if err := s.Bill.Yes.AskForYes(ctx, tor, id); err != nil {
		t.Fatal(err)
	}
	if err := hear(record.Account{}, false, "Oda Marl"); err != nil {
		t.Fatal(err)
	}
	quote()
	stands(price.Waiting, "the customer's yes")
	now = now.AddDate(0, 0, 31)
	stands(price.Over, "the customer's yes")
	if f := fault.Of(hear(record.Account{}, true, "Oda Marl")); f == nil || f.Field != "yes" {
		t.Errorf("a yes to a quote that is over: %v", f)
	}
}

// What somebody else said a pane waits for stays, whatever becomes of the quote.
func TestYesLeavesOtherWaits(t *testing.T) {
	s, mira, tor := open(t)
	id := s.priced(t, tor)
	if err := s.Bill.Write(ctx, tor, "", id, bill.Paper{Kind: price.Quote,
		Total: priceOf(t, s, id).Total.Cents}); err != nil {
		t.Fatal(err)
	}
	if err := s.Buy.SetWait(ctx, tor, jobview.First(id), buy.Wait{For: "a rope from the chandler",
		Version: view1(t, s, id).Pane.Version}); err != nil {
		t.Fatal(err)
	}
	for _, f := range []func() error{
		func() error { return s.Bill.Yes.AskForYes(ctx, tor, id) },
		func() error { return s.Bill.Yes.Hear(ctx, record.Account{}, id, bill.Said{Yes: true, Name: "Oda"}) },
		func() error { return s.Bill.Yes.StopAsking(ctx, mira, id) },
	} {
		if err := f(); err != nil {
			t.Fatal(err)
		}
		if w := view1(t, s, id).Pane.WaitsFor; w != "a rope from the chandler" {
			t.Errorf("it waits for %q", w)
		}
	}
}
