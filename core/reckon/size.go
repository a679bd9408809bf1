package reckon

import (
	"cmp"
	"math"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/frame"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/core/thickness"
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
		if r.Fault = fault.Of(err); r.Fault == nil || k.Readings[reading.Place(r.Fault.Field)].Value == 0 {
			return err
		}
		r.Fit.Figures, r.Fit.Ready = []working.Figure{}, false
		return nil
	}
	if k.Thickness != 0 || !r.Fit.Ready || (carrying{r}).way().Tube() {
		return nil
	}
	t := r.Material.Carrying(carrying{r}.load(k), r.Thickness, p.Room())
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
	switch {
	case r.unwalled:
		r.Pane = r.Material.Short + ", wall not read yet"
	case (carrying{r}).way().Tube():
		r.Pane = r.Material.Short + ", wall " + working.Num(t, 1) + " mm"
	default:
		r.Pane = working.Num(t, 1) + " mm " + r.Material.Short
	}
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
	r.Read = r.readOf(k)
	r.thick(r.thicknessOf(k))
	return nil
}

// thicknessOf is how thick the pane is: as settled, as the old one was read, or
// assumed. A tube's wall is never assumed; while nobody has read it, it stands as
// a fifth of the outside for the drawing, and nothing is ordered.
func (r *Reckoning) thicknessOf(k Known) float64 {
	if k.Thickness != 0 {
		return k.Thickness
	}
	r.Assumed = true
	if (carrying{r}).way().Tube() {
		if wall := wallOf(k); wall > 0 {
			return wall
		}
		r.unwalled = true
		if out := k.Readings[reading.TubeOutside].Value; out > 0 {
			return out / 5
		}
		return tubeDrawn
	}
	want := defaultThickness
	if old, ok := k.Readings[reading.OldThickness]; ok {
		want = old.Value
	}
	return r.Material.Nearest(want)
}

// tubeDrawn is the wall of a tube of which nothing was read, mm, for its drawing.
const tubeDrawn = 2.0

// wallOf is the wall of the old tube as a caliper tells it, to a tenth, mm; 0
// while nobody has read it.
func wallOf(k Known) float64 { return math.Round(k.Readings[reading.TubeWall].Value*10) / 10 }

// readOf is the nominal thickness of the old pane, or the wall of the old tube;
// 0 while nobody has read it.
func (r *Reckoning) readOf(k Known) float64 {
	if (carrying{r}).way().Tube() {
		return wallOf(k)
	}
	if old, ok := k.Readings[reading.OldThickness]; ok {
		if a := thickness.Of(old); !a.Between {
			return a.Nominal
		}
	}
	return 0
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
			Pattern: r.Road.How == road.Pattern, Carried: r.Family.Carried != ""}, ColdBend: coldBend,
		Limits: fit.LimitsOf(r.Family, k.Exposure.Outdoors).With(r.Material.Limits, r.Family.Sizing), Pane: r.Material.Body(),
		Thickness: r.Thickness, Plastic: r.Material.Plastic, Stack: k.Stack.Depth(), Own: k.Own,
		Frame:    fit.Body{Name: fr.Name, Alpha: fr.Alpha, Origin: fr.Source()},
		Exposure: k.Exposure, Cutter: cutter, Gasket: k.Gasket, Raked: k.Raked, OffCentre: fit.DefaultOffCentre,
		Draws: k.Draws, Unit: cmp.Or(k.Marks, k.Unit),
	}, nil
}
