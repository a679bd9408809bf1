package cutting

import (
	"math"
	"slices"
)

// bound is below what no plan of all pieces can cost.
type bound struct {
	net    float64 // stock less kept offcuts
	gross  float64 // stock alone
	sheets int     // how many are cut into at least, where all are alike; else 0
	unit   float64 // what one sheet costs, on average
	short  bool    // the stock's area is less than the pieces'
}

// boundOf covers the pieces' area with stock at its price for the area, the cheapest
// first; where all sheets are alike they are counted whole. A kept offcut is worth no
// more than its share of its sheet.
func boundOf(t Task, b *builder) bound {
	need := 0.0
	for _, p := range t.Pieces {
		need += float64(tenths(p.W)) * float64(tenths(p.H)) * float64(max(1, p.Count))
	}
	units := slices.Clone(b.units)
	slices.SortFunc(units, func(x, y unit) int {
		switch d := x.cost/x.area() - y.cost/y.area(); {
		case d < 0:
			return -1
		case d > 0:
			return 1
		}
		return 0
	})
	var out bound
	have, alike := 0.0, true
	for _, u := range units {
		have += u.area()
		out.unit += u.cost / float64(len(units))
		alike = alike && u.w == units[0].w && u.h == units[0].h && u.cost == units[0].cost
	}
	out.short = have < need
	if alike {
		out.sheets = int(math.Ceil(need/units[0].area() - 1e-9))
		out.sheets = max(out.sheets, apart(t, units[0]))
		cost := units[0].cost
		out.gross = float64(out.sheets) * cost
		unused := out.gross - need/units[0].area()*cost
		out.net = out.gross
		if b.keep > 0 {
			out.net -= b.worth * unused
		}
		return out
	}
	left := need
	for _, u := range units {
		if left <= 0 {
			break
		}
		share := math.Min(1, left/u.area())
		out.gross += share * u.cost
		left -= share * u.area()
	}
	out.net = out.gross
	return out
}

// apart counts pieces of which no two lie on one sheet: longer than half of it both
// ways, however they are turned.
func apart(t Task, u unit) int {
	n := 0
	for _, p := range t.Pieces {
		w, h := tenths(p.W), tenths(p.H)
		if 2*min(w, h) > max(u.w, u.h) || !p.Turn && 2*w > u.w && 2*h > u.h {
			n += max(1, p.Count)
		}
	}
	return n
}
