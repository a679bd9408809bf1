// Package sash works out the lights of a sash from what can be measured.
// Lights in one column share a width and lights in one row a height; lights,
// bars, stiles and rails add up to the sash. Some are known, each with its
// doubt; the rest is solved by weighted least squares, each with a doubt of its
// own, and the reading that disagrees is named.
package sash

import (
	"fmt"
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"freshshard/core/fault"
	"freshshard/core/length"
)

// Direction is one way across the sash: from left to right, or from top to
// bottom. Parts alternate: edge, light, bar, light, …, edge. A nil reading is
// one that nobody could take. Lights may have several readings, one for each
// row or column that they were taken in.
type Direction struct {
	Lights [][]length.Reading `json:"lights" doc:"For each column or row, what was read of its lights"`
	Bars   []*length.Reading  `json:"bars" doc:"Between the lights; one fewer than they"`
	First  *length.Reading    `json:"first,omitempty" doc:"Stile or rail before the first light"`
	Last   *length.Reading    `json:"last,omitempty" doc:"Stile or rail behind the last light"`
	Whole  *length.Reading    `json:"whole,omitempty" doc:"The whole sash"`
	Alike  bool               `json:"alike" doc:"All bars are of one width"`
}

// Size is one solved part with its doubt: a half-width that holds the truth in
// 95 of 100. Known is false while too little was read.
type Size struct {
	Name   string  `json:"name"`
	Value  float64 `json:"value" doc:"mm"`
	Doubt  float64 `json:"doubt" doc:"mm, 95 of 100"`
	Known  bool    `json:"known"`
	Direct bool    `json:"direct" doc:"It was read itself, not only inferred"`
}

// Odd is a reading that does not agree with the rest.
type Odd struct {
	Name      string  `json:"name"`
	Value     float64 `json:"value"`
	Predicted float64 `json:"predicted" doc:"What the others say, mm"`
	Sentence  string  `json:"sentence"`
	LeftOut   bool    `json:"left_out" doc:"The others are solved without it; else nobody can say which is wrong"`
}

// Result is one direction solved.
type Result struct {
	Parts  []Size `json:"parts" doc:"In order across the sash: edge, light, bar, …"`
	Lights []Size `json:"lights"`
	Odd    *Odd   `json:"odd,omitempty"`
	Settle string `json:"settle,omitempty" doc:"The one reading that would settle most of what is open"`
}

const (
	mostLights = 40
	// A half-width of a reading is taken as uniform: σ = half-width / √3.
	sqrt3 = 1.7320508075688772
	// 95 of 100 of a normal spread. Standard normal table.
	z95 = 1.959963984540054
	// A reading is odd when it is off by more than this many of its own σ.
	oddSigmas = 4.0
	// Below this share of the largest singular value a direction is not known.
	rankShare = 1e-9
)

// row is one observation: coefficients of the unknowns, value, σ.
type row struct {
	name  string
	coef  []float64
	value float64
	sigma float64
}

// Solve works one direction out. names are what the lights, bars and the whole
// are called, for example "column", "bar", "width of the sash".
func Solve(d Direction, light, bar, first, last, whole string) (Result, error) {
	n := len(d.Lights)
	switch {
	case n < 1 || n > mostLights:
		return Result{}, fault.New("lights", fmt.Sprintf("between 1 and %d are expected", mostLights), "count them again")
	case len(d.Bars) != n-1:
		return Result{}, fault.New("bars", fmt.Sprintf("%d lights have %d bars between them, not %d", n, n-1, len(d.Bars)),
			"give one for each gap, empty where it was not read")
	}
	m := model{n: n, alike: d.Alike}
	rows, err := m.rows(d, light, bar, first, last, whole)
	if err != nil {
		return Result{}, err
	}
	s := leastSquares(rows, m.size())
	r := Result{Parts: s.parts}
	var out int
	switch r.Odd, out = odd(rows, s); {
	case r.Odd == nil:
	case out >= 0:
		// One reading is wrong: the rest of the lights go by the others.
		r.Parts = leastSquares(slices.Delete(slices.Clone(rows), out, out+1), m.size()).parts
	default:
		// One of several is wrong, and nobody can say which: what hangs on them is
		// no surer than they disagree.
		for i := range r.Parts {
			r.Parts[i].Doubt = math.Max(r.Parts[i].Doubt, math.Abs(r.Odd.Value-r.Odd.Predicted))
		}
	}
	r.name(m, d, light, bar, first, last)
	if err := r.sound(); err != nil {
		return Result{}, err
	}
	r.Settle = m.settle(rows, r.Parts, light, bar, first, last, whole)
	return r, nil
}

