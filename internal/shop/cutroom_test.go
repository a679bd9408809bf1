package shop

import (
	"errors"
	"fmt"
	"sync"
	"testing"

	"freshshard/core/cutting"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/internal/bench"
	"freshshard/internal/buy"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/stock"
)

func sheetOf(q float64) record.StockItem {
	return record.StockItem{Kind: record.SheetStock, Material: "annealed", Thickness: 3, W: 1300, H: 900, Quantity: q,
		Unit:  "pc",
		Cents: 2340, Place: "rack 2"}
}

// annealed3 is what it is of.
var annealed3 = stock.Glass{Material: "annealed", Thickness: 3}

// toCutLight is a job whose pane waits to be cut here.
func toCutLight(t *testing.T, s *Shop, by record.Account, object, w, h string) int64 {
	t.Helper()
	id, err := s.Desk.TakeIn(ctx, by, "",
		desk.TakeIn{Name: "Oda Marl", Object: object, Exposure: "weather", Family: "putty-points",
			Place: "bench"})
	if err != nil {
		t.Fatal(err)
	}
	for place, text := range square(w, h, "13") {
		read(t, s, by, id, place, text)
	}
	if err := s.Bench.Choose(ctx, by, jobview.First(id), bench.Settle{Material: "annealed", Thickness: 3}); err != nil {
		t.Fatal(err)
	}
	return id
}

func room(t *testing.T, s *Shop) stock.CutGroup {
	t.Helper()
	r, err := s.Stock.CutRoom(ctx)
	if err != nil {
		t.Fatal(err)
	}
	for _, g := range r.Groups {
		if g.Material == "annealed" && g.Thickness == 3 {
			return g
		}
	}
	return stock.CutGroup{}
}

