package shop

import (
	"strconv"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/prove"
	"freshshard/core/road"
	"freshshard/core/source"
	"freshshard/core/striplog"
	"freshshard/core/supply"
	"freshshard/core/thing"
	"freshshard/internal/bench"
	"freshshard/internal/buy"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

func orders(t *testing.T, s *Shop, at jobview.Bench) buy.Orders {
	t.Helper()
	o, err := s.Buy.Orders(ctx, at)
	if err != nil {
		t.Fatal(err)
	}
	return o
}

// A pane and its seal on one order: written once, sent, late, wrong, and right at last.
// The pane waits for as long as that takes, and what was looked over is open again.
func TestOrders(t *testing.T) {
	s, _, tor := open(t)
	id := toCutLight(t, s, tor, "Greenhouse, roof", "503", "398")
	at := jobview.First(id)
	o := orders(t, s, at)
	pane := view1(t, s, id).Pane
	if len(o.Lacks) == 0 || o.Lacks[0].Key != thing.PaneKey(pane.ID) || !strings.Contains(o.Lacks[0].Text, "mm") ||
		len(o.Looks) < 2 {
		t.Fatalf("%+v", o)
	}
	in := buy.NewOrder{Kind: source.Cutter, Who: "the lock", Days: 2, Carriage: 300, Lines: []supply.Line{o.Lacks[0],
		{Text: "putty, a tub", Milli: 1000, Unit: "pc", Each: 1150}}}
	in.Lines[0].Each = 6400
	for range 2 { // a retry
		if err := s.Buy.AddOrder(ctx, tor, "one-order", id, in, time.UTC); err != nil {
			t.Fatal(err)
		}
	}
	o = orders(t, s, at)
	if len(o.Orders) != 1 || len(o.Lacks) != 0 || o.Orders[0].Cents != 6400+1150+300 || o.Orders[0].Out {
		t.Fatalf("%+v", o)
	}
	one := o.Orders[0]
	step := func(state supply.State, due *time.Time) error {
		return s.Buy.MoveOrder(ctx, tor, at, one.ID,
			buy.OrderStep{State: state, Due: due, Version: orders(t, s, at).Orders[0].Version})
	}
	if err := s.Buy.MoveOrder(ctx, tor, at, one.ID,
		buy.OrderStep{State: supply.Sent, Version: one.Version + 7}); err == nil {
		t.Error("an old copy was taken")
	}
	if f := fault.Of(step(supply.Confirmed, nil)); f == nil || f.Field != "state" {
		t.Errorf("%v", f)
	}
	if err := step(supply.Sent, nil); err != nil {
		t.Fatal(err)
	}
	p := view1(t, s, id).Pane
	if p.WaitsFor != "the pane from the lock" || p.WaitsUntil == nil || !p.WaitsUntil.Equal(*one.Due) ||
		jobview.TickOf(&p, "order") == nil {
		t.Fatalf("%q, %v, %+v", p.WaitsFor, p.WaitsUntil, p.Ticks)
	}
	// Too late by a day, and they say when.
	now := s.Now
	s.Now = func() time.Time { return now().AddDate(0, 0, 3) }
	if o = orders(t, s, at); !o.Orders[0].Late {
		t.Errorf("%+v", o.Orders[0])
	}
	later := s.Now().AddDate(0, 0, 2).Truncate(time.Second)
	if err := step(supply.Confirmed, &later); err != nil {
		t.Fatal(err)
	}
	if o = orders(t, s, at); o.Orders[0].Late || !view1(t, s, id).Pane.WaitsUntil.Equal(later) {
		t.Errorf("%+v", o.Orders[0])
	}
	// Here, by the one answer of the line; then something is found.
	wait := func(text string) error {
		return s.Buy.SetWait(ctx, tor, at, buy.Wait{For: text, Version: view1(t, s, id).Pane.Version})
	}
	if err := wait(""); err != nil || orders(t, s, at).Orders[0].State != supply.Here {
		t.Fatalf("%v, %+v", err, orders(t, s, at).Orders[0])
	}
	if a, err := s.Days.Arrivals(ctx); err != nil {
		t.Error(err)
	} else if _, _, seen := a.Late("the lock"); seen != 1 {
		t.Errorf("%d deliveries of the lock are known", seen)
	}
	if err := wait("the pane from the lock"); err != nil || orders(t, s, at).Orders[0].State != supply.Sent {
		t.Fatalf("taken back: %v, %+v", err, orders(t, s, at).Orders[0])
	}
	came := func(c buy.Came) error {
		c.Version = orders(t, s, at).Orders[0].Version
		return s.Buy.OrderCame(ctx, tor, at, one.ID, c)
	}
	r := view1(t, s, id).Reckoning.Fit
	read := func(v float64) string { return num(v) }
	key := thing.PaneKey(pane.ID)
	if f := fault.Of(came(buy.Came{W: read(r.Order.W + r.Band.Half + 0.5),
		Lines: []supply.Seen{{Key: key, Found: supply.Good}}})); f == nil ||
		f.Field != "lines[0].finding" || !strings.Contains(f.Why, "wider than ordered") {
		t.Fatalf("%v", f)
	}
	for _, bad := range []buy.Came{{W: "wide"}, {H: "0"}, {Lines: []supply.Seen{{Key: key, Found: supply.Wrong}}}} {
		if err := came(bad); err == nil {
			t.Errorf("%+v was taken", bad)
		}
	}
	if err := came(buy.Came{W: read(r.Order.W + r.Band.Half + 0.5),
		Lines: []supply.Seen{{Key: "own-2", Found: supply.Missing}}}); err != nil {
		t.Fatal(err)
	}
	o = orders(t, s, at)
	p = view1(t, s, id).Pane
	if l := o.Orders[0].Lines; o.Orders[0].State != supply.Back || l[0].Found != supply.Wrong ||
		!strings.Contains(l[0].Finding, "wider") || l[1].Found != supply.Missing ||
		!strings.Contains(p.WaitsFor, "which was wrong") {
		t.Fatalf("%+v, %q", o.Orders[0], p.WaitsFor)
	}
	for _, st := range view1(t, s, id).Reckoning.Plan.Steps {
		if st.Key == jobview.CheckNew {
			t.Error("this way of holding has that step now: try it here")
		}
	}
	if err := came(buy.Came{W: read(r.Order.W + r.Band.Half), H: read(r.Order.H - r.Band.Half)}); err != nil {
		t.Fatal(err)
	}
	o = orders(t, s, at)
	if p = view1(t, s, id).Pane; o.Orders[0].State != supply.Here || p.WaitsFor != "" || p.WaitsUntil != nil {
		t.Errorf("%+v, %q", o.Orders[0], p.WaitsFor)
	}
	if err := step(supply.Dropped, nil); err == nil {
		t.Error("what is here was cancelled")
	}
}

func num(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }

// A pane that was looked over before it turned out wrong is looked over again.
func TestOrderOpensTheLook(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	at := jobview.First(id)
	pane := view1(t, s, id).Pane
	in := buy.NewOrder{Kind: source.Cutter, Who: "the lock",
		Lines: []supply.Line{{Key: thing.PaneKey(pane.ID), Pane: pane.ID,
			Text: "a pane", Milli: 1000, Unit: "pc"}}}
	if f := fault.Of(s.Buy.AddOrder(ctx, tor, "", id, in, time.UTC)); f == nil || f.Field != "lines[0]" ||
		!strings.Contains(f.Why, "nobody has chosen") {
		t.Errorf("ordered before anybody settled what it is made of: %v", f)
	}
	if err := s.Bench.Choose(ctx, tor, at, bench.Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	if err := s.Buy.AddOrder(ctx, tor, "", id, in, time.UTC); err != nil {
		t.Fatal(err)
	}
	o := orders(t, s, at).Orders[0]
	if err := s.Buy.MoveOrder(ctx, tor, at, o.ID, buy.OrderStep{State: supply.Sent, Version: o.Version}); err != nil {
		t.Fatal(err)
	}
	if f := fault.Of(s.Bench.Tick(ctx, tor, at, jobview.CheckNew, bench.Done{Outcome: "done"})); f == nil ||
		!strings.Contains(f.Why, "waits for the pane from the lock") {
		t.Errorf("looked over before it came: %v", f)
	}
	if err := s.Buy.OrderCame(ctx, tor, at, o.ID, buy.Came{Version: o.Version + 1}); err != nil {
		t.Fatal(err)
	}
	upTo(t, s, tor, at, "", "measure")
	if err := s.Bench.Answer(ctx, tor, at, "gasket-even",
		bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}}); err != nil {
		t.Fatal(err)
	}
	if err := s.Buy.OrderCame(ctx, tor, at, o.ID,
		buy.Came{Version: o.Version + 2, Lines: []supply.Seen{{Key: thing.PaneKey(pane.ID),
			Found: supply.Wrong, Finding: "chipped edge"}}}); err != nil {
		t.Fatal(err)
	}
	// It is out of its seat, nothing that was proved of it holds, and the stove was hot since.
	v := view1(t, s, id)
	for k, want := range map[string]bool{"door-off": true, "pane-out": true, "rebate": true, "dry-fit": false,
		"gasket-on": false, "pane-in": false, "brackets": false, "door-on": false, "first-fire": false, "cold": false} {
		if isDone(v, k) != want {
			t.Errorf("sent back, %s is done: %v", k, isDone(v, k))
		}
	}
	if c := checkIn(v, "gasket-even"); c.Outcome != prove.Open || len(v.Stops) != 0 {
		t.Errorf("%+v, %+v", c, v.Stops)
	}
	p := v.Pane
	if jobview.TickOf(&p, jobview.CheckNew) != nil ||
		p.WaitsFor != "the pane from the lock, which was wrong: chipped edge" {
		t.Errorf("%+v, %q", p.Ticks, p.WaitsFor)
	}
	for field, bad := range map[string]buy.NewOrder{"who": {Kind: source.Cutter, Lines: in.Lines},
		"kind": {Kind: "friend", Who: "x",
			Lines: in.Lines}, "lines": {Kind: source.Cutter, Who: "x"}, "lines[0].text": {Kind: source.Cutter, Who: "x",
			Lines: []supply.Line{{Milli: 1000}}}} {
		if f := fault.Of(s.Buy.AddOrder(ctx, tor, "", id, bad, time.UTC)); f == nil || f.Field != field {
			t.Errorf("%s: %v", field, f)
		}
	}
	other := in
	other.Lines = []supply.Line{{Key: thing.PaneKey(pane.ID + 99), Pane: pane.ID + 99, Text: "a pane", Milli: 1000}}
	if err := s.Buy.AddOrder(ctx, tor, "", id, other, time.UTC); err == nil {
		t.Error("a pane of another job was ordered")
	}
	_ = mira
}

