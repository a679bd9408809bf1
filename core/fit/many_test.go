package fit

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/tools/golden"
)

// A great many openings drawn by chance, a line each: that all that is said of each is what
// was said.
func TestManySizesAreAsTheyWere(t *testing.T) {
	b := &strings.Builder{}
	cutters := []Cutter{HandCut, ShopCut, Toughened, Saw}
	for _, f := range family.Book.All() {
		for seed := range uint64(14) {
			r := rand.New(rand.NewPCG(seed, 31))
			texts := map[reading.Place]string{}
			for _, w := range reading.Walk(f.Sizing, reading.Shape{}) {
				if s, ok := golden.Readings[string(w.Place)]; ok {
					texts[w.Place] = s
				}
			}
			p := problem(t, f.ID, texts)
			for _, w := range reading.Walk(f.Sizing, reading.Shape{}) {
				v, ok := p.Readings[w.Place]
				if !ok {
					continue
				}
				v.Value, v.Doubt = v.Value*(0.97+0.06*r.Float64()), 0.02+v.Value*0.004*r.Float64()
				if p.Readings[w.Place] = v; !w.Needed && r.IntN(3) == 0 {
					delete(p.Readings, w.Place)
				}
			}
			delete(p.Readings, reading.Falling) // two diagonals by chance fit nothing
			p.Thickness, p.OffCentre, p.Draws = 3+float64(r.IntN(9)), 2*r.Float64(), 60
			p.Cutter, p.Unit = cutters[r.IntN(4)], []length.Unit{length.MM, length.IN}[r.IntN(2)]
			p.Gasket = []Gasket{{Kind: None}, {Kind: Flat, Free: 3}, {Kind: Wrapped, Free: 2 + 3*r.Float64()}}[r.IntN(3)]
			p.Pane.Alpha, p.Frame.Alpha = 70*r.Float64()*r.Float64(), 24*r.Float64()
			p.Exposure.Steady, p.Exposure.FrameHot, p.Exposure.Coldest = 20+300*r.Float64(), 20+200*r.Float64(),
				20-50*r.Float64()
			p.Exposure.Short = p.Exposure.Steady + 40*r.Float64()
			p.Plastic, p.Pattern, p.Carried = r.IntN(4) == 0, r.IntN(6) == 0, r.IntN(6) == 0
			if r.IntN(5) == 0 {
				p.Stock = &outline.Size{W: 400, H: 300}
			}
			res, err := Solve(p)
			fmt.Fprintf(b, "%s %d: %v, %.1f × %.1f, %d figures, %s\n", f.ID, seed, err, res.Order.W, res.Order.H,
				len(res.Figures),
				golden.Digest(told(t, res, true)))
		}
	}
	golden.Check(t, "many", b.String())
}
