package strength

import (
	"math"

	"gonum.org/v1/gonum/mat"

	"freshshard/core/fault"
)

// levy is a rectangle whose sides at x = 0 and x = a are held, its sides at
// y = 0 and y = b held or free, under an even load on the strip y0 to y1 and a
// stretch c in the middle of a. Lévy's series: in each wave of x the bending
// along y solves a fourth-order equation, its four constants fixed by what the
// sides y = 0 and y = b do. Timoshenko and Woinowsky-Krieger, Theory of Plates
// and Shells, from memory.
type levy struct {
	s               Sheet
	a, b            float64
	lowFree, hiFree bool
	p, c, y0, y1    float64 // load, N/mm², and where it stands
	waves           []wave
}

// wave is one term: its number of waves per mm, what the load makes alone, and
// the constants of what the sides add.
type wave struct {
	m, k, load float64
	k4         [4]float64
}

// Terms of the series; only the odd ones load the middle. An even load needs
// few, a patch more.
const (
	evenTerms  = 31
	patchTerms = 61
)

// solve finds the constants of every wave.
func (l *levy) solve() error {
	whole, terms := l.c >= l.a, float64(patchTerms)
	if whole {
		terms = evenTerms
	}
	for m := 1.0; m <= terms; m += 2 {
		w := wave{m: m, k: m * math.Pi / l.a}
		w.load = 4 * l.p / (m * math.Pi)
		if !whole {
			w.load *= math.Sin(m*math.Pi/2) * math.Sin(w.k*l.c/2)
		}
		rows := mat.NewDense(4, 4, nil)
		right := mat.NewVecDense(4, nil)
		for side, at := range []float64{0, l.b} {
			free := l.lowFree
			if side == 1 {
				free = l.hiFree
			}
			own := l.alone(w, at)
			for j := range 4 {
				h := l.shape(w, j, at)
				one, two := l.edge(w, h, free)
				rows.Set(2*side, j, one)
				rows.Set(2*side+1, j, two)
			}
			one, two := l.edge(w, own, free)
			right.SetVec(2*side, -one)
			right.SetVec(2*side+1, -two)
		}
		var k4 mat.VecDense
		if err := k4.SolveVec(rows, right); err != nil {
			return fault.New("h", "no plate has such sides", "give a width and a height within a thousand to one")
		}
		for j := range 4 {
			w.k4[j] = k4.AtVec(j)
		}
		l.waves = append(l.waves, w)
	}
	return nil
}

// edge are the two conditions at a side, in waves: deflection and moment where
// it is held, moment and edge force where it is free.
func (l *levy) edge(w wave, y [4]float64, free bool) (one, two float64) {
	nu := l.s.Nu
	if free {
		return y[2]/(w.k*w.k) - nu*y[0], y[3]/(w.k*w.k*w.k) - (2-nu)*y[1]/w.k
	}
	return y[0], y[2] / (w.k * w.k)
}

// shape is the j-th of the four ways in which a wave bends along y without a
// load, with its three derivatives: two that die away from each side.
func (l *levy) shape(w wave, j int, y float64) [4]float64 {
	k, turn := w.k, 1.0
	if j >= 2 {
		y, turn = l.b-y, -1
	}
	e := math.Exp(-k * y)
	if j%2 == 0 {
		return [4]float64{e, -turn * k * e, k * k * e, -turn * k * k * k * e}
	}
	z := k * y
	return [4]float64{z * e, turn * k * (1 - z) * e, k * k * (z - 2) * e, turn * k * k * k * (3 - z) * e}
}

// alone is what the load does in a plate without ends along y, per unit of its
// wave, with three derivatives: the even strip y0 to y1 as the difference of two
// half planes.
func (l *levy) alone(w wave, y float64) [4]float64 {
	a, b := half(w.k, y-l.y0), half(w.k, y-l.y1)
	for i := range a {
		a[i] = (a[i] - b[i]) * w.load
	}
	return a
}