// Those by file have none; one that is asked by call answers, and its offer is there
// once, however often it is asked.
// A supplier who is asked by telephone is known by name, is changed under their number, is asked by
// nobody else, and their name is nobody else's; each wrong field is refused at its place.
func TestSuppliersAsPeopleKnowThem(t *testing.T) {
	s, mira, tor := open(t)
	lock := record.Supplier{Name: "The lock", Kind: "cutter", Way: "person", Phone: "0550 610", Number: "LY-12", Days: 3}
	for range 2 { // a retry
		if err := s.Suppliers.SetSupplier(ctx, mira, lock); err != nil {
			t.Fatal(err)
		}
	}
	for field, change := range map[string]func(*record.Supplier){
		"mail": func(v *record.Supplier) { v.Mail = "nowhere" }, "days": func(v *record.Supplier) { v.Days = 366 },
		"way": func(v *record.Supplier) { v.Way = "pigeon" }, "name": func(v *record.Supplier) { v.Phone = "another" },
	} {
		v := lock
		change(&v)
		if f := fault.Of(s.Suppliers.SetSupplier(ctx, mira, v)); f == nil || f.Field != field {
			t.Errorf("%s: %v", field, f)
		}
	}
	got, err := s.Suppliers.Called(ctx, "the LOCK")
	if err != nil || got.Number != "LY-12" {
		t.Fatalf("%+v %v", got, err)
	}
	got.Name, got.Phone = "The lock and sons", "0550 611"
	if err := s.Suppliers.SetSupplier(ctx, mira, got); err != nil {
		t.Fatal(err)
	}
	all, err := s.Suppliers.Suppliers(ctx)
	if err != nil || len(all) != 1 || all[0] != got {
		t.Errorf("%+v %v", all, err)
	}
	if v, err := s.Suppliers.Called(ctx, "Nobody"); err != nil || v != (record.Supplier{Name: "Nobody"}) {
		t.Errorf("%+v %v", v, err)
	}
	id := toCutLight(t, s, tor, "Greenhouse, roof", "503", "398")
	f := fault.Of(second(s.Suppliers.AskSuppliers(ctx, tor, "k", jobview.First(id))))
	if f == nil || f.Field != "suppliers" {
		t.Errorf("somebody was asked who answers a telephone: %v", f)
	}
}

