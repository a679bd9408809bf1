package shop

import (
	"fmt"
	"strings"
	"sync"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/price"
	"freshshard/core/source"
	"freshshard/core/thing"
	"freshshard/internal/bill"
	"freshshard/internal/jobview"
)

func priceOf(t *testing.T, s *Shop, id int64) bill.Priced {
	t.Helper()
	p, err := s.Bill.Price(ctx, jobview.First(id))
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// From an estimate without a price for its pane to a quote; then the job comes to
// nothing and what was done is billed, taken back, and billed again.
func TestQuoteToInvoice(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	p := priceOf(t, s, id)
	if len(p.Open) == 0 || p.Rates != price.Usual || p.Total.Low >= p.Total.High || p.MayBill == "" {
		t.Fatalf("%+v", p)
	}
	write := func(kind price.Kind, total int64, agreed string) error {
		return s.Bill.Write(ctx, tor, "", id, bill.Paper{Kind: kind, Total: total, Agreed: agreed})
	}
	asOwner := func(kind price.Kind, total int64, agreed string) error {
		return s.Bill.Write(ctx, mira, "", id, bill.Paper{Kind: kind, Total: total, Agreed: agreed})
	}
	if f := fault.Of(write(price.Quote, p.Total.Cents, "")); f == nil || f.Field != "open" {
		t.Errorf("a quote without the pane: %v", f)
	}
	if err := s.Buy.AddOffer(ctx, tor, "", jobview.First(id),
		source.Offer{Kind: source.Cutter, Who: "the lock", Price: 6400,
			Days: 3}); err != nil {
		t.Fatal(err)
	}
	p = priceOf(t, s, id)
	a := p.Adjust
	a.Prices = map[string]int64{}
	for _, l := range p.Lines {
		if l.Open {
			a.Prices[l.Key] = 900
		}
	}
	if err := s.Bill.SetPrice(ctx, tor, id, a); err != nil {
		t.Fatal(err)
	}
	if err := s.Bill.SetPrice(ctx, tor, id, a); err == nil {
		t.Error("an old copy was taken")
	}
	if f := fault.Of(s.Bill.SetPrice(ctx, tor, id, price.Adjust{Discount: 10_001})); f == nil || f.Field != "discount" {
		t.Errorf("%v", f)
	}
	p = priceOf(t, s, id)
	if len(p.Open) != 0 {
		t.Fatalf("%v", p.Open)
	}
	if err := write(price.Quote, p.Total.Cents-1, ""); err == nil || !strings.Contains(err.Error(), "is not written") {
		t.Errorf("another total was quoted: %v", err)
	}
	for range 2 { // a tap that comes twice
		if err := s.Bill.Write(ctx, tor, "a-quote", id, bill.Paper{Kind: price.Quote, Total: p.Total.Cents}); err != nil {
			t.Fatal(err)
		}
	}
	if err := write(price.Invoice, p.Total.Cents, ""); err == nil || !strings.Contains(err.Error(), "not signed off") {
		t.Errorf("%v", err)
	}
	p = priceOf(t, s, id)
	if len(p.Papers) != 1 || p.Quoted != p.Total.Cents || p.Papers[0].Until == nil || len(p.Papers[0].Covers) == 0 {
		t.Fatalf("%+v", p.Papers)
	}
	if err := s.Desk.Withdraw(ctx, mira, id, "the customer said no"); err != nil {
		t.Fatal(err)
	}
	p = priceOf(t, s, id)
	if p.MayBill != "" || p.Total.Low != p.Total.High && len(p.Lines) > 0 && p.Lines[0].Kind == price.Labour {
		t.Errorf("%q, %+v", p.MayBill, p.Total)
	}
	// Dearer than quoted wants a word.
	a = p.Adjust
	a.Own = []price.Own{{Text: "the ferry, twice", Milli: 2000, Each: 100_000}}
	if err := s.Bill.SetPrice(ctx, tor, id, a); err != nil {
		t.Fatal(err)
	}
	p = priceOf(t, s, id)
	if f := fault.Of(write(price.Invoice, p.Total.Cents, "")); f == nil || f.Field != "agreed" || p.Above == 0 {
		t.Errorf("%v", f)
	}
	if err := asOwner(price.Credit, 0, "nothing to take back"); err == nil {
		t.Error("a credit without an invoice")
	}
	if err := write(price.Invoice, p.Total.Cents, "she rang on Monday"); err != nil {
		t.Fatal(err)
	}
	if err := write(price.Invoice, p.Total.Cents, "again"); err == nil ||
		!strings.Contains(err.Error(), "take it back first") {
		t.Errorf("a second invoice: %v", err)
	}
	if f := fault.Of(asOwner(price.Credit, 0, " ")); f == nil || f.Field != "agreed" {
		t.Errorf("%v", f)
	}
	if err := asOwner(price.Credit, 0, "the wrong customer"); err != nil {
		t.Fatal(err)
	}
	if err := write(price.Invoice, p.Total.Cents, "she rang on Monday"); err != nil {
		t.Fatal(err)
	}
	p = priceOf(t, s, id)
	said := ""
	for _, b := range p.Papers {
		said += fmt.Sprintf("%s %d of %d; ", b.Kind, b.Number, b.OfNumber)
	}
	if said != "quote 1 of 0; invoice 1 of 0; credit 1 of 1; invoice 2 of 0; " {
		t.Error(said)
	}
	today := s.Now().Truncate(24 * time.Hour)
	l, err := s.Bill.Ledger(ctx, mira, today, today)
	if err != nil || len(l) != 3 || l[0].Total+l[1].Total != 0 {
		t.Errorf("%v, %+v", err, l)
	}
	if _, err := s.Bill.Ledger(ctx, mira, today, today.AddDate(0, 0, -1)); fault.Of(err) == nil {
		t.Error("days the wrong way round")
	}
}

// An offer that cannot be taken, by its mark, is nobody's price.
func TestPriceOfWhatCanBeTaken(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	obj := view1(t, s, id).Job.Object
	obj.Stamp = "a mark"
	if err := s.Desk.SetObject(ctx, tor, id, obj); err != nil {
		t.Fatal(err)
	}
	add := func(who string, cents int64, mark bool) {
		t.Helper()
		if err := s.Buy.AddOffer(ctx, tor, "", jobview.First(id), source.Offer{Kind: source.Cutter, Who: who, Price: cents,
			Mark: mark}); err != nil {
			t.Fatal(err)
		}
	}
	pane := func() price.Line {
		for _, l := range priceOf(t, s, id).Lines {
			if l.Key == thing.PaneKey(view1(t, s, id).Pane.ID) {
				return l
			}
		}
		t.Fatal("no line for the pane")
		return price.Line{}
	}
	add("cheap, without its mark", 1000, false)
	if l := pane(); !l.Open {
		t.Errorf("%+v", l)
	}
	add("the lock", 6000, true)
	add("the quay", 9000, true)
	if l := pane(); l.Open || l.Cost != 6000 || l.Low != 7200 || l.High != 10_800 {
		t.Errorf("%+v", l)
	}
}

// Thirty quotes at once have the numbers 1 to 30.
func TestNumbersWithoutAGap(t *testing.T) {
	s, _, tor := open(t)
	const n = 30
	ids := [n]int64{}
	totals := [n]int64{}
	for i := range ids {
		ids[i] = takeIn(t, s, tor)
		p := priceOf(t, s, ids[i])
		a := price.Adjust{Prices: map[string]int64{}}
		for _, l := range p.Lines {
			a.Prices[l.Key] = 500
		}
		if err := s.Bill.SetPrice(ctx, tor, ids[i], a); err != nil {
			t.Fatal(err)
		}
		totals[i] = priceOf(t, s, ids[i]).Total.Cents
	}
	var wait sync.WaitGroup
	errs := [n]error{}
	for i := range ids {
		wait.Go(func() {
			errs[i] = s.Bill.Write(ctx, tor, fmt.Sprintf("quote-%d", i), ids[i], bill.Paper{Kind: price.Quote, Total: totals[i]})
		})
	}
	wait.Wait()
	seen := map[int64]bool{}
	for i := range ids {
		if errs[i] != nil {
			t.Fatal(errs[i])
		}
		for _, b := range priceOf(t, s, ids[i]).Papers {
			seen[b.Number] = true
		}
	}
	for k := int64(1); k <= n; k++ {
		if !seen[k] {
			t.Errorf("number %d is missing", k)
		}
	}
}

func TestRates(t *testing.T) {
	s, mira, tor := open(t)
	r := price.Usual
	r.Tax = 2100
	if err := s.Bill.SetRates(ctx, tor, r); err == nil {
		t.Error("a technician changed what the shop asks")
	}
	if err := s.Bill.SetRates(ctx, mira, r); err != nil {
		t.Fatal(err)
	}
	if err := s.Bill.SetRates(ctx, mira, r); err == nil {
		t.Error("an old copy was taken")
	}
	got, err := s.Bill.Rates(ctx)
	if r.Version = 1; err != nil || got != r {
		t.Errorf("%+v, %v", got, err)
	}
	r.Hour = -1
	if f := fault.Of(s.Bill.SetRates(ctx, mira, r)); f == nil || f.Field != "hour" {
		t.Errorf("%v", f)
	}
}