// sound refuses a sum that leaves a part less than nothing, and names it.
func (r Result) sound() error {
	for _, p := range r.Parts {
		if p.Known && p.Value <= 0 {
			return fault.New("whole", fmt.Sprintf("the rest leaves %s mm for %s", length.Metric(p.Value), p.Name),
				"a reading is wrong: look at the whole and at the widest part first")
		}
	}
	return nil
}

// model knows which unknown stands for which part: lights first, then bars,
// then the two edges.
type model struct {
	n     int
	alike bool
}

func (m model) bars() int {
	if m.n == 1 {
		return 0
	}
	if m.alike {
		return 1
	}
	return m.n - 1
}

func (m model) size() int { return m.n + m.bars() + 2 }

func (m model) bar(i int) int {
	if m.alike {
		return m.n
	}
	return m.n + i
}

func (m model) unit(k int) []float64 {
	c := make([]float64, m.size())
	c[k] = 1
	return c
}

// whole is the sum of everything across the sash.
func (m model) whole() []float64 {
	c := make([]float64, m.size())
	for i := range m.n {
		c[i] = 1
	}
	for i := range m.n - 1 {
		c[m.bar(i)]++
	}
	c[m.size()-2], c[m.size()-1] = 1, 1
	return c
}

// leastSigma keeps a reading that claims no doubt from ruling alone, mm.
const leastSigma = 0.01

func (m model) rows(d Direction, light, bar, first, last, whole string) ([]row, error) {
	var out []row
	add := func(field, name string, coef []float64, r *length.Reading) error {
		if r == nil {
			return nil
		}
		if !(r.Value > 0 && r.Value <= length.Most) || !(r.Doubt >= 0) {
			return fault.New(field, "a length is more than nothing", "read it again")
		}
		out = append(out, row{name, coef, r.Value, math.Max(leastSigma, r.Doubt/sqrt3)})
		return nil
	}
	for i, readings := range d.Lights {
		for k := range readings {
			if err := add(fmt.Sprintf("lights[%d][%d]", i, k), fmt.Sprintf("%s %d", light, i+1), m.unit(i),
				&readings[k]); err != nil {
				return nil, err
			}
		}
	}
	for i, b := range d.Bars {
		if err := add(fmt.Sprintf("bars[%d]", i), fmt.Sprintf("%s %d", bar, i+1), m.unit(m.bar(i)), b); err != nil {
			return nil, err
		}
	}
	if err := add("first", first, m.unit(m.size()-2), d.First); err != nil {
		return nil, err
	}
	if err := add("last", last, m.unit(m.size()-1), d.Last); err != nil {
		return nil, err
	}
	return out, add("whole", whole, m.whole(), d.Whole)
}

// leastSquares is weighted least squares over k unknowns by singular values, so
// that what the rows do not determine shows as such instead of spoiling the
// rest.
func leastSquares(rows []row, k int) solved {
	out := solved{make([]Size, k), make([]float64, len(rows)), make([]float64, len(rows))}
	if len(rows) == 0 {
		return out
	}
	a, b := mat.NewDense(len(rows), k, nil), mat.NewVecDense(len(rows), nil)
	for i, o := range rows {
		for j, c := range o.coef {
			a.Set(i, j, c/o.sigma)
		}
		b.SetVec(i, o.value/o.sigma)
	}
	var svd mat.SVD
	if !svd.Factorize(a, mat.SVDThin) {
		return out
	}
	var u, v mat.Dense
	svd.UTo(&u)
	svd.VTo(&v)
	s := svd.Values(nil)
	var along mat.VecDense
	along.MulVec(u.T(), b)
	for i, o := range rows {
		for q, sv := range s {
			if sv > rankShare*s[0] {
				out.hat[i] += u.At(i, q) * u.At(i, q)
				out.fitted[i] += u.At(i, q) * along.AtVec(q) * o.sigma
			}
		}
	}
	for j := range k {
		inside, variance, value := 0.0, 0.0, 0.0
		for q, sv := range s {
			if sv <= rankShare*s[0] {
				continue
			}
			vj := v.At(j, q)
			inside += vj * vj
			variance += vj * vj / (sv * sv)
			value += vj * along.AtVec(q) / sv
		}
		// The unknown is determined when its axis lies in the row space.
		out.parts[j] = Size{Value: value, Doubt: z95 * math.Sqrt(variance), Known: inside > 1-1e-6}
	}
	return out
}

