package cutting

import (
	"fmt"
	"math"
	"slices"
)

// finish writes the best genome out as a plan.
func (s *search) finish() Plan {
	b, g := s.b, s.best
	b.build(g)
	p := Plan{Sheets: []Sheet{}, Left: []Left{}, Bound: round(s.bound.net)}
	pieces, whole, useful := 0.0, 0.0, 0.0
	worth := 0.0
	for _, u := range b.opened {
		n := b.units[u]
		st := b.task.Stock[n.stock]
		sheet := Sheet{Stock: st.ID, Copy: n.copy, W: st.W, H: st.H, Root: trimmed(st, s.write(b.roots[u]))}
		p.Sheets = append(p.Sheets, sheet)
		p.Cost += n.cost
		stock := b.task.Stock[n.stock]
		whole += stock.W * stock.H // with its trim: that is paid for too
		for _, l := range sheet.Root.Leaves() {
			switch l.Kind {
			case IsPiece:
				pieces += l.W * l.H
			case IsOffcut:
				useful += l.W * l.H
				worth += b.worth * n.cost * l.W * l.H / (n.area() / perMM / perMM)
			}
		}
		p.Cuts += len(p.Sheets[len(p.Sheets)-1].Order())
	}
	if whole > 0 {
		p.Yield, p.Useful = pieces/whole, (pieces+useful)/whole
	}
	p.Cost = round(p.Cost - worth)
	p.Left = s.unplaced()
	p.Proved = len(p.Left) == 0 && (s.bound.sheets > 0 && len(p.Sheets) == s.bound.sheets || p.Cost <= p.Bound+1e-6)
	return p
}

func round(v float64) float64 { return math.Round(v*1e6) / 1e6 }

// write turns a built node into a plan's.
func (s *search) write(i int32) Node {
	v := s.b.nodes[i]
	n := Node{X: inMM(v.x), Y: inMM(v.y), W: inMM(v.w), H: inMM(v.h)}
	switch {
	case v.a >= 0:
		one, two := s.write(v.a), s.write(v.b)
		n.Kind, n.Up, n.At, n.A, n.B = IsCut, v.up, inMM(v.at), &one, &two
	case v.blk != nil:
		return s.spread(v.blk, v.x, v.y)
	case s.b.keep > 0 && min(v.w, v.h) >= s.b.keep:
		n.Kind = IsOffcut
	default:
		n.Kind = IsWaste
	}
	return n
}

// spread writes a joined block with its cuts.
func (s *search) spread(b *block, x, y int) Node {
	n := Node{X: inMM(x), Y: inMM(y), W: inMM(b.w), H: inMM(b.h)}
	if b.piece >= 0 {
		n.Kind, n.Piece, n.Turned = IsPiece, s.b.task.Pieces[b.piece].ID, b.turned
		return n
	}
	one := s.spread(b.a, x, y)
	if b.up {
		x += b.a.w + s.b.kerf
		n.At = inMM(b.a.w)
	} else {
		y += b.a.h + s.b.kerf
		n.At = inMM(b.a.h)
	}
	two := s.spread(b.b, x, y)
	n.Kind, n.Up, n.A, n.B = IsCut, b.up, &one, &two
	return n
}

// trimmed lays the edges that come off round what is usable, left, right, lower, upper.
func trimmed(s Stock, in Node) Node {
	t := s.Trim
	off := func(whole Node, up bool, at float64, a, b Node) Node {
		whole.Kind, whole.Up, whole.At, whole.Trim, whole.A, whole.B = IsCut, up, at, true, &a, &b
		return whole
	}
	waste := func(x, y, w, h float64) Node { return Node{Kind: IsWaste, X: x, Y: y, W: w, H: h} }
	right, top := s.W-t.Right, s.H-t.Top
	if t.Top > 0 {
		in = off(Node{X: t.Left, Y: t.Bottom, W: right - t.Left, H: s.H - t.Bottom}, false, top-t.Bottom, in,
			waste(t.Left, top, right-t.Left, t.Top))
	}
	if t.Bottom > 0 {
		in = off(Node{X: t.Left, Y: 0, W: right - t.Left, H: s.H}, false, t.Bottom,
			waste(t.Left, 0, right-t.Left, t.Bottom), in)
	}
	if t.Right > 0 {
		in = off(Node{X: t.Left, Y: 0, W: s.W - t.Left, H: s.H}, true, right-t.Left, in, waste(right, 0, t.Right, s.H))
	}
	if t.Left > 0 {
		in = off(Node{X: 0, Y: 0, W: s.W, H: s.H}, true, t.Left, waste(0, 0, t.Left, s.H), in)
	}
	return in
}

// unplaced are the pieces without a place, each with why.
func (s *search) unplaced() []Left {
	count := map[int]int{}
	var note func(b *block)
	note = func(b *block) {
		if b.piece >= 0 {
			count[b.piece]++
			return
		}
		note(b.a)
		note(b.b)
	}
	for _, i := range s.b.left {
		note(s.best.blocks[i])
	}
	out := []Left{}
	for i, p := range s.b.task.Pieces {
		if n := count[i]; n > 0 {
			out = append(out, Left{Piece: p.ID, Count: n, Why: s.why(p)})
		}
	}
	return out
}

// why says why a piece has no place.
func (s *search) why(p Piece) string {
	w, h := tenths(p.W), tenths(p.H)
	strip := false
	fits := func(u unit, w, h int) bool {
		_, ok1 := s.b.rest(u.w, w)
		_, ok2 := s.b.rest(u.h, h)
		strip = strip || u.w >= w && u.h >= h && !(ok1 && ok2)
		return ok1 && ok2
	}
	straight := slices.ContainsFunc(s.b.units, func(u unit) bool {
		return (p.On == "" || s.b.task.Stock[u.stock].ID == p.On) && p.Lie != Turned && fits(u, w, h)
	})
	turned := slices.ContainsFunc(s.b.units, func(u unit) bool {
		return (p.On == "" || s.b.task.Stock[u.stock].ID == p.On) && p.Lie != AsIs && p.Turn && fits(u, h, w)
	})
	larger := slices.ContainsFunc(s.b.units, func(u unit) bool { return u.w >= h && u.h >= w })
	switch {
	case straight || turned:
		return "all stock that it fits is cut into for other panes"
	case p.On != "":
		return "it does not fit the sheet that it is pinned to"
	case !s.b.saw && min(w, h) < s.b.least:
		return "too narrow to snap: have it cut"
	case strip:
		return fmt.Sprintf("what would be left beside it is narrower than %g mm and would not snap off", s.b.task.Rules.Least)
	case larger && !p.Turn:
		return "it would fit turned, and its pattern or streak does not let it"
	}
	return "it is larger than every sheet"
}
