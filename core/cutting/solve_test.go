package cutting

import (
	"context"
	"testing"
	"time"
)

// pieces cut from a sheet find together again.
func TestPerfect(t *testing.T) {
	for _, c := range []struct {
		n     int
		least float64
	}{{60, 0.97}, {100, 0.97}} {
		worst := 1.0
		for seed := range uint64(40) {
			task := perfect(seed, c.n, 2250, 1605, 60)
			start := time.Now()
			p, err := Solve(context.Background(), task, Options{Budget: 2 * time.Second, Seed: 1})
			if err != nil {
				t.Fatal(err)
			}
			if b := Verify(task, p); len(b) > 0 {
				t.Fatalf("%d pieces: %v", c.n, b)
			}
			placed := 0.0
			for _, s := range p.Sheets {
				for _, l := range s.Root.Leaves() {
					if l.Kind == IsPiece {
						placed += l.W * l.H / (2250 * 1605)
					}
				}
			}
			worst = min(worst, placed)
			t.Logf("%d pieces, seed %d: %.4f in %v", c.n, seed, placed, time.Since(start).Round(time.Millisecond))
		}
		if worst < c.least {
			t.Errorf("%d pieces: %.4f of the sheet, want %.4f", c.n, worst, c.least)
		}
	}
}
