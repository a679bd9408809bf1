package strength

import (
	"testing"

	"freshshard/tools/golden"
)

// what a plate takes: its own numbers, its sides, the load.
type what struct {
	Sheet      Sheet
	W, H, Load float64
	Patch      float64
}

// From where to where each number of a plate and a tube may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	of := func(sum func(what) (Bent, error)) string {
		return golden.Bounds(what{Sheet{70, 0.22, 4}, 700, 900, 0.5, 100}, func(w what) error {
			_, err := sum(w)
			return err
		})
	}
	golden.Check(t, "bounds",
		"= four sides\n"+of(func(w what) (Bent, error) { return w.Sheet.FourSides(w.W, w.H, w.Load) })+
			"= three sides\n"+of(func(w what) (Bent, error) { return w.Sheet.ThreeSides(w.W, w.H, w.Load) })+
			"= two sides\n"+of(func(w what) (Bent, error) { return w.Sheet.TwoSides(w.W, w.H, w.Load) })+
			"= round\n"+of(func(w what) (Bent, error) { return w.Sheet.Circle(w.W, w.Load, true) })+
			"= a push\n"+of(func(w what) (Bent, error) { return w.Sheet.Push(w.W, w.H, w.Load, w.Patch) })+
			"= a push, round\n"+of(func(w what) (Bent, error) { return w.Sheet.PushRound(w.W, w.Load, w.Patch) })+
			"= a push on a free edge\n"+of(func(w what) (Bent, error) {
			return w.Sheet.PushEdge(w.W, w.H, w.Load, w.Patch,
				true)
		})+
			"= tube\n"+golden.Bounds([]float64{12.7}, func(v []float64) error { _, err := Tube(v[0], 2.4, 0.8); return err })+
			golden.Bounds([]float64{2.4}, func(v []float64) error { _, err := Tube(12.7, v[0], 0.8); return err })+
			golden.Bounds([]float64{0.8}, func(v []float64) error { _, err := Tube(12.7, 2.4, v[0]); return err }))
}
