package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/bank"
	"freshshard/core/fault"
	"freshshard/core/owed"
	"freshshard/core/price"
	"freshshard/internal/bill"
	"freshshard/internal/record"
)

// priced takes a greenhouse's job in, with a price for all that goes into it.
func (s *Shop) priced(t *testing.T, by record.Account) int64 {
	t.Helper()
	id := takeIn(t, s, by)
	p := priceOf(t, s, id)
	a := p.Adjust
	a.Prices = map[string]int64{}
	for _, l := range p.Lines {
		if l.Open {
			a.Prices[l.Key] = 2500
		}
	}
	if err := s.Bill.SetPrice(ctx, by, id, a); err != nil {
		t.Fatal(err)
	}
	return id
}

// From what is asked ahead to the last cent: paid ahead, billed, late, paid in parts, taken back and
// given back. Each plausible slip is refused at its field, and a tap that comes twice counts once.
func TestPaidInParts(t *testing.T) {
	s, mira, tor := open(t)
	now := time.Date(2027, 3, 1, 10, 0, 0, 0, time.UTC)
	s.Now = func() time.Time { return now }
	r := price.Usual
	r.Deposit, r.Terms = 3000, 14
	if err := s.Bill.SetRates(ctx, mira, r); err != nil {
		t.Fatal(err)
	}
	id := s.priced(t, tor)
	day := func() string { return now.Format(time.DateOnly) }
	pay := func(by record.Account, key string, cents int64, note string) error {
		return s.Bill.Pay(ctx, by, key, id, owed.Entry{Cents: cents, Way: owed.Bank, Day: day(), Note: note})
	}
	paper := func(by record.Account, kind price.Kind, why string) {
		t.Helper()
		p := priceOf(t, s, id)
		if err := s.Bill.Write(ctx, by, "", id, bill.Paper{Kind: kind, Total: p.Total.Cents, Agreed: why}); err != nil {
			t.Fatal(err)
		}
	}
	stands := func(state owed.State, open int64) bill.Priced {
		t.Helper()
		p := priceOf(t, s, id)
		if p.Account.State != state || p.Account.Open != open {
			t.Fatalf("%+v, want %s %d", p.Account, state, open)
		}
		return p
	}
	refused := func(err error, field string) {
		t.Helper()
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("%v, want it refused at %s", err, field)
		}
	}
	stands(owed.Nothing, 0)
	paper(tor, price.Quote, "")
	p := priceOf(t, s, id)
	quote := p.Papers[0]
	if quote.Ahead != (quote.Total*3+5)/10 {
		t.Errorf("%d is asked ahead of %d", quote.Ahead, quote.Total)
	}
	refused(pay(tor, "", quote.Total+1, ""), "cents")
	for range 2 {
		if err := pay(tor, "paid-ahead-once", quote.Ahead, ""); err != nil {
			t.Fatal(err)
		}
	}
	stands(owed.Ahead, -quote.Ahead)
	if err := s.Desk.Withdraw(ctx, mira, id, "the customer said no"); err != nil {
		t.Fatal(err)
	}
	work := priceOf(t, s, id).Adjust
	work.Own = []price.Own{{Text: "what was done until then", Milli: 1000, Each: quote.Net / 2}}
	if err := s.Bill.SetPrice(ctx, tor, id, work); err != nil {
		t.Fatal(err)
	}
	paper(tor, price.Invoice, "")
	p = priceOf(t, s, id)
	invoice := p.Papers[1]
	if invoice.Had != quote.Ahead || invoice.Due == nil || !invoice.Due.Equal(now.AddDate(0, 0, 14)) {
		t.Fatalf("%+v", invoice)
	}
	rest := invoice.Total - quote.Ahead
	stands(owed.Open, rest)
	refused(pay(tor, "", rest*100, ""), "cents")
	if err := pay(tor, "", 1000, ""); err != nil {
		t.Fatal(err)
	}
	now = now.AddDate(0, 0, 15)
	if p = stands(owed.Overdue, rest-1000); p.Account.Late != 1 {
		t.Errorf("%+v", p.Account)
	}
	owing := s.owing(t, mira)
	if len(owing) != 1 || owing[0].Job != id || owing[0].Open != rest-1000 || owing[0].State != owed.Overdue ||
		owing[0].Number != invoice.Number {
		t.Fatalf("%+v", owing)
	}
	if err := pay(tor, "", rest-1000, ""); err != nil {
		t.Fatal(err)
	}
	stands(owed.Settled, 0)
	refused(pay(tor, "", 1, ""), "cents")
	if owing = s.owing(t, mira); len(owing) != 0 {
		t.Errorf("%+v", owing)
	}
	paper(mira, price.Credit, "the wrong pane")
	stands(owed.Back, -invoice.Total)
	if owing = s.owing(t, mira); len(owing) != 1 || owing[0].State != owed.Back || owing[0].Number != 0 {
		t.Errorf("%+v", owing)
	}
	var denied *record.Denied
	if err := pay(tor, "", -invoice.Total, "taken back"); !errors.As(err, &denied) {
		t.Errorf("a technician gave money back: %v", err)
	}
	refused(pay(mira, "", -invoice.Total, ""), "note")
	refused(pay(mira, "", -invoice.Total-1, "taken back"), "cents")
	if err := pay(mira, "", -invoice.Total, "taken back"); err != nil {
		t.Fatal(err)
	}
	stands(owed.Settled, 0)
	got, err := s.Bill.Received(ctx, mira, "2027-03-01", day())
	if err != nil || len(got) != 4 || got[3].Cents != -invoice.Total {
		t.Errorf("%v %+v", err, got)
	}
	if _, err := s.Bill.Owing(ctx, tor); !errors.As(err, &denied) {
		t.Errorf("a technician read what is owed: %v", err)
	}
}

