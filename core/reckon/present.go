package reckon

import (
	"math"

	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/thickness"
	"freshshard/core/usual"
	"freshshard/core/value"
	"freshshard/core/working"
)

// more are the numbers that belong to setting and carrying the pane.
func (r Sized) more() []working.Figure {
	k := r.k
	var out []working.Figure
	if old, ok := k.Readings[reading.OldThickness]; ok {
		out = append(out, thickness.Of(old).Figure)
	}
	if k.Gasket.Kind == fit.Flat && k.Screw != "" {
		// A thread that nobody lists says nothing.
		if f, err := (setting.Turns{Free: k.Gasket.Free, Screw: k.Screw}).Figures(); err == nil {
			out = append(out, f...)
		}
	}
	if f, ok := k.Turned.Even(); ok {
		out = append(out, f)
	}
	if !r.Fit.Ready || r.unwalled {
		return out
	}
	w, h := r.Fit.Order.W, r.Fit.Order.H
	out = append(out, r.Material.MassFigure(r.area(), r.Thickness))
	out = append(out, r.Material.LoadFigures(r.load(), r.Thickness)...)
	if f, ok := r.Material.HoopFigure(k.Duty, k.Readings[reading.TubeOutside].Value, r.Thickness); ok &&
		r.way().Tube() {
		out = append(out, f)
	}
	if r.way().Tube() {
		out = append(out, bore(usual.In(k.Own, usual.LeastBore), k.Readings[reading.TubeOutside], r.Thickness))
	}
	if f, ok := r.Material.EdgeFigure(k.Exposure); ok {
		out = append(out, f)
	}
	if !r.way().Blocks || r.Fit.Form != "rectangle" {
		return out
	}
	out = append(out, setting.BlockFigure(w, h, r.Thickness, math.Max(r.Fit.Gap.W, r.Fit.Gap.H)))
	if r.way().Points {
		out = append(out, setting.PointFigure(w, h, r.Family.Fixing))
	}
	return out
}

// bore is what a wall leaves of a tube.
func bore(least value.Value, outside length.Reading, wall float64) working.Figure {
	v := outside.Value - 2*wall
	return working.Figure{Key: "bore", Value: v, Unit: "mm", Limit: working.Least(least.V, "mm", least.Origin.Origin),
		Place: string(reading.TubeWall), Sentence: "of bore inside the tube",
		Working: working.Of("{d} − 2 × {t}", v, "mm", working.In("d", "outside", outside.Value, "mm", value.Read("")),
			working.In("t", "wall", wall, "mm", value.Sum()))}.Judge(working.Stop)
}

// Present writes each figure in the shop's unit, with the other one beside it.
func Present(figures []working.Figure, unit length.Unit) []working.Figure {
	for i := range figures {
		f := &figures[i]
		f.Sentence = length.Words(f.Sentence, unit)
		if f.Unit == "mm" {
			s := length.Show(f.Value, unit)
			f.Text, f.Other = s.Main+" "+string(unit), s.Other
			continue
		}
		if f.Text != "" { // it says itself how it is read: a count, a range, a verdict in words
			continue
		}
		f.Text = working.Num(f.Value, 1)
		if f.Unit != "" {
			f.Text += " " + f.Unit
		}
	}
	return figures
}
