package demo

import (
	"context"
	"fmt"
	"slices"
	"time"

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
	Days: 30}

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
