package cutting

// block is a piece, or several that were joined edge to edge without waste and are
// placed as one; tenths of a millimetre.
type block struct {
	w, h   int
	piece  int // in the task; -1 for a joined block
	turned bool
	up     bool // A lies left of B; else below it
	a, b   *block
	turn   bool // it may be turned as a whole
	must   Lie
	on     int // stock that it is pinned to; -1 for any
	rank   int
	count  int // pieces within
}

// turnedOver is the block lying on its side.
func (b *block) turnedOver() *block {
	t := *b
	t.w, t.h = b.h, b.w
	if b.piece >= 0 {
		t.turned = !b.turned
		return &t
	}
	t.up, t.a, t.b = !b.up, b.a.turnedOver(), b.b.turnedOver()
	return &t
}

// blocksOf are the pieces of a task one by one.
func blocksOf(t Task) []*block {
	at := map[string]int{}
	for i, s := range t.Stock {
		at[s.ID] = i
	}
	var out []*block
	for i, p := range t.Pieces {
		on := -1
		if p.On != "" {
			on = at[p.On]
		}
		for range max(1, p.Count) {
			out = append(out, &block{w: tenths(p.W), h: tenths(p.H), piece: i, turn: p.Turn, must: p.Lie, on: on,
				rank: p.Rank, count: 1})
		}
	}
	return out
}

// lies are the ways in which a block may lie.
func (b *block) lies() (asIs, turned bool) {
	if b.piece < 0 {
		return true, b.turn
	}
	return b.must != Turned, b.must != AsIs && (b.turn && b.w != b.h || b.must == Turned)
}

// unit is one sheet that may be opened.
type unit struct {
	stock, copy int
	x, y, w, h  int // usable, inside the trim
	cost        float64
}

// unitsOf are the sheets of a task one by one, offcuts first, then the cheaper by area;
// of those alike no more than could be wanted.
func unitsOf(t Task) []unit {
	want := 0
	for _, p := range t.Pieces {
		want += max(1, p.Count)
	}
	var out []unit
	for i, s := range t.Stock {
		for c := range min(max(1, s.Count), want) {
			out = append(out, unit{stock: i, copy: c + 1, x: tenths(s.Trim.Left), y: tenths(s.Trim.Bottom),
				w:    tenths(s.W) - tenths(s.Trim.Left) - tenths(s.Trim.Right),
				h:    tenths(s.H) - tenths(s.Trim.Bottom) - tenths(s.Trim.Top),
				cost: s.price()})
		}
	}
	return out
}

// price is what one costs: its price, or its area in square metres.
func (s Stock) price() float64 {
	if s.Cost > 0 {
		return s.Cost
	}
	return s.W * s.H / 1e6
}

func (u unit) area() float64 { return float64(u.w) * float64(u.h) }
