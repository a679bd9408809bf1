package cutting

import (
	"fmt"
	"strings"

	"freshshard/core/fault"
)

// Mark is a cut that was made, or broke what was in hand.
type Mark struct {
	Sheet int    `json:"sheet" doc:"Its place in the plan"`
	Path  string `json:"path" doc:"Way to what was cut"`
	Broke bool   `json:"broke,omitempty"`
}

// Next is the cut that comes next: that of the first sheet on which something is in
// hand that is to be cut. Nil when all is cut.
func (p *Plan) Next(made []Mark) (sheet int, c *Cut) {
	for i := range p.Sheets {
		for _, cut := range p.Sheets[i].Order() {
			if !marked(made, i, cut.Path) && !lost(made, i, cut.Path) {
				return i, &cut
			}
		}
	}
	return -1, nil
}

func marked(made []Mark, sheet int, path string) bool {
	for _, m := range made {
		if m.Sheet == sheet && m.Path == path {
			return true
		}
	}
	return false
}

// lost says whether a node lies in what broke.
func lost(made []Mark, sheet int, path string) bool {
	for _, m := range made {
		if m.Sheet == sheet && m.Broke && strings.HasPrefix(path, m.Path) {
			return true
		}
	}
	return false
}

// Do marks the next cut. at is the cut that the person saw, so that a tap that comes
// twice counts once; it reports false for one that is made already.
func (p *Plan) Do(made []Mark, at Mark) ([]Mark, bool, error) {
	if marked(made, at.Sheet, at.Path) {
		return made, false, nil
	}
	sheet, c := p.Next(made)
	if c == nil || sheet != at.Sheet || c.Path != at.Path {
		return made, false, fault.New("path", "another cut comes first", "make the one that is shown")
	}
	return append(made, at), true, nil
}

// InHand is a rectangle of glass that is there while a plan is cut: a pane, an offcut,
// or a blank that is to be cut on.
type InHand struct {
	Sheet int
	Path  string
	Node  *Node
}

// InHand lists what the sheets that were begun have come to.
func (p *Plan) InHand(made []Mark) []InHand {
	var out []InHand
	for i := range p.Sheets {
		if !p.Begun(made, i) {
			continue
		}
		var walk func(n *Node, path string)
		walk = func(n *Node, path string) {
			switch {
			case n == nil || lost(made, i, path):
			case n.Kind == IsCut && marked(made, i, path):
				walk(n.A, path+"a")
				walk(n.B, path+"b")
			default:
				out = append(out, InHand{i, path, n})
			}
		}
		walk(&p.Sheets[i].Root, "")
	}
	return out
}

// Begun says whether a sheet was cut into.
func (p *Plan) Begun(made []Mark, sheet int) bool {
	for _, m := range made {
		if m.Sheet == sheet {
			return true
		}
	}
	return false
}

// Good counts the pieces that are cut free, by their names.
func (p *Plan) Good(made []Mark) map[string]int {
	out := map[string]int{}
	for _, h := range p.InHand(made) {
		if h.Node.Kind == IsPiece {
			out[h.Node.Piece]++
		}
	}
	for i := range p.Sheets { // a sheet that is a piece as it comes takes no cut
		if r := &p.Sheets[i].Root; r.Kind == IsPiece {
			out[r.Piece]++
		}
	}
	return out
}

// Rest is what is left to be planned when the work stops here: the pieces that are not
// cut free, from the stock that nobody began and what is in hand. Blanks in hand have
// their damaged edges still where the trim was not cut off.
func (p *Plan) Rest(t Task, made []Mark) Task {
	out := Task{Rules: t.Rules}
	begun := map[string]int{}
	for i, s := range p.Sheets {
		if p.Begun(made, i) || s.Root.Kind == IsPiece {
			begun[s.Stock]++
		}
	}
	trims := map[string]Trim{}
	for _, s := range t.Stock {
		trims[s.ID] = s.Trim
		if s.Count = max(1, s.Count) - begun[s.ID]; s.Count > 0 {
			out.Stock = append(out.Stock, s)
		}
	}
	for _, h := range p.InHand(made) {
		if h.Node.Kind != IsCut && h.Node.Kind != IsOffcut {
			continue
		}
		s := p.Sheets[h.Sheet]
		out.Stock = append(out.Stock, Stock{ID: fmt.Sprintf("in hand %d%s", h.Sheet+1, h.Path), W: h.Node.W, H: h.Node.H,
			Offcut: true, Trim: trimLeft(trims[s.Stock], s, h.Node)})
	}
	good := p.Good(made)
	for _, q := range t.Pieces {
		if q.Count = max(1, q.Count) - good[q.ID]; q.Count > 0 {
			q.On = "" // its sheet may be gone
			out.Pieces = append(out.Pieces, q)
		}
	}
	return out
}

// trimLeft is what of a sheet's damaged edges a node still has.
func trimLeft(t Trim, s Sheet, n *Node) Trim {
	return Trim{Left: max(0, t.Left-n.X), Bottom: max(0, t.Bottom-n.Y), Right: max(0, n.X+n.W-(s.W-t.Right)),
		Top: max(0, n.Y+n.H-(s.H-t.Top))}
}
