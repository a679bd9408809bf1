// Package strength reckons panes as plates: stress and deflection under load,
// what glass may carry for how long, and what a warped seat does to a pane that
// is pressed onto it. Lengths are mm, pressures kPa, stresses MPa, E GPa. It is
// linear: where a pane bends by more than half its thickness it says so, and
// the stress that it gives is then on the safe side.
package strength

import (
	"fmt"
	"math"

	"freshshard/core/fault"
)

// Sheet is what a pane is made of, as a plate sees it.
type Sheet struct {
	E  float64 `json:"e" doc:"GPa"`
	Nu float64 `json:"nu"`
	T  float64 `json:"t" doc:"Thickness, mm"`
}

// Rigidity is D = E·t³ / (12(1 − ν²)), N·mm.
func (s Sheet) Rigidity() float64 {
	return s.E * 1e3 * s.T * s.T * s.T / (12 * (1 - s.Nu*s.Nu))
}

func (s Sheet) check() error {
	switch {
	case !(s.E > 0 && s.E <= 500):
		return fault.New("e", "a stiffness up to 500 GPa is expected", "give it in GPa")
	case !(s.Nu >= 0 && s.Nu < 0.5):
		return fault.New("nu", "a Poisson's ratio from 0 to 0.5 is expected", "0.22 for glass")
	case !(s.T > 0 && s.T <= 100):
		return fault.New("t", "a thickness up to 100 mm is expected", "give it in mm")
	}
	return nil
}

// Bent is what a load does to a plate: the greatest stress, MPa, and the
// greatest deflection, mm. Large says that it bends by more than half its
// thickness.
type Bent struct {
	Stress     float64 `json:"stress"`
	Deflection float64 `json:"deflection"`
	Large      bool    `json:"large"`
}

func (s Sheet) bent(stress, w float64) Bent { return Bent{stress, w, w > s.T/2} }

// Coefficients are α and β of a rectangle held on four sides under an even
// load: w = α·q·a⁴/D and σ = 6·β·q·a²/t², a the short side, from Navier's and
// Lévy's series. Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells,
// from memory: for ν 0.3 b/a 1 gives 0.00406 and 0.0479, 2 gives 0.01013 and
// 0.1017, a long strip 0.01302 and 0.1250.
func Coefficients(ratio, nu float64) (alpha, beta float64) {
	// Lévy: the strip's own bending less what the far sides hold. m odd.
	alpha, beta = 5.0/384, 1.0/8
	for m := 1; m <= 39; m += 2 {
		k := float64(m)
		u := k * math.Pi * ratio / 2 // half the long side in wave lengths
		sign := 1.0
		if m%4 == 3 {
			sign = -1
		}
		if u > 300 { // its hyperbolic terms are nothing
			continue
		}
		cosh, tanh := math.Cosh(u), math.Tanh(u)
		a := -(u*tanh + 2) / (2 * cosh)
		b := 1 / (2 * cosh)
		alpha += sign * 4 / math.Pow(math.Pi*k, 5) * a
		// Bending across the short side at the middle: the strip's moment and
		// −D(w_xx + ν·w_yy) of the rest.
		beta += sign * 4 / math.Pow(math.Pi*k, 3) * ((1-nu)*a - 2*nu*b)
	}
	return alpha, beta
}

// FourSides is a rectangle held on four sides under an even load q, kPa.
func (s Sheet) FourSides(w, h, q float64) (Bent, error) {
	if err := s.loaded(w, h, q); err != nil {
		return Bent{}, err
	}
	a, b := math.Min(w, h), math.Max(w, h)
	alpha, beta := Coefficients(b/a, s.Nu)
	p := q * 1e-3 // N/mm²
	return s.bent(6*beta*p*a*a/(s.T*s.T), alpha*p*a*a*a*a/s.Rigidity()), nil
}

// Circle is a round pane of a diameter under an even load: held at its edge, or
// clamped. Timoshenko and Woinowsky-Krieger, from memory: simply held
// σ = 3(3+ν)/8·q·r²/t², w = (5+ν)/(64(1+ν))·q·r⁴/D; clamped σ = 0.75·q·r²/t²,
// w = q·r⁴/(64·D).
func (s Sheet) Circle(diameter, q float64, clamped bool) (Bent, error) {
	if err := s.loaded(diameter, diameter, q); err != nil {
		return Bent{}, err
	}
	r, p := diameter/2, q*1e-3
	if clamped {
		return s.bent(0.75*p*r*r/(s.T*s.T), p*math.Pow(r, 4)/(64*s.Rigidity())), nil
	}
	return s.bent(3*(3+s.Nu)/8*p*r*r/(s.T*s.T), (5+s.Nu)/(64*(1+s.Nu))*p*math.Pow(r, 4)/s.Rigidity()), nil
}

