package cutting

import (
	"math/rand/v2"
	"slices"
)

// merge joins pieces whose sides are exactly alike, without waste, as long as what
// comes of it fits a sheet: what was once cut from one sheet finds together again.
// Those first whose new side is met by another again, then those whose side the fewest
// have; where several are alike in that, chance decides. It returns what is left.
func (b *builder) merge(blocks []*block, r *rand.Rand) []*block {
	out := slices.Clone(blocks)
	for len(out) > 1 {
		i, k, j := b.nextJoin(out, r)
		if j == nil {
			break
		}
		out[i] = j
		out = slices.Delete(out, k, k+1)
	}
	return out
}

// side is one side of a block: its length, and whether it is the height.
type side struct {
	long, block int
	high        bool
}

// explode breaks a joined block open down to one of its joints, picked by chance:
// whatever was joined wrongly within it can find together another way.
func explode(blocks []*block, r *rand.Rand) []*block {
	var joined []int
	for i, b := range blocks {
		if b.piece < 0 {
			joined = append(joined, i)
		}
	}
	if len(joined) == 0 {
		return blocks
	}
	i := joined[r.IntN(len(joined))]
	b := blocks[i]
	out := slices.Delete(slices.Clone(blocks), i, i+1)
	for b.piece < 0 {
		in, beside := b.a, b.b
		if r.IntN(in.count+beside.count) >= in.count {
			in, beside = beside, in
		}
		out = append(out, beside)
		if b = in; r.IntN(3) == 0 {
			break
		}
	}
	return append(out, b)
}

// metBonus puts joins whose new side is met before all others.
const metBonus = 1 << 20

// nextJoin finds two blocks to join.
func (b *builder) nextJoin(bs []*block, r *rand.Rand) (i, k int, joined *block) {
	units, kerf, sides := b.units, b.kerf, b.sides(bs)
	fewest, seen := int(^uint(0)>>1), 0
	met := func(j *block, high bool) bool {
		long := j.h
		if high {
			long = j.w
		}
		if slices.ContainsFunc(units, func(u unit) bool { return long == u.w || long == u.h }) {
			return true
		}
		_, ok := slices.BinarySearchFunc(sides, long, func(s side, l int) int { return s.long - l })
		return ok
	}
	for from := 0; from < len(sides); {
		to := from + 1
		for to < len(sides) && sides[to].long == sides[from].long {
			to++
		}
		for a := from; a < to; a++ {
			for b := a + 1; b < to; b++ {
				one, two := sides[a], sides[b]
				if one.block == two.block {
					continue
				}
				j := join(bs[one.block], bs[two.block], one.high, two.high, kerf)
				if j == nil || !fitsAny(j, units) {
					continue
				}
				n := to - from + metBonus
				if met(j, j.up) {
					n -= metBonus
				}
				switch {
				case n < fewest:
					fewest, seen = n, 1
				case n == fewest:
					seen++
				default:
					continue
				}
				if r.IntN(seen) == 0 {
					i, k, joined = min(one.block, two.block), max(one.block, two.block), j
				}
			}
		}
		from = to
	}
	return i, k, joined
}

// sides are the sides of the blocks along which two can be joined, the shortest first.
func (b *builder) sides(bs []*block) []side {
	least := b.least
	if b.saw {
		least = 0
	}
	out := make([]side, 0, 2*len(bs))
	for n, b := range bs {
		if min(b.w, b.h) < least { // nothing snaps off beside it
			continue
		}
		out = append(out, side{b.w, n, false})
		if b.h != b.w || !b.turn {
			out = append(out, side{b.h, n, true})
		}
	}
	slices.SortFunc(out, func(a, b side) int { return a.long - b.long })
	return out
}

// join lays two blocks side by side along their alike sides; nil where one would have
// to be turned that may not, or they are wanted on different sheets.
func join(a, b *block, aHigh, bHigh bool, kerf int) *block {
	if a.on != b.on || a.must != b.must || a.rank != b.rank {
		return nil
	}
	if aHigh != bHigh {
		switch {
		case b.turn && b.must == Either:
			b = b.turnedOver()
		case a.turn && a.must == Either:
			a, aHigh = a.turnedOver(), !aHigh
		default:
			return nil
		}
	}
	j := &block{piece: -1, a: a, b: b, on: a.on, rank: a.rank, must: a.must, turn: a.turn && b.turn && a.must == Either,
		count: a.count + b.count}
	if j.up = aHigh; j.up {
		j.w, j.h = a.w+kerf+b.w, a.h
	} else {
		j.w, j.h = a.w, a.h+kerf+b.h
	}
	if a.must == Turned {
		return nil // a pinned lie is kept piece by piece
	}
	return j
}

func fitsAny(b *block, units []unit) bool {
	for _, u := range units {
		if b.on >= 0 && u.stock != b.on {
			continue
		}
		if b.w <= u.w && b.h <= u.h || b.turn && b.h <= u.w && b.w <= u.h {
			return true
		}
	}
	return false
}