func TestSuppliers(t *testing.T) {
	s, mira, tor := open(t)
	s.Suppliers.SuppliersIn(t.TempDir())
	id := toCutLight(t, s, tor, "Greenhouse, roof", "503", "398")
	at := jobview.First(id)
	if f := fault.Of(second(s.Suppliers.AskSuppliers(ctx, tor, "k", at))); f == nil || f.Field != "suppliers" {
		t.Errorf("%v", f)
	}
	marsh := record.Supplier{Name: "Marsh", Kind: "post", Way: "file", Address: "marsh"}
	if err := s.Suppliers.SetSupplier(ctx, tor, marsh); err == nil {
		t.Error("a technician changed who is asked")
	}
	for field, bad := range map[string]record.Supplier{"name": {Kind: "post", Way: "file", Address: "x"},
		"kind": {Name: "x", Kind: "stock", Way: "file", Address: "x"}, "address": {Name: "x", Kind: "post", Way: "http",
			Address: "http://192.0.2.7/"}} {
		if f := fault.Of(s.Suppliers.SetSupplier(ctx, mira, bad)); f == nil || f.Field != field {
			t.Errorf("%s: %v", field, f)
		}
	}
	if err := s.Suppliers.SetSupplier(ctx, mira, marsh); err != nil {
		t.Fatal(err)
	}
	a, err := s.Suppliers.AskSuppliers(ctx, tor, "ask-1", at)
	if err != nil || len(a.Said) != 1 || a.Said[0].Took || !strings.Contains(a.Said[0].Says, "ask again") {
		t.Fatalf("%+v, %v", a, err)
	}
	if f := fault.Of(second(s.Suppliers.AskSuppliers(ctx, tor, "ask-2", jobview.First(takeIn(t, s, tor))))); f == nil ||
		f.Field != "pane" {
		t.Errorf("asked for nothing: %v", f)
	}
	all, err := s.Suppliers.Suppliers(ctx)
	if err != nil || len(all) != 1 {
		t.Fatal(err)
	}
	if err := s.Suppliers.DropSupplier(ctx, tor, all[0].ID); err == nil {
		t.Error("a technician took one out")
	}
	if err := s.Suppliers.DropSupplier(ctx, mira, all[0].ID); err != nil {
		t.Fatal(err)
	}
}

