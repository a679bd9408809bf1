package cutting

// AsSheets shows bars as narrow sheets, high mm wide, that are only cut across, so that
// a plan of bars is followed, broken and taken back cut by cut like any other. What is
// dressed off a stretch belongs to it.
func (t BarTask) AsSheets(p BarPlan, high float64) (Task, Plan) {
	task := Task{Rules: Rules{Saw: true, Kerf: t.Kerf, Keep: min(high, t.Keep)}}
	for _, b := range t.Bars {
		task.Stock = append(task.Stock, Stock{ID: b.ID, W: b.Length, H: high, Count: b.Count, Cost: b.Cost,
			Trim: Trim{Left: t.Ends, Right: t.Ends}})
	}
	long := map[string]float64{}
	for i, w := range t.Wants {
		long[w.ID] = w.Length + t.Dress
		task.Pieces = append(task.Pieces, Piece{ID: w.ID, W: w.Length + t.Dress, H: high, Count: w.Count, Rank: i})
	}
	out := Plan{Sheets: []Sheet{}, Left: p.Left, Cost: p.Cost, Yield: p.Yield, Useful: p.Yield, Proved: p.Proved}
	whole, kept := 0.0, 0.0
	for _, c := range p.Bars {
		s := Sheet{Stock: c.Bar, Copy: c.Copy, W: c.Length, H: high}
		s.Root = Node{Kind: IsWaste, W: c.Length, H: high}
		rest := &s.Root
		// A damaged end comes off with the kerf in what comes off.
		cut := func(at float64, trim bool) (a, b *Node) {
			n, kerf := rest, t.Kerf
			if trim {
				kerf = 0
			}
			far := max(0, inMM(tenths(n.W-at-kerf)))
			n.Kind, n.Up, n.At, n.Trim = IsCut, true, at, trim
			n.A = &Node{Kind: IsWaste, X: n.X, W: at, H: high}
			n.B = &Node{Kind: IsWaste, X: inMM(tenths(n.X + n.W - far)), W: far, H: high}
			out.Cuts++
			return n.A, n.B
		}
		if t.Ends > 0 {
			_, rest = cut(inMM(tenths(t.Ends)), true)
		}
		for _, id := range c.Cuts {
			if same(rest.W, long[id]) {
				rest.Kind, rest.Piece = IsPiece, id
				break
			}
			a, b := cut(inMM(tenths(long[id])), false)
			a.Kind, a.Piece = IsPiece, id
			rest = b
		}
		if c.Keep {
			if t.Ends > 0 {
				rest, _ = cut(inMM(tenths(rest.W-t.Ends)), true)
			}
			rest.Kind = IsOffcut
			kept += rest.W
		}
		whole += c.Length
		out.Sheets = append(out.Sheets, s)
	}
	if whole > 0 {
		out.Useful += kept / whole
	}
	return task, out
}
