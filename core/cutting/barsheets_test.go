package cutting

import (
	"context"
	"fmt"
	"testing"
)

// A plan of bars, followed like one of sheets: the other verifier passes it, every
// stretch comes off, and what is kept is as long as the plan of bars says.
func TestBarsAsSheets(t *testing.T) {
	for seed := range uint64(30) {
		task := barTask(seed, 3+int(seed), 1200, 3*float64(seed%2))
		task.Ends, task.Dress = 5*float64(seed%3), float64(seed%4)
		p, err := SolveBars(context.Background(), task)
		if err != nil {
			t.Fatal(err)
		}
		flat, plan := task.AsSheets(p, 12.7)
		if b := Verify(flat, plan); len(b) > 0 {
			t.Fatalf("seed %d: %v", seed, b)
		}
		var made []Mark
		for sheet, c := plan.Next(made); c != nil; sheet, c = plan.Next(made) {
			made = append(made, Mark{Sheet: sheet, Path: c.Path})
		}
		if plan.Cuts != len(made) {
			t.Errorf("seed %d: %d cuts, made %d", seed, plan.Cuts, len(made))
		}
		good := plan.Good(made)
		for _, w := range task.Wants {
			if good[w.ID] != 1 {
				t.Errorf("seed %d: %s came off %d times", seed, w.ID, good[w.ID])
			}
		}
		kept := map[string]float64{}
		for _, h := range plan.InHand(made) {
			if h.Node.Kind == IsOffcut {
				kept[fmt.Sprintf("%s/%d", plan.Sheets[h.Sheet].Stock, plan.Sheets[h.Sheet].Copy)] = h.Node.W
			}
		}
		for _, c := range p.Bars {
			if got := kept[fmt.Sprintf("%s/%d", c.Bar, c.Copy)]; c.Keep != (got > 0) || c.Keep && !same(got, c.Remnant) {
				t.Errorf("seed %d: %s/%d keeps %g mm, the plan says %v, %g", seed, c.Bar, c.Copy, got, c.Keep, c.Remnant)
			}
		}
	}
}

// A bar that is a stretch as it comes takes no cut; one that is too short stays open.
func TestBarsAsSheetsByHand(t *testing.T) {
	task := BarTask{Bars: []Bar{{ID: "tube", Length: 300, Count: 1}}, Wants: []Stretch{{ID: "a", Length: 300}, {ID: "b",
		Length: 400}}}
	p, err := SolveBars(context.Background(), task)
	if err != nil {
		t.Fatal(err)
	}
	flat, plan := task.AsSheets(p, 19)
	if b := Verify(flat, plan); len(b) > 0 || plan.Cuts != 0 || len(plan.Sheets) != 1 ||
		plan.Sheets[0].Root.Kind != IsPiece || len(plan.Left) != 1 || plan.Left[0].Piece != "b" {
		t.Errorf("%+v, %v", plan, b)
	}
}
