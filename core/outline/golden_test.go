package outline

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"testing"

	"freshshard/tools/golden"
)

// Every shape by its usual measures: its corners, what follows from them, moved
// in and out, what its checks should read, and whether a hand can cut it.
func TestShapesAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	corners := func(what string, p Path) {
		fmt.Fprintf(b, "  %s:", what)
		for _, v := range p {
			fmt.Fprintf(b, " %.2f,%.2f)%.4f", v.X+0, v.Y+0, v.Bulge+0)
		}
		box := p.Box()
		fmt.Fprintf(b, "; area %.1f, girth %.2f, box %.2f × %.2f\n", p.Area(), p.Perimeter(), box.Width(), box.Height())
	}
	for _, k := range Kinds() {
		for _, count := range []int{0, 3, 5} {
			if (count == 0) != (k.Counted == "") {
				continue
			}
			k, err := KindOf(k.ID, count)
			if err != nil {
				t.Fatal(err)
			}
			m, p := k.Assume(nil)
			doubts := Values{}
			for key := range m {
				doubts[key] = 1
			}
			fmt.Fprintf(b, "= %s %d, %s; doubt %.3f\n", k.ID, count, k.Name, k.Doubt(m, doubts))
			corners("as made", p)
			for _, d := range []float64{3, 20, -7} {
				q, err := p.Offset(d)
				if err != nil {
					fmt.Fprintf(b, "  moved in by %v: %v\n", d, err)
					continue
				}
				corners(fmt.Sprintf("moved in by %v", d), q)
			}
			for _, d := range k.Dimensions(p) {
				fmt.Fprintf(b, "  makes %s, %s: %.2f\n", d.Key, d.Name, d.Value)
			}
			lines := k.Lines(m, p)
			for _, key := range slices.Sorted(maps.Keys(lines)) {
				l := lines[key]
				fmt.Fprintf(b, "  line %s: %.2f,%.2f to %.2f,%.2f\n", key, l[0].X+0, l[0].Y+0, l[1].X+0, l[1].Y+0)
			}
			for _, c := range k.Checks {
				v, off, err := k.Predict(c.Key, m, doubts)
				fmt.Fprintf(b, "  check %s: %.2f ±%.3f %v\n", c.Key, v, off, err)
			}
			for _, thick := range []float64{3, 10} {
				fmt.Fprintf(b, "  cut %v mm: %+v\n", thick, p.Cuttable(thick))
			}
			fmt.Fprintf(b, "  inside: %v %v; flat in %d\n",
				p.Inside(Point{X: (p.Box().Min.X + p.Box().Max.X) / 2, Y: (p.Box().Min.Y + p.Box().Max.Y) / 2}),
				p.Inside(Point{X: -5, Y: -5}), len(p.Flatten(0.1)))
		}
	}
	golden.Check(t, "shapes", strings.ReplaceAll(b.String(), "-0.00", "0.00"))
}