// Push is a force on a square patch in the middle of a rectangle held on four
// sides: a hand, 0.5 to 1 kN on 100 × 100 mm. Navier's series for a patch load;
// from memory. force in N, patch its side in mm.
func (s Sheet) Push(w, h, force, patch float64) (Bent, error) {
	if err := s.loaded(w, h, 0); err != nil {
		return Bent{}, err
	}
	c, err := patchOf(w, h, force, patch)
	if err != nil {
		return Bent{}, err
	}
	var defl, mx, my float64
	const terms = 61
	for m := 1; m <= terms; m += 2 {
		for n := 1; n <= terms; n += 2 {
			x, y := float64(m)*math.Pi/w, float64(n)*math.Pi/h
			// The load's share of this wave, both signs at the middle cancel.
			q := 16 * force / (math.Pi * math.Pi * float64(m*n) * c * c) * math.Sin(x*c/2) * math.Sin(y*c/2)
			k := x*x + y*y
			defl += q / (k * k)
			mx += q * (x*x + s.Nu*y*y) / (k * k)
			my += q * (y*y + s.Nu*x*x) / (k * k)
		}
	}
	return s.bent(6*math.Max(mx, my)/(s.T*s.T), defl/s.Rigidity()), nil
}

// PushRound is the same in the middle of a round pane held at its edge, the
// patch taken as a circle of its area. Timoshenko and Woinowsky-Krieger, from
// memory: M = P/(4π)·((1+ν)·ln(r/c) + 1 − (1−ν)·c²/(4r²)),
// w = P/(16πD)·((3+ν)/(1+ν)·r² + c²·ln(c/r) − (7+3ν)/(4(1+ν))·c²).
func (s Sheet) PushRound(diameter, force, patch float64) (Bent, error) {
	if err := s.loaded(diameter, diameter, 0); err != nil {
		return Bent{}, err
	}
	side, err := patchOf(diameter, diameter, force, patch)
	if err != nil {
		return Bent{}, err
	}
	r, nu := diameter/2, s.Nu
	c := math.Min(side/math.Sqrt(math.Pi), r)
	m := force / (4 * math.Pi) * ((1+nu)*math.Log(r/c) + 1 - (1-nu)*c*c/(4*r*r))
	w := force / (16 * math.Pi * s.Rigidity()) * ((3+nu)/(1+nu)*r*r + c*c*math.Log(c/r) - (7+3*nu)/(4*(1+nu))*c*c)
	return s.bent(6*m/(s.T*s.T), w), nil
}

// Tube is the hoop stress of a tube under pressure at its bore, where it is
// greatest, pressure in kPa: σ = p·(R² + r²)/(R² − r²), R its outside and r its
// inside radius. Lamé; Timoshenko, Strength of Materials, part II, from memory. A
// thin wall tends to p·d/(2t).
func Tube(outside, wall, pressure float64) (float64, error) {
	if !(wall > 0 && outside > 2*wall) {
		return 0, fault.New("wall", "such a wall leaves no bore", "measure both again")
	}
	if !(pressure >= 0 && pressure <= 1e5) {
		return 0, fault.New("pressure", "a pressure up to 100 MPa is expected", "give it in kPa")
	}
	o, i := outside/2, outside/2-wall
	return pressure * 1e-3 * (o*o + i*i) / (o*o - i*i), nil
}

// Warped is the stress of a rectangular pane pressed onto a seat of which one
// corner is out of plane by w: pure twist κ = w/(a·b), σ = E·t·κ/(2(1+ν)).
func (s Sheet) Warped(a, b, w float64) (float64, error) {
	if err := s.loaded(a, b, 0); err != nil {
		return 0, err
	}
	return s.E * 1e3 * s.T * math.Abs(w) / (a * b) / (2 * (1 + s.Nu)), nil
}

// WarpedRound is the same on a round seat of a diameter that is a saddle, w its
// greatest height from the mean plane: κ = 2w/R², σ = E·t·w/((1+ν)·R²).
func (s Sheet) WarpedRound(diameter, w float64) (float64, error) {
	if err := s.loaded(diameter, diameter, 0); err != nil {
		return 0, err
	}
	r := diameter / 2
	return s.E * 1e3 * s.T * math.Abs(w) / ((1 + s.Nu) * r * r), nil
}

func (s Sheet) loaded(w, h, q float64) error {
	if err := s.check(); err != nil {
		return err
	}
	for i, v := range []float64{w, h} {
		if !(v > 0 && v <= 10000) {
			return fault.New([]string{"w", "h"}[i], fmt.Sprintf("%v mm is no side of a pane", v), "from 0 to 10 m")
		}
	}
	if !(q >= 0 && q <= 1e4) {
		return fault.New("q", "a load from 0 to 10 MPa is expected", "give it in kPa; wind is about 1")
	}
	return nil
}
