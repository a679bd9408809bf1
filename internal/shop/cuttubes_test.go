package shop

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/standing"
	"freshshard/internal/stock"
)

// toCutTube is a gauge tube of 12.7 mm outside that waits to be cut here.
func toCutTube(t *testing.T, s *Shop, by record.Account, object, faces, outside string) {
	t.Helper()
	id, err := s.Desk.TakeIn(ctx, by, "",
		desk.TakeIn{Name: "Quay café", Object: object, Exposure: "boiler", Family: "gauge-tube",
			Place: "bench", Like: "borosilicate"})
	if err != nil {
		t.Fatal(err)
	}
	for place, text := range map[reading.Place]string{reading.Faces: faces, reading.StopDepth: "14",
		reading.TubeOutside: outside,
		reading.TubeWall:    "2.4"} {
		read(t, s, by, id, place, text)
	}
	if err := s.Bench.Choose(ctx, by, jobview.First(id),
		bench.Settle{Material: "borosilicate", Thickness: 2.4}); err != nil {
		t.Fatal(err)
	}
}

func tubeRoom(t *testing.T, s *Shop, glass stock.Glass) stock.CutGroup {
	t.Helper()
	r, err := s.Stock.CutRoom(ctx)
	if err != nil {
		t.Fatal(err)
	}
	for _, g := range r.Groups {
		if g.Glass() == glass {
			return g
		}
	}
	return stock.CutGroup{}
}

// Three tubes from what lies in the rack: another outside is another glass, the shorter
// length is used, one snaps badly, the rest of its tube goes back and is cut on.
func TestCutTubes(t *testing.T) {
	s, _, tor := open(t)
	half := stock.Glass{Material: "borosilicate", Thickness: 2.4, Outside: 12.7}
	for i := range 3 {
		toCutTube(t, s, tor, fmt.Sprintf("Café boiler, gauge %d", i+1), "250 ±0.5", "12.7")
	}
	toCutTube(t, s, tor, "Steam kettle, gauge", "250 ±0.5", "15.9")
	if f := fault.Of(s.Stock.PlanCuts(ctx, tor, half, nil)); f == nil || f.Field != "stock" {
		t.Errorf("planned from nothing: %v", f)
	}
	for _, v := range []struct{ outside, long, n float64 }{{12.8, 1200, 2}, {15.9, 1200, 1}, {12.4, 1200, 5}} {
		if _, err := s.Stock.AddStock(ctx, tor, "", record.StockItem{Kind: record.TubeStock, Material: "borosilicate",
			Thickness: 2.4,
			W:         v.outside, H: v.long, Quantity: v.n, Unit: "pc", Cents: 1890, Place: "tube rack"}); err != nil {
			t.Fatal(err)
		}
	}
	g := tubeRoom(t, s, half)
	if len(g.Panes) != 3 || len(g.Stock) != 1 || g.Called != "borosilicate tube, 12.7 mm outside, wall 2.4 mm" {
		t.Fatalf("%d wait, stock %v, %s", len(g.Panes), g.Stock, g.Called)
	}
	if f := fault.Of(s.Stock.PlanCuts(ctx, tor, half, []stock.Pin{{Piece: g.Panes[0].Piece, Lie: "turned"}})); f == nil ||
		f.Field != "pins" {
		t.Errorf("a tube was pinned: %v", f)
	}
	if err := s.Stock.PlanCuts(ctx, tor, half, nil); err != nil {
		t.Fatal(err)
	}
	v := tubeRoom(t, s, half).Plan
	// The longest that goes in, and 2 mm of dressing: three of them from one of 1200.
	if v == nil || !v.Tubes || len(v.Plan.Sheets) != 1 || !v.Plan.Proved || v.Next.At.Main != fmt.Sprintf("%.1f",
		g.Panes[0].W+2) ||
		v.Next.From != "from the left end" || !strings.Contains(v.Next.Do, "nick") {
		t.Fatalf("%+v, %+v", v.Next, v.Plan)
	}
	cut := func() {
		t.Helper()
		p := tubeRoom(t, s, half).Plan
		if err := s.Stock.Cut(ctx, tor, p.ID,
			stock.CutAt{Sheet: p.Next.Sheet, Path: p.Next.Path, Version: p.Version}); err != nil {
			t.Fatal(err)
		}
	}
	cut()
	v = tubeRoom(t, s, half).Plan
	if err := s.Stock.Broke(ctx, tor, v.ID,
		stock.CutAt{Sheet: v.Next.Sheet, Path: v.Next.Path, Version: v.Version}); err != nil {
		t.Fatal(err)
	}
	g = tubeRoom(t, s, half)
	left := 0.0
	for _, k := range g.Stock {
		if k.H < 1200 {
			left = k.H
		} else if k.Quantity != 1 {
			t.Errorf("%g whole tubes are left", k.Quantity)
		}
	}
	each := g.Panes[0].W + 2
	if len(g.Panes) != 2 || left != standing.ToTenth(1200-2*each) {
		t.Fatalf("%d wait, %g mm of the tube are left of %g", len(g.Panes), left, 1200-2*each)
	}
	if err := s.Stock.PlanCuts(ctx, tor, half, nil); err != nil {
		t.Fatal(err)
	}
	v = tubeRoom(t, s, half).Plan
	if len(v.Plan.Sheets) != 1 || v.Plan.Sheets[0].W != left {
		t.Fatalf("the length in the rack is not used first: %+v", v.Plan.Sheets)
	}
	for tubeRoom(t, s, half).Plan != nil {
		cut()
	}
	if g := tubeRoom(t, s, half); len(g.Panes) != 0 {
		t.Errorf("%d still wait", len(g.Panes))
	}
	if g := tubeRoom(t, s, stock.Glass{Material: "borosilicate", Thickness: 2.4, Outside: 15.9}); len(g.Panes) != 1 ||
		len(g.Stock) != 1 {
		t.Errorf("the other outside: %+v", g)
	}
	good, bad, err := s.Store.Stocks.Tries(ctx, "borosilicate", tor.ID)
	if err != nil || good != 3 || bad != 1 {
		t.Errorf("%d good, %d bad, %v", good, bad, err)
	}
}

