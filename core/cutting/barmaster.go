package cutting

import (
	"context"
	"math"
)

// barKind is a length of bar as the search sees it: tenths of a millimetre, and what one
// costs in ten-thousandths.
type barKind struct {
	bar   int // in the task; -1 for what is left over
	room  int
	price int64
	count int
}

// barSize is a length that is wanted, with how often; longest first.
type barSize struct {
	size, count int
	lost        int64 // what it costs to leave one over: more than all bars together
	wants       []int // one for each stretch of it
}

// pattern is how a bar is filled: how many of each size.
type pattern struct {
	kind int
	fill []int
}

// master is the linear programme of all fillings (Gilmore and Gomory, A linear programming
// approach to the cutting-stock problem, 1961; from memory), solved by the revised simplex
// method with a filling priced in at a time. Rows are the sizes, then the kinds of which
// there are few.
type master struct {
	p       *barProblem
	row     []int // of each kind; -1 where there are enough
	rows    int
	inverse [][]float64
	basis   []column
	x       []float64 // of each row
	dual    []float64
	work    int // what pricing has taken
}

// column is a variable: a filling, a size left over, one cut too often, or a bar to spare.
type column struct {
	fill    []int
	kind    int // of a filling; else -1
	size    int // left over
	surplus bool
	spare   bool // of kind
	cost    float64
}

const tiny = 1e-9

func newMaster(p *barProblem) *master {
	m := &master{p: p, rows: len(p.sizes), row: make([]int, len(p.kinds))}
	total := p.pieces()
	for k, v := range p.kinds {
		if m.row[k] = -1; v.count < total {
			m.row[k] = m.rows
			m.rows++
		}
	}
	m.inverse, m.x, m.basis = make([][]float64, m.rows), make([]float64, m.rows), make([]column, m.rows)
	for i := range m.rows {
		m.inverse[i] = make([]float64, m.rows)
		m.inverse[i][i] = 1
	}
	for i, s := range p.sizes {
		m.basis[i] = column{kind: -1, size: i, cost: float64(s.lost)}
		m.x[i] = float64(s.count) + 1e-7*float64(i+1) // alike rows tie no longer: no circle
	}
	for k, r := range m.row {
		if r >= 0 {
			m.basis[r] = column{kind: k, spare: true}
			m.x[r] = float64(p.kinds[k].count) + 1e-7*float64(r+1)
		}
	}
	return m
}

// entries are a column's numbers by row.
func (m *master) entries(c column) []float64 {
	out := make([]float64, m.rows)
	switch {
	case c.spare:
		out[m.row[c.kind]] = 1
	case c.surplus:
		out[c.size] = -1
	case c.kind < 0:
		out[c.size] = 1
	default:
		for i, n := range c.fill {
			out[i] = float64(n)
		}
		if r := m.row[c.kind]; r >= 0 {
			out[r] = 1
		}
	}
	return out
}

// prices are the dual values: what one of each size, and one more bar of each kind, is
// worth.
func (m *master) prices() {
	m.dual = make([]float64, m.rows)
	for i, c := range m.basis {
		if c.cost == 0 {
			continue
		}
		for j, v := range m.inverse[i] {
			m.dual[j] += c.cost * v
		}
	}
}

// scarce is what one more bar of a kind would save, below zero.
func (m *master) scarce(kind int) float64 {
	if r := m.row[kind]; r >= 0 {
		return m.dual[r]
	}
	return 0
}

// enter is the column that would save most; false where none does.
func (m *master) enter() (column, bool) {
	best, by := column{}, -1e-6*m.p.unit
	try := func(c column, reduced float64) {
		if reduced < by {
			best, by = c, reduced
		}
	}
	for i, s := range m.p.sizes {
		try(column{kind: -1, size: i, surplus: true}, m.dual[i])
		try(column{kind: -1, size: i, cost: float64(s.lost)}, float64(s.lost)-m.dual[i])
	}
	for k, r := range m.row {
		if r >= 0 {
			try(column{kind: k, spare: true}, -m.dual[r])
		}
	}
	fills := m.p.fullest(m.dual[:len(m.p.sizes)])
	m.work += fills.work
	for k, v := range m.p.kinds {
		cost := float64(v.price)
		if reduced := cost - m.scarce(k) - fills.value(v.room); reduced < by {
			try(column{kind: k, fill: fills.fill(v.room), cost: cost}, reduced)
		}
	}
	return best, by < -1e-6*m.p.unit
}

// solve prices fillings in until none saves anything; false where that is too much work.
func (m *master) solve(ctx context.Context) bool {
	for ctx.Err() == nil {
		m.prices()
		c, ok := m.enter()
		if !ok {
			return true
		}
		if m.work > mostPricing {
			return false
		}
		m.pivot(c)
	}
	return false
}

// begin takes the fillings of a plan in that save something: what is found by hand is near.
func (m *master) begin(fills []pattern) {
	for _, f := range fills {
		if f.kind < 0 {
			continue
		}
		m.prices()
		c := column{fill: f.fill, kind: f.kind, cost: float64(m.p.kinds[f.kind].price)}
		reduced := c.cost - m.scarce(f.kind)
		for i, n := range f.fill {
			reduced -= float64(n) * m.dual[i]
		}
		if reduced < -1e-6*m.p.unit {
			m.pivot(c)
		}
	}
}

// mostPricing ends the pricing, in sums that were made.
const mostPricing = 600_000_000

func (m *master) pivot(c column) {
	a := m.entries(c)
	d := make([]float64, m.rows)
	for i, row := range m.inverse {
		for j, v := range row {
			d[i] += v * a[j]
		}
	}
	out, least := -1, math.Inf(1)
	for i, v := range d {
		if v > tiny && m.x[i]/v < least {
			out, least = i, m.x[i]/v
		}
	}
	if out < 0 {
		return // cannot be: every column takes from a row that is bounded
	}
	for j := range m.inverse[out] {
		m.inverse[out][j] /= d[out]
	}
	m.x[out] = least
	for i := range m.inverse {
		if i == out || d[i] == 0 {
			continue
		}
		for j, v := range m.inverse[out] {
			m.inverse[i][j] -= d[i] * v
		}
		m.x[i] = max(0, m.x[i]-d[i]*least)
	}
	m.basis[out] = c
}

// bound is below what no plan can cost: the dual values, made feasible, times what is
// wanted.
func (m *master) bound() float64 {
	sum := 0.0
	for i, s := range m.p.sizes {
		sum += m.dual[i] * float64(s.count)
	}
	for k, r := range m.row {
		if r >= 0 {
			sum += m.dual[r] * float64(m.p.kinds[k].count)
		}
	}
	return sum
}
