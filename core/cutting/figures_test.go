package cutting

import (
	"math"
	"testing"
)

// Two panes of 0.4 × 0.5 m out of a sheet of 1 m² at 30, 0.5 m² kept: 90 in 100 used or
// kept; 30 less half of its half.
func TestFigures(t *testing.T) {
	task := Task{Stock: []Stock{{ID: "s", W: 1000, H: 1000, Cost: 30}}, Rules: Rules{Keep: 200}}
	leaf := func(kind, piece string, x, y, w, h float64) *Node {
		return &Node{Kind: kind, Piece: piece, X: x, Y: y, W: w, H: h}
	}
	low := &Node{Kind: IsCut, W: 1000, H: 500, Up: true, At: 400, A: leaf(IsPiece, "a", 0, 0, 400, 500),
		B: &Node{Kind: IsCut, X: 400, W: 600, H: 500, Up: true, At: 400, A: leaf(IsPiece, "b", 400, 0, 400, 500),
			B: leaf(IsWaste, "", 800, 0, 200, 500)}}
	p := Plan{Sheets: []Sheet{{Stock: "s", Copy: 1, W: 1000, H: 1000, Root: Node{Kind: IsCut, W: 1000, H: 1000, At: 500,
		A: low,
		B: leaf(IsOffcut, "", 0, 500, 1000, 500)}}}}
	f := p.Figures(task)
	if len(f) != 2 || math.Abs(f[0].Value-90) > 1e-9 || math.Abs(f[1].Value-22.5) > 1e-9 {
		t.Errorf("%+v", f)
	}
	for i, want := range []map[string]float64{{"P": 0.4, "K": 0.5, "S": 1}, {"C": 30, "B": 7.5}} {
		for _, in := range f[i].Working.Inputs {
			if math.Abs(in.Value-want[in.Symbol]) > 1e-9 {
				t.Errorf("%s: %s is %v", f[i].Key, in.Symbol, in.Value)
			}
		}
	}
	if f := (Plan{}).Figures(task); f != nil {
		t.Errorf("a plan of nothing is worth %v", f)
	}
}
