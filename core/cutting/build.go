package cutting

// genome is what a plan is built from: the order in which pieces are placed and sheets
// opened, and for each piece which way the rest is split.
type genome struct {
	order  []int
	units  []int
	flip   []bool // the other split than the usual one
	rule   int    // how the rectangle is chosen that a piece goes into
	blocks []*block
}

// The ways to choose a rectangle for a piece.
const (
	bestArea = iota
	bestShort
	bestLong
	rules
)

// rect is a rectangle that nothing lies in yet.
type rect struct {
	x, y, w, h int
	node       int32
	unit       int // in the genome's units
}

// built is a node while plans are searched.
type built struct {
	x, y, w, h int
	up         bool
	at         int
	a, b       int32 // -1 where it is not cut
	blk        *block
}

// builder lays blocks into sheets, guillotine cut by guillotine cut. Its memory is
// used again for each plan.
type builder struct {
	task        Task
	units       []unit
	kerf, least int
	keep        int
	saw         bool
	worth       float64

	free   []rect
	nodes  []built
	roots  []int32 // of opened units, by their place in the genome's units; -1 closed
	opened []int
	left   []int
	used   []float64 // area laid into each opened unit
}

func newBuilder(t Task) *builder {
	r := t.Rules
	b := &builder{task: t, units: unitsOf(t), kerf: tenths(r.Kerf), least: tenths(r.Least), keep: tenths(r.Keep),
		saw: r.Saw, worth: WorthOf(r)}
	b.roots = make([]int32, len(b.units))
	return b
}

// rest is what is left of a length behind a piece, and whether both snap off: a piece that
// is narrower than the least strip needs no cut where it is as long as the whole.
func (b *builder) rest(whole, piece int) (int, bool) {
	d := whole - piece
	switch {
	case d < 0:
		return 0, false
	case b.saw:
		return max(0, d-b.kerf), true
	}
	return d, d == 0 || d >= b.least && piece >= b.least
}

// build lays everything and returns what it costs; see value.
func (b *builder) build(g *genome) float64 {
	b.free, b.nodes, b.opened, b.left, b.used = b.free[:0], b.nodes[:0], b.opened[:0], b.left[:0], b.used[:0]
	for i := range b.roots {
		b.roots[i] = -1
	}
	for _, i := range g.order {
		if !b.place(g, i) {
			b.left = append(b.left, i)
		}
	}
	return b.value(g)
}

// place lays one block into the rectangle that suits it best, or opens a sheet for it.
func (b *builder) place(g *genome, i int) bool {
	blk := g.blocks[i]
	asIs, turned := blk.lies()
	best, at, lie := int(^uint(0)>>1), -1, false
	for k := range b.free {
		f := &b.free[k]
		if blk.on >= 0 && b.units[f.unit].stock != blk.on {
			continue
		}
		if asIs {
			if s, ok := b.suits(f.w, f.h, blk.w, blk.h, g.rule); ok && s < best {
				best, at, lie = s, k, false
			}
		}
		if turned {
			if s, ok := b.suits(f.w, f.h, blk.h, blk.w, g.rule); ok && s < best {
				best, at, lie = s, k, true
			}
		}
	}
	if at < 0 {
		if at = b.open(g, blk, asIs, turned); at < 0 {
			return false
		}
		f := b.free[at]
		s1, ok1 := b.suits(f.w, f.h, blk.w, blk.h, g.rule)
		s2, ok2 := b.suits(f.w, f.h, blk.h, blk.w, g.rule)
		ok1, ok2 = ok1 && asIs, ok2 && turned
		lie = ok2 && (!ok1 || s2 < s1)
	}
	b.put(at, blk, lie, g.flip[i])
	return true
}

// suits scores how well a block of w × h goes into a rectangle: the less, the better.
func (b *builder) suits(fw, fh, w, h, rule int) (int, bool) {
	dw, ok := b.rest(fw, w)
	if !ok {
		return 0, false
	}
	dh, ok := b.rest(fh, h)
	if !ok {
		return 0, false
	}
	switch rule {
	case bestShort:
		return min(dw, dh), true
	case bestLong:
		return max(dw, dh), true
	}
	return fw*fh - w*h, true
}

