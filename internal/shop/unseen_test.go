package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/source"
	"freshshard/core/supply"
	"freshshard/core/thing"
	"freshshard/internal/buy"
	"freshshard/internal/days"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// What an older screen says overwrites nothing: promises, terms, places, suppliers of one
// name, orders of the same thing. A retry of what stands already is no quarrel.
func TestNobodyIsOverwrittenFromAnOlderScreen(t *testing.T) {
	s, mira, tor := open(t)
	s.Now = func() time.Time { return monday }
	id := toCutLight(t, s, tor, "Greenhouse, light 1", "506", "402")
	dayOf(t, s, mira)
	var conflict *record.Conflict
	first, second := monday.AddDate(0, 0, 10), monday.AddDate(0, 0, 11)
	if _, err := s.Days.Promise(ctx, mira, id, first, nil); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Days.Promise(ctx, tor, id, first, nil); err != nil {
		t.Errorf("a retry: %v", err)
	}
	if _, err := s.Days.Promise(ctx, tor, id, second, nil); !errors.As(err, &conflict) || conflict.Field != "at" {
		t.Errorf("a promise from a screen that showed none: %v", err)
	}
	if _, err := s.Days.Promise(ctx, tor, id, second, &first); err != nil {
		t.Errorf("%v", err)
	}

	at := jobview.First(id)
	mine := source.Terms{Visit: 9000, Day: 100}
	if err := s.Buy.SetTerms(ctx, mira, at, buy.NewTerms{Terms: mine, Seen: source.UsualTerms}); err != nil {
		t.Fatal(err)
	}
	if err := s.Buy.SetTerms(ctx, mira, at, buy.NewTerms{Terms: mine, Seen: source.UsualTerms}); err != nil {
		t.Errorf("a retry: %v", err)
	}
	if err := s.Buy.SetTerms(ctx, tor, at,
		buy.NewTerms{Terms: source.Terms{Visit: 1}, Seen: source.UsualTerms}); !errors.As(err, &conflict) ||
		!strings.Contains(conflict.Says, "90.00") {
		t.Errorf("terms over others: %v", err)
	}

	bench := func(n, seen int) error {
		return s.Days.Calendar.SetDayPlace(ctx, mira,
			days.NewDayPlace{DayPlace: record.DayPlace{Name: "bench", Count: n}, Seen: seen})
	}
	if err := errors.Join(bench(3, 2), bench(3, 2)); err != nil {
		t.Fatal(err)
	}
	if err := bench(4, 2); !errors.As(err, &conflict) || !strings.Contains(conflict.Says, "3") {
		t.Errorf("places: %v", err)
	}

	marsh := record.Supplier{Name: "Marsh & Reed", Kind: "cutter", Way: "file", Address: "marsh"}
	other := marsh
	other.Name, other.Address = "marsh & reed", "elsewhere"
	if err := errors.Join(s.Suppliers.SetSupplier(ctx, mira, marsh),
		s.Suppliers.SetSupplier(ctx, mira, marsh)); err != nil {
		t.Fatal(err)
	}
	if f := fault.Of(s.Suppliers.SetSupplier(ctx, mira, other)); f == nil || f.Field != "name" {
		t.Errorf("another of the same name: %v", f)
	}
}

// Two screens order the same pane: the second is told where it is ordered already.
func TestNothingIsOrderedTwice(t *testing.T) {
	s, _, tor := open(t)
	id := toCutLight(t, s, tor, "Greenhouse, light 1", "506", "402")
	at, v := jobview.First(id), view1(t, s, id)
	o := buy.NewOrder{Kind: "cutter", Who: "the lock", Days: 3,
		Lines: []supply.Line{{Key: thing.PaneKey(v.Pane.ID), Pane: v.Pane.ID,
			Text: "the pane", Milli: 1000, Unit: "pc"}}}
	if err := s.Buy.AddOrder(ctx, tor, "one-screen", id, o, time.UTC); err != nil {
		t.Fatal(err)
	}
	if err := s.Buy.AddOrder(ctx, tor, "one-screen", id, o, time.UTC); err != nil {
		t.Errorf("a retry: %v", err)
	}
	if f := fault.Of(s.Buy.AddOrder(ctx, tor, "the-other", id, o, time.UTC)); f == nil || f.Field != "lines[0]" ||
		!strings.Contains(f.Why, "at the lock") {
		t.Errorf("%v", f)
	}
	for _, who := range []string{"the lock", "the quay"} {
		if err := s.Buy.AddOffer(ctx, tor, "", at,
			source.Offer{Kind: source.Cutter, Who: who, Price: 4000, Days: 3, Mark: true}); err != nil {
			t.Fatal(err)
		}
	}
	all, err := s.Buy.Offers(ctx, at)
	if err != nil || len(all.Offers) != 2 {
		t.Fatalf("%+v, %v", all, err)
	}
	one, two := all.Offers[0].ID, all.Offers[1].ID
	if err := s.Buy.TakeOffer(ctx, tor, at, one, 0, time.UTC); err != nil {
		t.Fatal(err)
	}
	var conflict *record.Conflict
	if err := s.Buy.TakeOffer(ctx, tor, at, two, 0, time.UTC); !errors.As(err, &conflict) ||
		!strings.Contains(conflict.Says, all.Offers[0].Who) {
		t.Errorf("%v", err)
	}
	if err := s.Buy.TakeOffer(ctx, tor, at, two, one, time.UTC); err != nil {
		t.Errorf("who sees where it is ordered may change it: %v", err)
	}
}
