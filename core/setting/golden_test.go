package setting

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/outline"
	"freshshard/tools/golden"
)

// Blocks, points, gaskets, dew and orders of tightening for panes of several
// sizes.
func TestSettingIsAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, p := range [][2]float64{{270, 240}, {600, 400}, {1200, 900}, {3000, 2000}, {90, 60}} {
		fmt.Fprintf(b, "= %v\n%s\n%s\n", p, golden.Lines(t, Blocks(p[0], p[1], 6, 3)),
			golden.Lines(t, BlockFigure(p[0], p[1], 6, 3)))
		fmt.Fprintf(b, "points on %v %v, %s\n", PointsOn(p[0]), PointsOn(p[1]),
			golden.Lines(t, PointFigure(p[0], p[1], "point")))
		for _, q := range Points(p[0], p[1]) {
			fmt.Fprintf(b, " %.1f,%.1f", q.X, q.Y)
		}
		b.WriteString("\n")
		for _, s := range []Sides{{2, 0, 2, 0}, {3, 2, 3, 2}, {1, 1, 1, 1}, {4, 0, 1, 3}, {0, 0, 0, 0}, {8, 6, 8, 6}} {
			at := Spread(p[0], p[1], s)
			fmt.Fprintf(b, "%v (%d): crosswise %v, round %v, by school %v %v\n", s, s.Total(), Crosswise(at),
				Tighten(at, "round"), Tighten(at, "crosswise"), Tighten(at, ""))
			for _, q := range at {
				fmt.Fprintf(b, " %.1f,%.1f", q.X, q.Y)
			}
			b.WriteString("\n")
		}
	}
	circle, err := outline.KindOf("circle", 0)
	if err != nil {
		t.Fatal(err)
	}
	_, path := circle.Assume(nil)
	for _, q := range append(Around(path, 7), PointsAround(path)...) {
		fmt.Fprintf(b, " %.1f,%.1f", q.X+0, q.Y+0)
	}
	lo, hi := GasketLength(1200)
	s1, s2 := Seated(4)
	fmt.Fprintf(b, "\n%v %v %v %v %s\n", lo, hi, s1, s2, golden.Lines(t, GasketFigure(1200, "the pane's edge")))
	for _, d := range [][3]float64{{20, 50, 20}, {20, 50, 12.26}, {20, 50, 12.27}, {-10, 80, -8}, {35, 100, 37},
		{20, 0, 20}, {20, 101, 20}, {-61, 50, 20}, {20, 50, 400}, {20, 50, 401}, {20, 50, -61}, {20, 1, 20}, {20, 0.5, 20},
		{60, 50, 60}, {61, 50, 60}} {
		f, err := Damp{&d[0], d[1], &d[2]}.Figures()
		fmt.Fprintf(b, "%+v: %v\n", d, err)
		for _, x := range f {
			fmt.Fprintf(b, "  %s %s %.3f %s | %s\n", x.Verdict, x.Key, x.Value, x.Sentence, x.Working.Values)
		}
	}
	golden.Check(t, "setting", strings.ReplaceAll(b.String(), "-0.0,", "0.0,"))
}