// open takes the next sheet of the genome that a block fits into.
func (b *builder) open(g *genome, blk *block, asIs, turned bool) int {
	for _, u := range g.units {
		n := b.units[u]
		if b.roots[u] >= 0 || blk.on >= 0 && n.stock != blk.on {
			continue
		}
		_, ok1 := b.suits(n.w, n.h, blk.w, blk.h, bestArea)
		_, ok2 := b.suits(n.w, n.h, blk.h, blk.w, bestArea)
		if !(ok1 && asIs || ok2 && turned) {
			continue
		}
		b.roots[u] = b.node(n.x, n.y, n.w, n.h)
		b.opened, b.used = append(b.opened, u), append(b.used, 0)
		b.free = append(b.free, rect{n.x, n.y, n.w, n.h, b.roots[u], u})
		return len(b.free) - 1
	}
	return -1
}

func (b *builder) node(x, y, w, h int) int32 {
	b.nodes = append(b.nodes, built{x: x, y: y, w: w, h: h, a: -1, b: -1})
	return int32(len(b.nodes) - 1)
}

// put puts a block into the lower left corner of a free rectangle and cuts the rest off.
func (b *builder) put(at int, blk *block, turned, flip bool) {
	f := b.free[at]
	b.free[at] = b.free[len(b.free)-1]
	b.free = b.free[:len(b.free)-1]
	if turned {
		blk = blk.turnedOver()
	}
	for k, u := range b.opened {
		if u == f.unit {
			b.used[k] += float64(blk.w) * float64(blk.h)
		}
	}
	dw, dh := f.w-blk.w, f.h-blk.h
	// The longer rest stays in one piece, unless the genome says otherwise.
	upFirst := dw*f.h > dh*f.w
	if flip {
		upFirst = !upFirst
	}
	n := f.node
	if upFirst {
		n = b.cut(n, true, blk.w, f.unit)
		n = b.cut(n, false, blk.h, f.unit)
	} else {
		n = b.cut(n, false, blk.h, f.unit)
		n = b.cut(n, true, blk.w, f.unit)
	}
	b.nodes[n].blk = blk
}

// cut cuts a node at a length from its left or lower edge and returns the half that
// has it; the other is free. Nothing is cut where nothing is left over.
func (b *builder) cut(n int32, up bool, at, unit int) int32 {
	v := b.nodes[n]
	whole := v.h
	if up {
		whole = v.w
	}
	if whole == at {
		return n
	}
	rest := max(0, whole-at-b.kerf)
	var one, two int32
	if up {
		one, two = b.node(v.x, v.y, at, v.h), b.node(v.x+whole-rest, v.y, rest, v.h)
	} else {
		one, two = b.node(v.x, v.y, v.w, at), b.node(v.x, v.y+whole-rest, v.w, rest)
	}
	b.nodes[n].up, b.nodes[n].at, b.nodes[n].a, b.nodes[n].b = up, at, one, two
	if r := b.nodes[two]; r.w > 0 && r.h > 0 {
		b.free = append(b.free, rect{r.x, r.y, r.w, r.h, two, unit})
	}
	return one
}

// Weights of what a plan is judged by, beside its cost: a piece that finds no place
// outweighs every price, and where nothing else tells plans apart the fuller sheets
// and the fewer cuts do.
const (
	perLeft  = 1e4
	perFull  = 1e-3
	perPiece = 1e-6
)

// value is what a plan costs: stock less what its kept offcuts are worth, with what is
// left over weighed above all.
func (b *builder) value(g *genome) float64 {
	v := 0.0
	for k, u := range b.opened {
		n := b.units[u]
		v += n.cost
		full := b.used[k] / n.area()
		v -= perFull * n.cost * full * full
	}
	for _, f := range b.free {
		if b.keep > 0 && min(f.w, f.h) >= b.keep {
			n := b.units[f.unit]
			v -= b.worth * n.cost * float64(f.w) * float64(f.h) / n.area()
		}
	}
	for _, i := range b.left {
		blk := g.blocks[i]
		v += perLeft * float64(blk.count) * (1 + float64(blk.w)*float64(blk.h)/1e8) / float64(1+blk.rank)
	}
	return v + perPiece*float64(len(b.nodes))
}