// name puts the parts into their order across the sash and names them.
func (r *Result) name(m model, d Direction, light, bar, first, last string) {
	raw := r.Parts
	take := func(k int, name string, direct bool) Size {
		s := raw[k]
		s.Name, s.Direct = name, direct
		if !s.Known {
			s.Value, s.Doubt = 0, 0
		}
		return s
	}
	r.Parts, r.Lights = []Size{take(m.size()-2, first, d.First != nil)}, []Size{}
	for i := range m.n {
		l := take(i, fmt.Sprintf("%s %d", light, i+1), len(d.Lights[i]) > 0)
		r.Parts, r.Lights = append(r.Parts, l), append(r.Lights, l)
		if i < m.n-1 {
			r.Parts = append(r.Parts, take(m.bar(i), fmt.Sprintf("%s %d", bar, i+1), d.Bars[i] != nil))
		}
	}
	r.Parts = append(r.Parts, take(m.size()-1, last, d.Last != nil))
}

// odd finds the reading that the others speak most against: each is predicted
// from the rest, as if it had been left out. By the hat values h of the fit the
// prediction is y − r/(1 − h) with σ·√(h/(1 − h)), r the residual (Cook and
// Weisberg, Residuals and Influence in Regression, 1982; from memory).
//
// out is the row that is left out then; it is −1 where another one would explain
// the misfit as well.
func odd(rows []row, s solved) (worst *Odd, out int) {
	most, rival := oddSigmas, 0.0
	for i, o := range rows {
		h := s.hat[i]
		if h > 1-1e-6 {
			continue // nothing else says what it should be
		}
		predicted := o.value - (o.value-s.fitted[i])/(1-h)
		sigma := o.sigma * math.Sqrt(h/(1-h))
		if off := math.Abs(o.value-predicted) / math.Hypot(o.sigma, sigma); off > most {
			most, rival, out = off, max(rival, most), i
			worst = &Odd{Name: o.name, Value: o.value, Predicted: predicted,
				Sentence: fmt.Sprintf("%s reads %s mm; the others say %s ± %s mm. Read it again.", o.name, length.Metric(o.value),
					length.Metric(predicted), length.Metric(z95*sigma))}
		} else {
			rival = max(rival, off)
		}
	}
	if worst == nil {
		return nil, -1
	}
	if rival > alsoOdd*most {
		worst.Sentence = fmt.Sprintf("the readings disagree by %s, and any of them may be wrong. Read them again, %s first.",
			length.Metric(math.Abs(worst.Value-worst.Predicted)), worst.Name)
		return worst, -1
	}
	worst.LeftOut = true
	return worst, out
}

// alsoOdd is the share of the worst misfit from which another reading explains
// it as well. Judgement, no source.
const alsoOdd = 0.95

// solved is a fit: the unknowns, and for each row its fitted value and how much
// it rules its own fit, 0 to 1.
type solved struct {
	parts       []Size
	hat, fitted []float64
}

// settle names the one reading that would determine most of what is open.
func (m model) settle(rows []row, parts []Size, light, bar, first, last, whole string) string {
	open := 0
	for _, p := range parts {
		if !p.Known {
			open++
		}
	}
	if open == 0 {
		return ""
	}
	type candidate struct {
		name string
		coef []float64
	}
	all := []candidate{{whole, m.whole()}}
	for i := range m.n {
		all = append(all, candidate{fmt.Sprintf("%s %d", light, i+1), m.unit(i)})
	}
	for i := range m.n - 1 {
		all = append(all, candidate{fmt.Sprintf("%s %d", bar, i+1), m.unit(m.bar(i))})
	}
	all = append(all, candidate{first, m.unit(m.size() - 2)}, candidate{last, m.unit(m.size() - 1)})
	before := 0
	for _, p := range leastSquares(rows, m.size()).parts {
		if p.Known {
			before++
		}
	}
	best, settles := "", 0
	for _, c := range all {
		with := append(append([]row(nil), rows...), row{coef: c.coef, value: 1, sigma: 1})
		now := 0
		for _, p := range leastSquares(with, m.size()).parts {
			if p.Known {
				now++
			}
		}
		if now-before > settles {
			best, settles = c.name, now-before
		}
	}
	return best
}