// Whose band a pane's size keeps is said; one that nobody said is cut here is sized anew
// when somebody does.
func TestCutHere(t *testing.T) {
	s, _, tor := open(t)
	id := toCutLight(t, s, tor, "Greenhouse, gable light", "506", "402")
	g := room(t, s)
	if c := g.Panes[0]; !c.Unsaid || c.Keeps != "cut by a glass shop, to 3 mm thick, ± 0.8 mm" || c.Shape != nil {
		t.Fatalf("%+v", c)
	}
	before := g.Panes[0].W
	for range 2 { // a tap that comes twice
		if err := s.Stock.CutHere(ctx, tor, jobview.First(id)); err != nil {
			t.Fatal(err)
		}
	}
	c := room(t, s).Panes[0]
	if c.Unsaid || !strings.HasSuffix(c.Keeps, "± 1 mm") || c.W > before {
		t.Errorf("%+v, before %g wide", c, before)
	}
}

// A round pane lies in its blank with a relief score to every eighth of its turn.
func TestBlankOfAShape(t *testing.T) {
	s, _, tor := open(t)
	id, err := s.Desk.TakeIn(ctx, tor, "",
		desk.TakeIn{Name: "Fenland hatchery", Object: "Incubator, port", Exposure: "room",
			Family: "ring-port", Place: "bench", Like: "annealed"})
	if err != nil {
		t.Fatal(err)
	}
	for place, text := range map[reading.Place]string{reading.Across0: "251.2 ±0.1", reading.Across45: "250.6 ±0.1",
		reading.Across90: "249.4 ±0.1", reading.Across135: "250.8 ±0.1", reading.Ledge: "10",
		reading.SeatWarp: "0.4 ±0.05"} {
		read(t, s, tor, id, place, text)
	}
	if err := s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "annealed", Thickness: 6}); err != nil {
		t.Fatal(err)
	}
	g := tubeRoom(t, s, stock.Glass{Material: "annealed", Thickness: 6, Outside: 0})
	if len(g.Panes) != 1 || g.Panes[0].Shape == nil {
		t.Fatalf("%+v", g)
	}
	c := g.Panes[0]
	if n := len(c.Shape.Scores); n != 8 || c.Shape.Scores[0].Kind != outline.ReliefAt {
		t.Errorf("%d scores round a round pane: %+v", n, c.Shape.Scores)
	}
	for _, q := range c.Shape.Outline { // eight times the thickness of glass all round
		if q.X < 48-0.6 || q.Y < 48-0.6 || q.X > c.W-47.4 || q.Y > c.H-47.4 {
			t.Errorf("the outline comes to %v of %g × %g", q, c.W, c.H)
		}
	}
}