// A wait stands for an order by the whole name of who it is from; a need has a short key
// of its own whatever it is called.
func TestWaitsAndNeeds(t *testing.T) {
	o := supply.Order{Who: "the lock"}
	for wait, want := range map[string]bool{"the pane from the lock": true,
		"the pane from the lock, which was wrong: chipped": true,
		"the pane from the lock keeper":                    false, "the pane from": false, "": false} {
		if buy.WaitsOn(wait, o) != want {
			t.Errorf("%q", wait)
		}
	}
	long := striplog.Need{What: strings.Repeat("a very long name of a trim ", 9), Count: 2, Why: "lost"}
	other := long
	other.Why = "renewed"
	if a, b := thing.NeedKey(long), thing.NeedKey(other); a == b || len(a) > 60 || thing.NeedKey(long) != a {
		t.Errorf("%q, %q", a, b)
	}
}

func second[T any](_ T, err error) error { return err }

// A part that goes back is laid against the old one again when the next one comes.
func TestAPartThatGoesBackIsLookedOverAgain(t *testing.T) {
	s, mira, tor := open(t)
	id, err := s.Desk.TakeIn(ctx, tor, "", desk.TakeIn{Name: "Oda Marl", Object: "Deck oven, outer pane", Exposure: "oven",
		Family: "channel-front", Road: road.Chosen{ID: "part", Part: road.Part{Number: "71-404", Seen: "plate"}},
		Place: "bench"})
	if err != nil {
		t.Fatal(err)
	}
	at := jobview.First(id)
	pane := view1(t, s, id).Pane
	line := supply.Line{Key: thing.PaneKey(pane.ID), Pane: pane.ID, Text: "71-404", Milli: 1000, Unit: "pc"}
	if err := s.Buy.AddOrder(ctx, mira, "", id, buy.NewOrder{Kind: source.Parts, Who: "the lock",
		Lines: []supply.Line{line}}, time.UTC); err != nil {
		t.Fatal(err)
	}
	o := orders(t, s, at).Orders[0]
	if err := s.Buy.MoveOrder(ctx, mira, at, o.ID, buy.OrderStep{State: supply.Sent, Version: o.Version}); err != nil {
		t.Fatal(err)
	}
	if err := s.Buy.OrderCame(ctx, mira, at, o.ID, buy.Came{Version: o.Version + 1}); err != nil {
		t.Fatal(err)
	}
	upTo(t, s, mira, at, "bar-on")
	if v := view1(t, s, id); !isDone(v, "part-here") || !isDone(v, "pane-up") {
		t.Fatalf("%+v", v.Pane.Ticks)
	}
	if err := s.Buy.OrderCame(ctx, mira, at, o.ID, buy.Came{Version: o.Version + 2,
		Lines: []supply.Seen{{Key: line.Key, Found: supply.Wrong, Finding: "for the other side"}}}); err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	if isDone(v, "part-here") || isDone(v, "pane-up") || !isDone(v, "part-number") || !isDone(v, "door-off") {
		t.Errorf("%+v", v.Pane.Ticks)
	}
	if f := fault.Of(s.Bench.Tick(ctx, mira, at, "part-here", bench.Done{Outcome: "done"})); f == nil ||
		!strings.Contains(f.Why, "which was wrong") {
		t.Errorf("looked over while it is on its way back: %v", f)
	}
}