// half is ∫G and its derivatives, G(s) = (1 + k|s|)·e^(−k|s|) / (4k³) being a
// line load's own bending.
func half(k, s float64) [4]float64 {
	z := k * math.Abs(s)
	e, sign := math.Exp(-z), math.Copysign(1, s)
	c := 1 / (4 * k * k * k)
	return [4]float64{sign * c * (2 - (2+z)*e) / k, c * (1 + z) * e, -c * k * k * s * e, -c * k * k * (1 - z) * e}
}

// at is deflection times D and the greatest principal moment at a point.
func (l *levy) at(x, y float64) (w, moment float64) {
	nu := l.s.Nu
	var mx, my, mxy float64
	for _, v := range l.waves {
		f := l.alone(v, y)
		for j, c := range v.k4 {
			h := l.shape(v, j, y)
			for i := range f {
				f[i] += c * h[i]
			}
		}
		sin, cos := math.Sincos(v.k * x)
		w += f[0] * sin
		mx += (v.k*v.k*f[0] - nu*f[2]) * sin
		my += (nu*v.k*v.k*f[0] - f[2]) * sin
		mxy += (1 - nu) * v.k * f[1] * cos
	}
	mean, r := (mx+my)/2, math.Hypot((mx-my)/2, mxy)
	return w, math.Max(math.Abs(mean+r), math.Abs(mean-r))
}

// worst looks over the pane for the greatest stress and deflection: along its
// middle closely, and at its ends, where it twists.
func (l *levy) worst() (Bent, error) {
	if err := l.solve(); err != nil {
		return Bent{}, err
	}
	var w, moment float64
	look := func(x, y float64) {
		d, m := l.at(x, y)
		w, moment = math.Max(w, math.Abs(d)), math.Max(moment, m)
	}
	const steps = 16
	for i := 0.0; i <= steps; i++ {
		look(l.a/2, l.b*i/steps)
		if int(i)%4 == 0 {
			look(0, l.b*i/steps)
			look(l.a/4, l.b*i/steps)
		}
	}
	look(l.a/2, (l.y0+l.y1)/2)
	return l.s.bent(6*moment/(l.s.T*l.s.T), w/l.s.Rigidity()), nil
}

// ThreeSides is a pane held on three sides under an even load q, kPa, free the
// length of the side that nothing holds. For ν 0.3 and other/free 1 the free
// edge bends 0.01286·q·a⁴/D and carries a moment of 0.112·q·a², for 1/2 0.00710
// and 0.060. Timoshenko and Woinowsky-Krieger, from memory.
func (s Sheet) ThreeSides(free, other, q float64) (Bent, error) {
	if err := s.loaded(free, other, q); err != nil {
		return Bent{}, err
	}
	l := levy{s: s, a: free, b: other, hiFree: true, p: q * 1e-3, c: free, y1: other}
	return l.worst()
}

// TwoSides is a pane held on two opposite sides, span apart, its other two
// free, other long. A narrow one bends as a beam, a wide one as a strip.
func (s Sheet) TwoSides(span, other, q float64) (Bent, error) {
	if err := s.loaded(span, other, q); err != nil {
		return Bent{}, err
	}
	l := levy{s: s, a: span, b: other, lowFree: true, hiFree: true, p: q * 1e-3, c: span, y1: other}
	return l.worst()
}

// PushEdge is a force on a square patch at the middle of a free edge, the worst
// place of a pane that is held on three sides, or on two: free the length of
// that edge. force in N, patch its side in mm.
func (s Sheet) PushEdge(free, other, force, patch float64, two bool) (Bent, error) {
	if err := s.loaded(free, other, 0); err != nil {
		return Bent{}, err
	}
	c, err := patchOf(free, other, force, patch)
	if err != nil {
		return Bent{}, err
	}
	l := levy{s: s, a: free, b: other, lowFree: two, hiFree: true, p: force / (c * c), c: c, y0: other - c, y1: other}
	return l.worst()
}

// patchOf is the side of the patch that a force stands on, at most the pane's.
func patchOf(w, h, force, patch float64) (float64, error) {
	if !(force >= 0 && force <= 1e5) {
		return 0, fault.New("force", "a force up to 100 kN is expected", "give it in N")
	}
	c := math.Min(patch, math.Min(w, h))
	if !(c > 0) {
		return 0, fault.New("patch", "the patch has a size", "100 mm for a hand")
	}
	return c, nil
}
