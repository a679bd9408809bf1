package reckon

import (
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/frame"
	"freshshard/core/pane"
	"freshshard/core/working"
)

// defaultThickness is what is assumed before anybody has read the old pane, mm.
const defaultThickness = 4.0

// size solves the fit. Readings that cannot belong together are kept as the
// Fault. A thickness that nobody settled follows the loads once the size is
// known, and the fit is then solved again.
func (r *Reckoning) size(k Known, p *fit.Problem) error {
	var err error
	if r.Fit, err = fit.Solve(*p); err != nil {
		if r.Fault = fault.Of(err); r.Fault == nil || k.Readings[fit.Place(r.Fault.Field)].Value == 0 {
			return err
		}
		r.Fit.Figures, r.Fit.Ready = []working.Figure{}, false
		return nil
	}
	if k.Thickness != 0 || !r.Fit.Ready {
		return nil
	}
	t := r.Material.Carrying(r.load(k), r.Thickness, p.Room())
	if t == r.Thickness {
		return nil
	}
	r.thick(t)
	p.Thickness = t
	r.Fit, err = fit.Solve(*p)
	return err
}

// thick sets how thick the pane is, mm, and what it is called.
func (r *Reckoning) thick(t float64) {
	r.Thickness = t
	r.Pane = working.Num(t, 1) + " mm " + r.Material.Short
}

// material settles what the pane is made of and how thick, or assumes it.
func (r *Reckoning) material(k Known) error {
	id := k.Material
	if id == "" {
		id, r.Assumed = r.Family.Material, true
	}
	var err error
	if r.Material, err = pane.With(k.Own, id); err != nil {
		return err
	}
	if k.Thickness == 0 {
		want := defaultThickness
		if old, ok := k.Readings[fit.OldThickness]; ok {
			want = old.Value
		}
		k.Thickness, r.Assumed = r.Material.Nearest(want), true
	}
	r.thick(k.Thickness)
	return nil
}

func frameOf(k Known, f family.Family) string {
	if k.Frame != "" {
		return k.Frame
	}
	return f.Frame
}

func (r *Reckoning) problem(k Known) (fit.Problem, error) {
	fr, err := frame.With(k.Own, frameOf(k, r.Family))
	if err != nil {
		return fit.Problem{}, err
	}
	cutter := k.Cutter
	if cutter == "" {
		cutter = r.Material.Cutter
	}
	var coldBend *fit.Value
	if b := r.Material.ColdBend; b != nil {
		coldBend = &fit.Value{V: b.V, Origin: b.Origin.Of(r.Material.Short)}
	}
	return fit.Problem{
		Sizing: r.Family.Sizing, Shape: k.Shape, ColdBend: coldBend, Readings: k.Readings, Limits: fit.LimitsOf(r.Family, k.Exposure.Outdoors).With(r.Material.Limits, r.Family.Sizing), Pane: r.Material.Body(), Thickness: r.Thickness, Plastic: r.Material.Plastic, Stack: k.Stack.Depth(), Own: k.Own,
		Frame:    fit.Body{Name: fr.Name, Alpha: fr.Alpha, Origin: fr.Source()},
		Exposure: k.Exposure, Cutter: cutter, Gasket: k.Gasket, Raked: k.Raked, OffCentre: fit.DefaultOffCentre, Draws: k.Draws, Unit: k.Unit,
	}, nil
}
