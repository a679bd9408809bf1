package shop

import (
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/source"
	"freshshard/internal/bench"
	"freshshard/internal/buy"
	"freshshard/internal/jobview"
)

// Offers are noted once, ranked, taken; the pane then waits until it should be here. A
// wrong mark is not ordered where one is asked for.
func TestOffers(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	at := jobview.First(id)
	add := func(key string, o source.Offer) error { return s.Buy.AddOffer(ctx, tor, key, at, o) }
	cutter := source.Offer{Kind: source.Cutter, Who: "the cutter", Price: 6400, Days: 3, Misfit: 3}
	for range 2 {
		if err := add("first-offer", cutter); err != nil {
			t.Fatal(err)
		}
	}
	if err := add("", source.Offer{Kind: source.Post, Who: "by post", Price: 4100, Carriage: 1500, Missing: 1900, Days: 6,
		Misfit: 12}); err != nil {
		t.Fatal(err)
	}
	if f := fault.Of(add("", source.Offer{Kind: "friend"})); f == nil || f.Field != "kind" {
		t.Errorf("%v", f)
	}
	o, err := s.Buy.Offers(ctx, at)
	if err != nil || len(o.Offers) != 2 || o.Offers[0].Who != "the cutter" || o.Terms.Visit != source.UsualTerms.Visit ||
		len(o.Usuals) != 6 {
		t.Fatalf("%+v, %v", o, err)
	}
	if err := s.Buy.SetTerms(ctx, tor, at,
		buy.NewTerms{Terms: source.Terms{Visit: 9000}, Seen: source.UsualTerms}); err != nil {
		t.Fatal(err)
	}
	if f := fault.Of(s.Buy.SetTerms(ctx, tor, at, buy.NewTerms{Terms: source.Terms{Visit: -1}})); f == nil ||
		f.Field != "visit" {
		t.Errorf("%v", f)
	}
	if f := fault.Of(s.Buy.TakeOffer(ctx, tor, at, o.Offers[0].ID, 0, time.UTC)); f == nil || f.Field != "pane" {
		t.Errorf("ordered before anybody settled what it is made of: %v", f)
	}
	if err := s.Bench.Choose(ctx, tor, at, bench.Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	before := view1(t, s, id).Pane.Version
	for range 2 { // a tap that comes twice
		if err := s.Buy.TakeOffer(ctx, tor, at, o.Offers[0].ID, 0, time.UTC); err != nil {
			t.Fatal(err)
		}
	}
	p := view1(t, s, id).Pane
	if p.WaitsFor != "the pane from the cutter" || p.WaitsUntil == nil || p.Version != before+1 ||
		p.WaitsUntil.Hour() != buy.DeliveryHour {
		t.Errorf("%q until %v", p.WaitsFor, p.WaitsUntil)
	}
	if o, err = s.Buy.Offers(ctx, at); err != nil || o.Taken != o.Offers[0].ID && o.Taken != o.Offers[1].ID ||
		o.Terms.Visit != 9000 {
		t.Errorf("%+v, %v", o, err)
	}
	obj := view1(t, s, id).Job.Object
	obj.Stamp = "a mark"
	if err := s.Desk.SetObject(ctx, tor, id, obj); err != nil {
		t.Fatal(err)
	}
	post := o.Offers[0].ID
	if post == o.Taken {
		post = o.Offers[1].ID
	}
	if f := fault.Of(s.Buy.TakeOffer(ctx, tor, at, post, o.Taken, time.UTC)); f == nil || f.Field != "mark" {
		t.Errorf("ordered without its mark: %v", f)
	}
	if err := s.Buy.DropOffer(ctx, tor, at, post); err != nil {
		t.Fatal(err)
	}
	if o, err = s.Buy.Offers(ctx, at); err != nil || len(o.Offers) != 1 || o.Offers[0].Out == "" {
		t.Errorf("%+v, %v", o, err)
	}
}
