package drawing

import (
	"context"
	"testing"

	"freshshard/core/cutting"
)

// Two halves of a sheet: its edge, two panes with their names and sizes, one cut with
// its number; the next sheet beside it.
func TestCutPlan(t *testing.T) {
	p, err := cutting.Solve(context.Background(),
		cutting.Task{Stock: []cutting.Stock{{ID: "s", W: 1000, H: 600, Count: 2}},
			Pieces: []cutting.Piece{{ID: "p", W: 500, H: 600, Count: 4}}, Rules: cutting.Rules{Least: 32}},
		cutting.Options{Steps: 50})
	if err != nil {
		t.Fatal(err)
	}
	d := CutPlan(&p, map[string]string{"p": "Greenhouse"})
	count := map[Layer]int{}
	named := 0
	for _, i := range d.Items {
		count[i.Layer]++
		if i.Text == "Greenhouse" {
			named++
		}
	}
	if count[LayerFrame] != 2 || count[LayerPane] != 4 || count[LayerOpening] != 2 || count[LayerOrder] != 2 ||
		named != 4 {
		t.Errorf("%v, %d names", count, named)
	}
	if w := d.Box.Max.X - d.Box.Min.X; w != 2*1000+sheetGap+120 {
		t.Errorf("%v mm wide", w)
	}
}