func (s *Shop) owing(t *testing.T, by record.Account) []record.Owing {
	t.Helper()
	all, err := s.Bill.Owing(ctx, by)
	if err != nil {
		t.Fatal(err)
	}
	return all
}

// What stands on papers is checked where it is typed, stays on papers as it was, and one who is free
// of tax pays none.
func TestLetterheadAndPayer(t *testing.T) {
	s, mira, tor := open(t)
	good := record.Letterhead{Postal: record.Postal{Street: "Quay 4", City: "Hollin Ferry", Country: "no"},
		Mail: "yard@lantern.example", Currency: "eur", Bank: bank.Account{Holder: "Lantern Yard",
			IBAN: "no93 8601 1117 947"}}
	var denied *record.Denied
	if err := s.Bill.SetLetterhead(ctx, tor, good); !errors.As(err, &denied) {
		t.Errorf("%v", err)
	}
	for field, change := range map[string]func(*record.Letterhead){
		"postal.country": func(l *record.Letterhead) { l.Postal.Country = "QQ" },
		"bank.iban":      func(l *record.Letterhead) { l.Bank.IBAN = "NO93 8601 1117 974" },
		"bank.bic":       func(l *record.Letterhead) { l.Bank.BIC = "short" },
		"currency":       func(l *record.Letterhead) { l.Currency = "shells" },
		"mail":           func(l *record.Letterhead) { l.Mail = "yard at lantern" },
		"phone":          func(l *record.Letterhead) { l.Phone = strings.Repeat("1", 41) },
	} {
		l := good
		change(&l)
		if f := fault.Of(s.Bill.SetLetterhead(ctx, mira, l)); f == nil || f.Field != field {
			t.Errorf("%s: %v", field, f)
		}
	}
	if err := s.Bill.SetLetterhead(ctx, mira, good); err != nil {
		t.Fatal(err)
	}
	var stale *record.Conflict
	if err := s.Bill.SetLetterhead(ctx, mira, good); !errors.As(err, &stale) {
		t.Errorf("an old copy was taken: %v", err)
	}
	r := price.Usual
	r.Tax = 2000
	if err := s.Bill.SetRates(ctx, mira, r); err != nil {
		t.Fatal(err)
	}
	id := s.priced(t, tor)
	taxed := priceOf(t, s, id)
	who := record.Payer{Name: "The Mutual", Reference: "claim 9", TaxFree: "a mission of another country"}
	if f := fault.Of(s.Bill.SetPayer(ctx, tor, id, record.Payer{Mail: "nowhere"})); f == nil || f.Field != "mail" {
		t.Errorf("%v", f)
	}
	if err := s.Bill.SetPayer(ctx, tor, id, who); err != nil {
		t.Fatal(err)
	}
	if err := s.Bill.SetPayer(ctx, tor, id, who); !errors.As(err, &stale) {
		t.Errorf("an old copy was taken: %v", err)
	}
	p := priceOf(t, s, id)
	if p.Tax.Cents != 0 || taxed.Tax.Cents == 0 || p.Total.Cents != taxed.Net.Cents || p.Payer.Version != 1 ||
		p.Currency != "EUR" {
		t.Fatalf("%+v, %+v", p.Total, p.Payer)
	}
	if err := s.Bill.Write(ctx, tor, "", id, bill.Paper{Kind: price.Quote, Total: p.Total.Cents}); err != nil {
		t.Fatal(err)
	}
	next := good
	next.Version, next.Bank.IBAN = 1, ""
	if err := s.Bill.SetLetterhead(ctx, mira, next); err != nil {
		t.Fatal(err)
	}
	b := priceOf(t, s, id).Papers[0]
	if b.From == nil || b.From.Bank.IBAN != "NO9386011117947" || b.From.Postal.Country != "NO" || b.Payer == nil ||
		b.Payer.Reference != "claim 9" {
		t.Errorf("%+v %+v", b.From, b.Payer)
	}
}
