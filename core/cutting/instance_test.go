package cutting

import (
	"fmt"
	"math/rand/v2"
)

// perfect is a sheet that was cut, edge to edge, into n pieces at random, to a whole
// millimetre, no side under least: putting them together again without waste is known
// to be possible.
func perfect(seed uint64, n int, w, h, least float64) Task {
	r := rand.New(rand.NewPCG(seed, 99))
	type rect struct{ w, h float64 }
	rs := []rect{{w, h}}
	for len(rs) < n {
		big, area := 0, 0.0
		for i, x := range rs { // larger ones are cut sooner
			if a := x.w * x.h * (0.5 + r.Float64()); a > area {
				big, area = i, a
			}
		}
		x := rs[big]
		up := r.Float64() < x.w/(x.w+x.h)
		side := x.h
		if up {
			side = x.w
		}
		if side < 2*least {
			up = !up
			side = x.w + x.h - side
		}
		at := float64(int(least + r.Float64()*(side-2*least)))
		a, b := rect{at, x.h}, rect{x.w - at, x.h}
		if !up {
			a, b = rect{x.w, at}, rect{x.w, x.h - at}
		}
		rs[big] = a
		rs = append(rs, b)
	}
	t := Task{Stock: []Stock{{ID: "sheet", W: w, H: h}}}
	for i, x := range rs {
		p := Piece{ID: fmt.Sprintf("p%d", i+1), W: x.w, H: x.h, Turn: true}
		if r.IntN(2) == 0 {
			p.W, p.H = p.H, p.W
		}
		t.Pieces = append(t.Pieces, p)
	}
	return t
}

// shopLike is a day of a shop: n panes of the sizes that repairs have, most alone, some
// several alike, from several sheets and a rack of offcuts.
func shopLike(seed uint64, n int) Task {
	r := rand.New(rand.NewPCG(seed, 5))
	t := Task{Rules: Rules{Keep: 200}}
	for i := range 6 + n/20 {
		t.Stock = append(t.Stock, Stock{ID: fmt.Sprintf("offcut %d", i+1), Offcut: true,
			W: float64(300 + r.IntN(900)), H: float64(250 + r.IntN(700))})
		o := &t.Stock[len(t.Stock)-1]
		o.Cost = o.W * o.H / 1e6 * 0.5 // an offcut is paid for in part
	}
	t.Stock = append(t.Stock, Stock{ID: "sheet", W: 2250, H: 1605, Count: 2 + n/4, Cost: 2.25 * 1.605})
	for len(t.Pieces) < n {
		p := Piece{ID: fmt.Sprintf("p%d", len(t.Pieces)+1), W: float64(120+r.IntN(600)) + 0.5*float64(r.IntN(2)),
			H: float64(100 + r.IntN(500)), Turn: r.IntN(5) > 0}
		for k := range 1 + r.IntN(4)/3*r.IntN(6) {
			if k > 0 {
				p.ID = fmt.Sprintf("p%d", len(t.Pieces)+1)
			}
			t.Pieces = append(t.Pieces, p)
		}
	}
	t.Pieces = t.Pieces[:n]
	return t
}
