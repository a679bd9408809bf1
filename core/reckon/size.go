package reckon

import (
	"cmp"
	"math"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/frame"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/stocksize"
	"freshshard/core/witness"
	"freshshard/core/working"
)

// defaultThickness is what is assumed before anybody has read the old pane, mm.
const defaultThickness = 4.0

// Sized is a pane with its size, or with what is missing for one.
type Sized struct {
	Held
	Fit   fit.Result          `json:"fit"`
	Walk  []reading.PlaceInfo `json:"walk"`
	Heard *witness.Pane       `json:"heard,omitempty" doc:"What all that speak for the size stand for"`
	Fault *fault.Error        `json:"fault,omitempty" doc:"Readings that cannot belong together, with the place"`

	problem fit.Problem
	depth   float64 // room for the pane's thickness, mm; 0 while nobody has read it
}

// Size works out how large the pane is. Readings that cannot belong together are not an error of
// the call: the answer then carries the Fault and what can still be said without them.
func Size(k Known) (Sized, error) {
	h, err := Hold(k)
	s := Sized{Held: h}
	if err != nil {
		return s, err
	}
	if s.problem, err = h.problem(); err != nil {
		return s, err
	}
	if s, err = s.copied(); err != nil {
		return s, err
	}
	if s.problem.Stock, err = s.stocked(); err != nil {
		return s, err
	}
	s.Walk = s.problem.Walk()
	if s, err = s.solved(); err != nil {
		return s, err
	}
	if s, err = s.heard(); err != nil {
		return s, err
	}
	s.depth = s.problem.Room()
	// A thickness that followed the loads stands in the pack, too.
	if n := s.built.Here; n > 0 && s.k.Stack.Panes[n-1].Thickness != s.Thickness {
		if s.Held, err = s.packed(); err != nil {
			return s, err
		}
	}
	return s.asAsked(), nil
}

// solved solves the fit. Readings that cannot belong together are kept as the
// Fault. A thickness that nobody settled follows the loads once the size is
// known, and the fit is then solved again.
func (r Sized) solved() (Sized, error) {
	var err error
	if r.Fit, err = fit.Solve(r.problem); err != nil {
		if r.Fault = fault.Of(err); r.Fault == nil || r.k.Readings[reading.Place(r.Fault.Field)].Value == 0 {
			return r, err
		}
		r.Fit.Figures, r.Fit.Ready = []working.Figure{}, false
		return r, nil
	}
	if r.k.Thickness != 0 || !r.Fit.Ready || r.way().Tube() {
		return r, nil
	}
	t := r.Material.Carrying(r.load(), r.Thickness, r.problem.Room())
	if t == r.Thickness {
		return r, nil
	}
	r.Held = r.thick(t)
	r.problem.Thickness = t
	r.Fit, err = fit.Solve(r.problem)
	return r, err
}

// stocked is the stock size that is taken in place of a pane made to size; nil for none.
func (r Sized) stocked() (*outline.Size, error) {
	if r.k.Stock == "" || !r.Road.Sized || r.problem.Copies() {
		return nil, nil
	}
	w, h, err := stocksize.Parse(r.k.Stock)
	if err != nil {
		return nil, err
	}
	return &outline.Size{W: w, H: h}, nil
}

// asAsked leaves out what only a size asks for, where none is asked.
func (r Sized) asAsked() Sized {
	if r.Road.Sized {
		return r
	}
	r.Fit.Missing, r.Fit.Odd, r.Fault = r.Fit.Missing[:0], r.Fit.Odd[:0], nil
	for i := range r.Walk {
		r.Walk[i].Needed = false
	}
	return r
}

// tubeDrawn is the wall of a tube of which nothing was read, mm, for its drawing.
const tubeDrawn = 2.0

// wallOf is the wall of the old tube as a caliper tells it, to a tenth, mm; 0
// while nobody has read it.
func wallOf(k Known) float64 { return math.Round(k.Readings[reading.TubeWall].Value*10) / 10 }

func frameOf(k Known, f family.Family) string {
	if k.Frame != "" {
		return k.Frame
	}
	return f.Frame
}

func (r Held) problem() (fit.Problem, error) {
	k := r.k
	fr, err := frame.Book.With(k.Own, frameOf(k, r.Family))
	if err != nil {
		return fit.Problem{}, err
	}
	cutter := k.Cutter
	// What comes out of a furnace is as the furnace leaves it, whoever sells it.
	if cutter == "" || r.Material.Cut == "order" {
		cutter = r.Material.Cutter
	}
	var coldBend *fit.Value
	if b := r.Material.ColdBend; b != nil {
		coldBend = &fit.Value{V: b.V, Origin: b.Origin.Of(r.Material.Short)}
	}
	return fit.Problem{
		Asked: reading.Asked{Sizing: r.Family.Sizing, Shape: k.Shape, Readings: k.Readings,
			Pattern: r.Road.Copies, Carried: r.Family.Carried != "", Whole: k.Road.ID == "window"}, ColdBend: coldBend,
		Limits: fit.LimitsOf(r.Family, k.Exposure.Outdoors).With(r.Material.Limits, r.Family.Sizing), Pane: r.Material.Body(),
		Thickness: r.Thickness, Plastic: r.Material.Plastic, Stack: k.Stack.Depth(), Own: k.Own,
		Frame:    fit.Body{Name: fr.Name, Alpha: fr.Alpha, Origin: fr.Source()},
		Exposure: k.Exposure, Cutter: cutter, Gasket: k.Gasket, Raked: k.Raked, OffCentre: fit.DefaultOffCentre,
		Draws: k.Draws, Unit: cmp.Or(k.Marks, k.Unit),
	}, nil
}
