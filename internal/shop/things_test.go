package shop

import (
	"slices"
	"strings"
	"testing"
	"time"

	"freshshard/core/price"
	"freshshard/core/source"
	"freshshard/core/striplog"
	"freshshard/core/supply"
	"freshshard/core/thing"
	"freshshard/internal/bench"
	"freshshard/internal/buy"
	"freshshard/internal/jobview"
	"freshshard/internal/strip"
)

// One thing is one thing in the strip log, on the orders and in the price: the broken pane is the
// pane that is made, what came wrong from one source and good from another is paid for once, and
// small lights are got rid of together.
func TestOneThingIsPaidForOnce(t *testing.T) {
	s, _, tor := open(t)
	id := toCutLight(t, s, tor, "Greenhouse, roof light", "503", "398")
	at := jobview.First(id)
	broken := striplog.Entry{Kind: striplog.Pane, What: "the pane", Count: 1, Fate: striplog.Renew,
		Held: striplog.Held{How: "adhesive"}}
	if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(broken)); err != nil {
		t.Fatal(err)
	}
	pane := view1(t, s, id).Pane
	key := thing.PaneKey(pane.ID)
	lacks := orders(t, s, at).Lacks
	if len(lacks) != 1 || lacks[0].Key != key {
		t.Fatalf("wanted: %+v", lacks)
	}
	order := func(who string, each int64) supply.Order {
		t.Helper()
		l := lacks[0]
		l.Each = each
		if err := s.Buy.AddOrder(ctx, tor, who, id, buy.NewOrder{Kind: source.Cutter, Who: who, Days: 2,
			Lines: []supply.Line{l}}, time.UTC); err != nil {
			t.Fatal(err)
		}
		all := orders(t, s, at).Orders
		o := all[len(all)-1].Order
		for _, a := range all {
			if a.ID > o.ID {
				o = a.Order
			}
		}
		if err := s.Buy.MoveOrder(ctx, tor, at, o.ID, buy.OrderStep{State: supply.Sent, Version: o.Version}); err != nil {
			t.Fatal(err)
		}
		return o
	}
	came := func(o supply.Order, found supply.Found, finding string) {
		t.Helper()
		if err := s.Buy.OrderCame(ctx, tor, at, o.ID, buy.Came{Version: o.Version + 1,
			Lines: []supply.Seen{{Key: key, Found: found, Finding: finding}}}); err != nil {
			t.Fatal(err)
		}
	}
	panes := func() (out []price.Line) {
		p, err := s.Bill.Price(ctx, at)
		if err != nil {
			t.Fatal(err)
		}
		for _, l := range p.Lines {
			if l.Kind == price.Stuff && (strings.HasSuffix(l.Key, key) || strings.Contains(l.Text, "renewed")) {
				out = append(out, l)
			}
		}
		return out
	}
	first := order("the lock", 8875)
	came(first, supply.Wrong, "too wide")
	if l := panes(); len(l) != 1 || l[0].Cost != 8875 {
		t.Errorf("it goes back and comes again: %+v", l)
	}
	second := order("the mill", 6400)
	if l := panes(); len(l) != 1 || l[0].Cost != 6400 {
		t.Errorf("another brings it: %+v", l)
	}
	came(second, supply.Good, "")
	if l := panes(); len(l) != 1 || l[0].Cost != 6400 {
		t.Errorf("another brought it: %+v", l)
	}
	if left := orders(t, s, at).Lacks; len(left) != 0 {
		t.Errorf("still wanted: %+v", left)
	}
}

// The seal of a pane is wanted as long as it is cut, whoever asks and in whatever unit, and stands in
// the price before it stands in the way of an invoice; a line of the strip log makes no second one.
func TestSealIsWanted(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	at := jobview.First(id)
	for place, text := range sized {
		read(t, s, tor, id, place, text)
	}
	if err := s.Bench.Choose(ctx, tor, at, bench.Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	key := thing.SealKey(view1(t, s, id).Pane.ID)
	seals := func(when string) supply.Line {
		t.Helper()
		var out []supply.Line
		for _, l := range orders(t, s, at).Lacks {
			if strings.Contains(l.Text, "gasket") {
				out = append(out, l)
			}
		}
		p, err := s.Bill.Price(ctx, at)
		if err != nil || len(out) != 1 || out[0].Key != key || out[0].Unit != "m" ||
			!slices.ContainsFunc(p.Lines, func(l price.Line) bool { return l.Key == key && l.Milli == out[0].Milli }) {
			t.Fatalf("%s: %v, %+v, priced %+v", when, err, out, p.Lines)
		}
		return out[0]
	}
	alone := seals("sized")
	if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(striplog.Entry{Kind: striplog.Seal, What: "gasket", Count: 1,
		Held: striplog.Held{How: "gravity"}, Fate: striplog.Renew})); err != nil {
		t.Fatal(err)
	}
	if got := seals("with its line"); got.Milli != alone.Milli {
		t.Errorf("%+v, and alone %+v", got, alone)
	}
	if err := s.Desk.SetUnit(ctx, tor, id, "in"); err != nil {
		t.Fatal(err)
	}
	if got := seals("in inches"); got.Milli != alone.Milli {
		t.Errorf("in inches %+v, and in mm %+v", got, alone)
	}
}