// A day in the cut room: planned, cut, taken back, broken, planned anew from what is
// left, finished; sheets go out of the stores, offcuts come in, panes are there.
func TestCutRoom(t *testing.T) {
	s, _, tor := open(t)
	jobs := []int64{}
	for i := range 4 {
		jobs = append(jobs, toCutLight(t, s, tor, fmt.Sprintf("Greenhouse, light %d", i+1), "506", "402"))
	}
	if g := room(t, s); len(g.Panes) != 4 || g.Plan != nil || g.Called != "3 mm annealed glass" {
		t.Fatalf("%+v", g)
	}
	if f := fault.Of(s.Stock.PlanCuts(ctx, tor, annealed3, nil)); f == nil || f.Field != "stock" {
		t.Errorf("planned from nothing: %v", f)
	}
	sheet, err := s.Stock.AddStock(ctx, tor, "two-sheets", sheetOf(2))
	if err != nil {
		t.Fatal(err)
	}
	if again, err := s.Stock.AddStock(ctx, tor, "two-sheets", sheetOf(2)); err != nil || again != sheet {
		t.Errorf("a retry took them in again: %d, %v", again, err)
	}
	plan := func(pins ...stock.Pin) {
		t.Helper()
		if err := s.Stock.PlanCuts(ctx, tor, annealed3, pins); err != nil {
			t.Fatal(err)
		}
	}
	plan()
	plan() // put away and made again, as nobody began
	v := room(t, s).Plan
	if v == nil || len(v.Plan.Sheets) != 1 || len(v.Plan.Left) != 0 || len(v.Broken) != 0 || v.Next == nil ||
		v.Next.Number != 1 {
		t.Fatalf("%+v", v)
	}
	if g := room(t, s); len(g.Panes) != 0 {
		t.Errorf("%d panes wait beside the plan", len(g.Panes))
	}
	at := func(v *stock.CutView) stock.CutAt {
		return stock.CutAt{Sheet: v.Next.Sheet, Path: v.Next.Path, Version: v.Version}
	}
	first := at(v)
	for range 2 { // a tap that comes twice
		if err := s.Stock.Cut(ctx, tor, v.ID, first); err != nil {
			t.Fatal(err)
		}
	}
	v = room(t, s).Plan
	if len(v.Made) != 1 {
		t.Fatalf("%d cuts", len(v.Made))
	}
	var c *record.Conflict
	if err := s.Stock.PlanCuts(ctx, tor, annealed3, nil); !errors.As(err, &c) {
		t.Errorf("planned over a plan that is being cut: %v", err)
	}
	if err := s.Stock.UndoCut(ctx, tor, v.ID, v.Version); err != nil {
		t.Fatal(err)
	}
	if err := s.Stock.UndoCut(ctx, tor, v.ID, v.Version); !errors.As(err, &c) {
		t.Errorf("an old version took a cut back: %v", err)
	}
	// Until the first pane is free; then the next cut breaks what is in hand.
	for {
		v = room(t, s).Plan
		free := 0
		for _, n := range v.Plan.Good(v.Made) {
			free += n
		}
		if _, next := v.Plan.Next(v.Made); free > 0 && stock.Held(next.Node) > 0 {
			break
		}
		if err := s.Stock.Cut(ctx, tor, v.ID, at(v)); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.Stock.Broke(ctx, tor, v.ID, at(v)); err != nil {
		t.Fatal(err)
	}
	g := room(t, s)
	if g.Plan != nil || len(g.Panes) == 0 || len(g.Panes) == 4 {
		t.Fatalf("after a breakage %d wait, plan %v", len(g.Panes), g.Plan)
	}
	if n, _ := s.Store.Stocks.StockItem(ctx, sheet); n.Quantity != 1 {
		t.Errorf("%g sheets are left", n.Quantity)
	}
	plan()
	for v = room(t, s).Plan; v != nil; v = room(t, s).Plan {
		if err := s.Stock.Cut(ctx, tor, v.ID, at(v)); err != nil {
			t.Fatal(err)
		}
	}
	if g := room(t, s); len(g.Panes) != 0 {
		t.Errorf("%d panes still wait", len(g.Panes))
	}
	for _, id := range jobs {
		if view := view1(t, s, id); jobview.TickOf(&view.Pane, "order") == nil {
			t.Errorf("job %d: its order is open", id)
		}
	}
	stores, err := s.Stock.Stores(ctx)
	if err != nil {
		t.Fatal(err)
	}
	offcuts := 0
	for _, i := range stores.Items {
		if i.Kind == record.OffcutStock {
			offcuts++
			if i.Cents <= 0 || i.Cents >= 2340 || i.Place != "rack" {
				t.Errorf("%+v", i)
			}
		}
	}
	if offcuts == 0 {
		t.Error("no offcut came back")
	}
	good, bad, err := s.Store.Stocks.Tries(ctx, "annealed", tor.ID)
	if err != nil || good != 4 || bad == 0 {
		t.Errorf("%d good, %d bad, %v", good, bad, err)
	}
	if sp, err := s.Stock.SparesFor(ctx, tor, "annealed", false, 0.95); err != nil || sp.Each >= 0.95 {
		t.Errorf("%+v, %v", sp, err)
	}
	if err := s.Stock.CutAgain(ctx, tor, jobs[0], 0); err != nil {
		t.Fatal(err)
	}
	if g := room(t, s); len(g.Panes) != 1 {
		t.Errorf("%d wait to be cut again", len(g.Panes))
	}
}

// What is ordered from somebody else, or is somebody else's to cut, does not wait here.
func TestNotToCut(t *testing.T) {
	s, _, tor := open(t)
	id := toCutLight(t, s, tor, "Greenhouse, light 7", "506", "402")
	waits := func() int { return len(room(t, s).Panes) }
	if waits() != 1 {
		t.Fatal("it does not wait")
	}
	if err := s.Buy.SetWait(ctx, tor, jobview.First(id),
		buy.Wait{For: "the pane from the cutter", Version: view1(t, s, id).Pane.Version}); err != nil {
		t.Fatal(err)
	}
	if waits() != 0 {
		t.Error("ordered from a cutter, it waits to be cut here")
	}
	if err := s.Buy.SetWait(ctx, tor, jobview.First(id), buy.Wait{Version: view1(t, s, id).Pane.Version}); err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	for want, cutter := range []fit.Cutter{fit.ShopCut, fit.HandCut} { // none, then one
		held := v.Pane.Held
		held.Cutter = cutter
		if err := s.Desk.SetPane(ctx, tor, jobview.First(id), held, view1(t, s, id).Pane.Version); err != nil {
			t.Fatal(err)
		}
		if got := waits(); got != want {
			t.Errorf("cut by %s: %d wait", cutter, got)
		}
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "order", bench.Done{Outcome: "done"}); err != nil {
		t.Fatal(err)
	}
	if waits() != 0 {
		t.Error("its order is ticked, and it waits")
	}
}

// A pane pinned to a sheet and a lie stays there; one that nobody waits for is refused.
func TestCutPins(t *testing.T) {
	s, _, tor := open(t)
	toCutLight(t, s, tor, "Greenhouse, light 9", "606", "402")
	if _, err := s.Stock.AddStock(ctx, tor, "", sheetOf(1)); err != nil {
		t.Fatal(err)
	}
	g := room(t, s)
	if err := s.Stock.PlanCuts(ctx, tor, annealed3,
		[]stock.Pin{{Piece: g.Panes[0].Piece, Lie: cutting.Turned}}); err != nil {
		t.Fatal(err)
	}
	if n := room(t, s).Plan.Plan.Sheets[0].Root.Leaves(); !turnedPiece(n) {
		t.Error("it does not lie as it is pinned")
	}
	if f := fault.Of(s.Stock.PlanCuts(ctx, tor, annealed3, []stock.Pin{{Piece: "pane 999"}})); f == nil ||
		f.Field != "pins[0].piece" {
		t.Errorf("%v", f)
	}
	if f := fault.Of(s.Stock.PlanCuts(ctx, tor, annealed3, []stock.Pin{{Piece: g.Panes[0].Piece, On: "x"}})); f == nil ||
		f.Field != "pieces[0].on" {
		t.Errorf("%v", f)
	}
}

func turnedPiece(leaves []*cutting.Node) bool {
	for _, l := range leaves {
		if l.Kind == cutting.IsPiece && l.Turned {
			return true
		}
	}
	return false
}

// Fifty people book at once: nothing is lost, nothing is there less than not at all.
func TestStoresNeverNegative(t *testing.T) {
	s, mira, tor := open(t)
	id, err := s.Stock.AddStock(ctx, mira, "",
		record.StockItem{Kind: record.AdhesiveStock, Name: "fast urethane", Unit: "pc",
			Quantity: 30,
			Least:    6, Expires: "2027-03-31"})
	if err != nil {
		t.Fatal(err)
	}
	var wg sync.WaitGroup
	var mu sync.Mutex
	took := 0
	for n := range 50 {
		wg.Go(func() {
			err := s.Stock.MoveStock(ctx, tor, fmt.Sprintf("take-%d", n), id, stock.Moved{Delta: -1, Why: "a tube"})
			mu.Lock()
			defer mu.Unlock()
			switch {
			case err == nil:
				took++
			case fault.Of(err) == nil || fault.Of(err).Field != "delta":
				t.Errorf("%v", err)
			}
		})
	}
	wg.Wait()
	stores, err := s.Stock.Stores(ctx)
	if err != nil || took != 30 || len(stores.Items) != 1 || stores.Items[0].Quantity != 0 || !stores.Items[0].Low ||
		stores.Low != 1 {
		t.Errorf("%d took one, %+v, %v", took, stores, err)
	}
	moves, err := s.Stock.StockMoves(ctx, id)
	if err != nil || len(moves) != 31 {
		t.Errorf("%d movements, %v", len(moves), err)
	}
	if err := s.Stock.MoveStock(ctx, tor, "take-1", id, stock.Moved{Delta: -1, Why: "a tube"}); err != nil &&
		fault.Of(err) == nil {
		t.Errorf("a retry: %v", err)
	}
}

func TestStoresRefuse(t *testing.T) {
	s, _, tor := open(t)
	for field, v := range map[string]record.StockItem{
		"kind":     {Kind: "gold", Name: "x", Unit: "pc"},
		"name":     {Kind: record.SealStock, Unit: "m"},
		"unit":     {Kind: record.SealStock, Name: "rope", Unit: "yd"},
		"material": {Kind: record.SheetStock, Unit: "pc", W: 100, H: 100},
		"w":        {Kind: record.SheetStock, Material: "annealed", Thickness: 4, Unit: "pc"},
		"quantity": {Kind: record.SealStock, Name: "rope", Unit: "m", Quantity: 0.0004},
		"expires":  {Kind: record.AdhesiveStock, Name: "glue", Unit: "pc", Expires: "soon"},
	} {
		if _, err := s.Stock.AddStock(ctx, tor, "", v); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
	id, err := s.Stock.AddStock(ctx, tor, "", record.StockItem{Kind: record.SealStock, Name: "rope 8 mm", Unit: "m",
		Quantity: 12.5})
	if err != nil {
		t.Fatal(err)
	}
	v, err := s.Store.Stocks.StockItem(ctx, id)
	if err != nil || v.Quantity != 12.5 {
		t.Fatalf("%+v, %v", v, err)
	}
	v.Place = "drawer 3"
	if err := s.Stock.SetStock(ctx, tor, v); err != nil {
		t.Fatal(err)
	}
	var c *record.Conflict
	if err := s.Stock.SetStock(ctx, tor, v); !errors.As(err, &c) {
		t.Errorf("an old copy: %v", err)
	}
}

// A file of things is taken in whole or not at all, and once.
func TestAddStocks(t *testing.T) {
	s, _, tor := open(t)
	all := []record.StockItem{sheetOf(2), {Kind: record.SealStock, Name: "rope", Unit: "m", Quantity: 3}}
	wrong := append([]record.StockItem{}, all...)
	wrong[1].Unit = "yd"
	if bad, err := s.Stock.AddStocks(ctx, tor, "f1", wrong); err != nil || bad == nil || bad.At != 1 ||
		bad.Err.Field != "unit" {
		t.Errorf("%+v, %v", bad, err)
	}
	for range 2 {
		if bad, err := s.Stock.AddStocks(ctx, tor, "f2", all); err != nil || bad != nil {
			t.Errorf("%+v, %v", bad, err)
		}
	}
	if v, err := s.Stock.Stores(ctx); err != nil || len(v.Items) != 2 || v.Items[0].Quantity != 2 {
		t.Errorf("%+v, %v", v, err)
	}
	if _, err := s.Stock.AddStocks(ctx, tor, "", nil); fault.Of(err) == nil {
		t.Errorf("an empty file: %v", err)
	}
}
