package cutting

import (
	"context"
	"testing"
)

// A pane that is narrower than what snaps off is left over with its reason, and the others
// are planned: just inside, at and just outside.
func TestTooNarrowToSnap(t *testing.T) {
	for _, c := range []struct {
		w, thick float64
		left     bool
	}{{27.3, 4, true}, {31.9, 4, true}, {32, 4, false}, {32.1, 4, false}, {75, 10, true}, {80, 10, false}} {
		task := Task{Stock: []Stock{{ID: "s", W: 1605, H: 1200, Count: 2, Trim: Trim{Left: 15, Bottom: 15}}},
			Pieces: []Piece{{ID: "narrow", W: c.w, H: 400, Turn: true}, {ID: "other", W: 506, H: 402, Turn: true, Count: 3}},
			Rules:  Rules{Least: LeastStrip(c.thick), Keep: 200}}
		p, err := Solve(context.Background(), task, Options{Steps: 60})
		if err != nil {
			t.Fatal(err)
		}
		if b := Verify(task, p); len(b) > 0 {
			t.Errorf("%g in %g mm: %v", c.w, c.thick, b)
		}
		if got := len(p.Left) == 1 && p.Left[0].Piece == "narrow"; got != c.left || len(p.Left) > 1 {
			t.Errorf("%g in %g mm: left %+v", c.w, c.thick, p.Left)
		} else if c.left && p.Left[0].Why != "too narrow to snap: have it cut" {
			t.Errorf("%q", p.Left[0].Why)
		}
	}
}
