// Package shop puts the rooms of the workshop together: each has its use cases, and all keep
// one shop's records by one clock.
package shop

import (
	"context"
	"time"

	"freshshard/internal/bench"
	"freshshard/internal/bill"
	"freshshard/internal/buy"
	"freshshard/internal/change"
	"freshshard/internal/days"
	"freshshard/internal/desk"
	"freshshard/internal/hold"
	"freshshard/internal/measure"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/standing"
	"freshshard/internal/stock"
	"freshshard/internal/store"
	"freshshard/internal/strip"
	"freshshard/internal/today"
)

// Shop is a workshop with all its rooms.
type Shop struct {
	*change.Keeper
	People   *people.Service
	Standing *standing.Service
	Bench    *bench.Service
	Strip    *strip.Service
	Measure  *measure.Service
	Desk     *desk.Service
	Stock    *stock.Service
	Hold     *hold.Service
	Buy      *buy.Service
	Bill     *bill.Service
	Days     *days.Service
	Records  *records.Service
	Today    *today.Service

	OneTime   *people.OneTime
	Suppliers *buy.Suppliers
	Timers    *hold.Timers
	Rounds    *days.RoundPlanner
	ByHand    *days.ByHand
}

// New makes a shop over a store, on the real clock. What it keeps beside the
// store are bounds of its own work and answers that can be reckoned again.
func New(s *store.Store) *Shop {
	k := change.New(s)
	v := &Shop{Keeper: k, People: people.New(k), Standing: standing.New(k), Bench: bench.New(k), Strip: strip.New(k),
		Buy: buy.New(k)}
	v.Measure = measure.New(k, v.Bench)
	v.Stock = stock.New(k, v.Standing)
	v.Hold = hold.New(k, v.Stock)
	v.Days = days.New(k, v.Hold, v.Standing)
	v.Bill = bill.New(k, v.Buy, v.Stock)
	v.Desk = desk.New(k, func(ctx context.Context, by record.Account) { v.Days.HoldPlace(ctx, by) })
	v.Records = records.New(k, v.Desk, v.People)
	v.Today = today.New(k, v.Hold, v.Records, v.Standing, v.Stock)
	v.OneTime = &people.OneTime{Service: v.People}
	v.Suppliers = &buy.Suppliers{Service: v.Buy}
	v.Timers = &hold.Timers{Keeper: k}
	v.Rounds = &days.RoundPlanner{Service: v.Days}
	v.ByHand = &days.ByHand{Service: v.Days}
	return v
}

// At is the same shop by another clock: what is done there was done then.
func (s *Shop) At(now func() time.Time) *Shop {
	v := New(s.Store)
	v.Now, v.Zone, v.MadeUp, v.Suppliers.Folder = now, s.Zone, s.MadeUp, s.Suppliers.Folder
	return v
}
