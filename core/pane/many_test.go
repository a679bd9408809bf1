package pane

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/tools/golden"
)

// A great many places drawn by chance, a line each: that what is chosen for each, and all
// that is said of it, is what was.
func TestManyChoicesAreAsTheyWere(t *testing.T) {
	b := &strings.Builder{}
	all := exposure.Book.Laid(nil)
	materials := Book.Laid(nil)
	for seed := range uint64(90) {
		r := rand.New(rand.NewPCG(seed, 17))
		maybe := func(v float64) float64 {
			if r.IntN(2) == 0 {
				return 0
			}
			return v * r.Float64()
		}
		e := all[r.IntN(len(all))]
		e.Steady += 20 * r.Float64()
		e.Short = max(e.Short, e.Steady) + 20*r.Float64()
		e.Sudden, e.Cleaning = maybe(400), maybe(60)
		w, h := 100+900*r.Float64(), 100+700*r.Float64()
		n := Need{Exposure: e, Area: w * h, Thickness: 3 + float64(r.IntN(8)), Depth: maybe(14), Read: maybe(8),
			Like: materials[r.IntN(len(materials))].ID, Strike: r.IntN(4) == 0, Other: r.IntN(5) == 0, Vehicle: r.IntN(5) == 0,
			Boat: r.IntN(9) == 0, Maker: r.IntN(6) == 0, Bent: r.IntN(9) == 0, Usual: materials[r.IntN(len(materials))].ID,
			Load: Load{W: w, H: h, Held: []Held{"", "", "two", "three"}[r.IntN(4)], Wind: maybe(40), Push: maybe(900),
				Even:  maybe(8),
				Lying: r.IntN(4) == 0, Spare: maybe(6), Warp: maybe(4)},
			Duty: Duty{Push: maybe(500), Water: maybe(1), Food: r.IntN(6) == 0, Windscreen: r.IntN(9) == 0}}
		if r.IntN(3) == 0 {
			n.Beware = [][]string{{"blow"}, {"sudden", "seat"}, {"flaw"}, {"surface", "material"}}[r.IntN(4)]
		}
		if r.IntN(4) == 0 {
			n.Weights = map[string]float64{"cost": float64(r.IntN(11)), "scratch": float64(r.IntN(11))}
		}
		if r.IntN(5) == 0 {
			n.Stack, n.Room = Stack{Panes: []Coated{{Material: "toughened-coated", Thickness: 4, Coat: "cold"},
				{Material: "toughened", Thickness: 4, Coat: "none"}}, Gaps: []float64{12 + 10*r.Float64()}, Here: 1 + r.IntN(2),
				Cavity: 200 + 100*r.Float64()}, 22
		}
		if r.IntN(8) == 0 {
			n.Tube, n.Outside, n.Duty, n.Load = true, 10+8*r.Float64(), Duty{Pressure: maybe(12)}, Load{}
		}
		c, err := Choose(n)
		said := ""
		for _, a := range c.Stands {
			for _, s := range a.Stand {
				figures, err := c.Why(a.Key, s.Material)
				for _, f := range figures {
					said += golden.Figure(f)
				}
				said += fmt.Sprint(err)
			}
		}
		for _, k := range c.Closed {
			said += golden.Figure(k.Figure)
		}
		fmt.Fprintf(b, "%d: %v, %d open, %d closed, %s %s %q\n", seed, err, len(c.Open), len(c.Closed),
			golden.Digest(golden.Lines(t, c)),
			golden.Digest(said), c.Advice)
	}
	golden.Check(t, "many", b.String())
}
