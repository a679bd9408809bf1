package demo

import (
	"context"
	"fmt"
	"slices"
	"time"

	"freshshard/core/bank"
	"freshshard/core/owed"
	"freshshard/core/price"
	"freshshard/core/source"
	"freshshard/core/supply"
	"freshshard/core/thing"
	"freshshard/internal/bill"
	"freshshard/internal/buy"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/shop"
)

// rates are what Lantern Yard asks. Made up, the tax among it.
var rates = price.Rates{Hour: 4600, CallOut: 3200, Disposal: 500, Least: 4500, Margin: 2500, Tax: 2000, Behind: 40,
	Days: 30, Terms: 14, Deposit: 3000}

// letterhead is what stands on the papers of Lantern Yard. Made up, its account among it: no bank
// has that code.
var letterhead = record.Letterhead{
	Postal: record.Postal{Street: "Lantern Yard 3", Postcode: "HF2", City: "Hollin Ferry", Country: "IE"},
	Phone:  "0100 340 20", Mail: "bench@lantern-yard.example", TaxNumber: "IE0000000LY",
	Bank: bank.Account{Holder: "Lantern Yard", IBAN: "IE48 LYRD 9900 0012 3456 78"}, Currency: "EUR"}

// fillPapers says what the shop asks, whom it buys from, and what stands on its papers.
func fillPapers(ctx context.Context, s *shop.Shop, by record.Account) error {
	if err := s.Bill.SetRates(ctx, by, rates); err != nil {
		return err
	}
	for _, v := range known {
		if err := s.Suppliers.SetSupplier(ctx, by, v); err != nil {
			return err
		}
	}
	return s.Bill.SetLetterhead(ctx, by, letterhead)
}

// known are suppliers that are asked by telephone. Made up.
var known = []record.Supplier{
	{Name: "Glass shop at the lock", Kind: "cutter", Way: "person", Phone: "0550 610", Mail: "lock@glass.example",
		Number: "LY-12", Sells: "glass-ceramic, toughened to size, holes and corners", Terms: "14 days net", Days: 3},
	{Name: "Counter on the quay", Kind: "parts", Way: "person", Phone: "0550 644", Number: "40071",
		Sells: "oven and stove parts by their number", Terms: "at the counter", Days: 2},
}

// order is what was ordered for a pane, and what was wrong with it when it came.
type order struct {
	who   string
	kind  source.Kind
	each  int64
	days  int
	wrong string
}

// place writes the order for the pane on the table, sends it, and notes what came.
func (o order) place(ctx context.Context, s *shop.Shop, by record.Account, at jobview.Bench) error {
	all, err := s.Buy.Orders(ctx, at)
	if err != nil {
		return err
	}
	line := supply.Line{Key: thing.PaneKey(at.Pane), Pane: at.Pane, Text: "the pane", Milli: 1000, Unit: "pc"}
	if i := slices.IndexFunc(all.Lacks, func(l supply.Line) bool { return l.Key == line.Key }); i >= 0 {
		line = all.Lacks[i]
	}
	line.Each = o.each
	if err := s.Buy.AddOrder(ctx, by, "", at.Job, buy.NewOrder{Kind: o.kind, Who: o.who, Lines: []supply.Line{line},
		Days: o.days},
		time.UTC); err != nil {
		return err
	}
	if all, err = s.Buy.Orders(ctx, at); err != nil {
		return err
	}
	last := all.Orders[len(all.Orders)-1]
	if err := s.Buy.MoveOrder(ctx, by, at, last.ID, buy.OrderStep{State: supply.Sent, Version: last.Version}); err != nil {
		return err
	}
	if o.wrong == "" {
		return nil
	}
	return s.Buy.OrderCame(ctx, by, at, last.ID, buy.Came{Version: last.Version + 1, Lines: []supply.Seen{{Key: line.Key,
		Found: supply.Wrong, Finding: o.wrong}}})
}

// paneCost is what a pane without an order cost here, cents. Made up.
const paneCost = 4200

// invoiceOf prices what has no price yet, and writes the invoice of a signed job.
func invoiceOf(ctx context.Context, s *shop.Shop, by record.Account, job int64) error {
	p, err := s.Bill.Price(ctx, jobview.First(job))
	if err != nil {
		return err
	}
	a := p.Adjust
	a.Prices = map[string]int64{}
	for _, l := range p.Lines {
		if l.Open {
			a.Prices[l.Key] = paneCost
		}
	}
	if err := s.Bill.SetPrice(ctx, by, job, a); err != nil {
		return err
	}
	if p, err = s.Bill.Price(ctx, jobview.First(job)); err != nil {
		return err
	}
	return s.Bill.Write(ctx, by, fmt.Sprintf("demo-bill-%d", job), job,
		bill.Paper{Kind: price.Invoice, Total: p.Total.Cents})
}

// billedLately writes the invoices of the last months, a week after the work, the first written
// first. The older ones are paid; of the last but one a half is, and the last is late.
func billedLately(ctx context.Context, s *shop.Shop, by record.Account, all []gone, ids []int64, now time.Time) error {
	order := make([]int, 0, len(all))
	for i, g := range all {
		if g.days < 150 && g.back == 0 {
			order = append(order, i)
		}
	}
	slices.SortFunc(order, func(a, b int) int { return all[b].days - all[a].days })
	for n, i := range order {
		then := s.At(func() time.Time { return now.AddDate(0, 0, 7-all[i].days) })
		if err := invoiceOf(ctx, then, by, ids[i]); err != nil {
			return fmt.Errorf("demo, the invoice of %s: %w", all[i].in.Object, err)
		}
		p, err := s.Bill.Price(ctx, jobview.First(ids[i]))
		if err != nil {
			return err
		}
		paid := owed.Entry{Cents: p.Account.Open, Way: owed.Bank,
			Day: now.AddDate(0, 0, 12-all[i].days).Format(time.DateOnly)}
		switch n {
		case len(order) - 2:
			paid.Cents, paid.Way, paid.Note = paid.Cents/2, owed.Cash, "half now, half when the ferry runs again"
		case len(order) - 1:
			continue
		}
		if err := s.Bill.Pay(ctx, by, "", ids[i], paid); err != nil {
			return fmt.Errorf("demo, what was paid for %s: %w", all[i].in.Object, err)
		}
	}
	return nil
}
