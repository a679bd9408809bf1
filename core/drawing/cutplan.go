package drawing

import (
	"fmt"

	"freshshard/core/cutting"
	"freshshard/core/outline"
)

// Between two sheets of a plan that are drawn beside one another, mm.
const sheetGap = 250.0

// CutPlan draws the sheets of a plan beside one another: their edges, each pane with its
// name, what is kept hatched, and each cut with its number in the order in which they
// are made. names are what pieces are called.
func CutPlan(p *cutting.Plan, names map[string]string) Drawing {
	d := Drawing{Name: "cut plan", Seen: "above"}
	x := 0.0
	for i := range p.Sheets {
		s := &p.Sheets[i]
		size := max(18, s.H/28)
		id := func(kind string, n int) string { return fmt.Sprintf("sheet-%d-%s-%d", i+1, kind, n) }
		d.loop(id("edge", 0), LayerFrame, fmt.Sprintf("sheet %d, %g × %g mm", i+1, s.W, s.H), rect(x, 0, x+s.W, s.H))
		for k, l := range s.Root.Leaves() {
			r := rect(x+l.X, l.Y, x+l.X+l.W, l.Y+l.H)
			middle := outline.Point{X: x + l.X + l.W/2, Y: l.Y + l.H/2}
			switch l.Kind {
			case cutting.IsPiece:
				name := names[l.Piece]
				if name == "" {
					name = l.Piece
				}
				d.loop(id("pane", k), LayerPane, fmt.Sprintf("%s, %g × %g mm", name, l.W, l.H), r)
				d.text(id("name", k), LayerNote, middle, min(size, l.W/14), "middle", name)
				d.text(id("size", k), LayerNote, outline.Point{X: middle.X, Y: middle.Y - 1.4*size}, min(size, l.W/14), "middle",
					fmt.Sprintf("%g × %g", l.W, l.H))
			case cutting.IsOffcut:
				d.loop(id("offcut", k), LayerHatch, fmt.Sprintf("offcut to keep, %g × %g mm", l.W, l.H), r)
				d.text(id("kept", k), LayerNote, middle, min(size, l.W/14), "middle", fmt.Sprintf("offcut %g × %g", l.W, l.H))
			}
		}
		for _, c := range s.Order() {
			n := c.Node
			a, b := outline.Point{X: x + n.X, Y: n.Y + n.At}, outline.Point{X: x + n.X + n.W, Y: n.Y + n.At}
			if n.Up {
				a, b = outline.Point{X: x + n.X + n.At, Y: n.Y}, outline.Point{X: x + n.X + n.At, Y: n.Y + n.H}
			}
			d.line(id("cut", c.Number), LayerOpening, a, b)
			d.text(id("number", c.Number), LayerOrder, a, size, "start", fmt.Sprint(c.Number))
		}
		x += s.W + sheetGap
	}
	d.fit(60)
	return d
}
