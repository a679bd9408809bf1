package reckon

import (
	"math"
	"strings"

	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/setting"
	"freshshard/core/thickness"
	"freshshard/core/working"
)

// more are the numbers that belong to setting and carrying the pane.
func (r *Reckoning) more(k Known) []working.Figure {
	var out []working.Figure
	if old, ok := k.Readings[fit.OldThickness]; ok {
		out = append(out, thickness.Of(old).Figure)
	}
	if !r.Fit.Ready {
		return out
	}
	w, h := r.Fit.Order.W, r.Fit.Order.H
	out = append(out, r.Material.MassFigure(r.area(), r.Thickness))
	out = append(out, r.Material.LoadFigures(r.load(k), r.Thickness)...)
	if f, ok := r.Material.HoopFigure(k.Duty, k.Readings[fit.TubeOutside].Value, r.Thickness); ok && r.Family.Sizing == family.Tube {
		out = append(out, f)
	}
	if f, ok := r.Material.EdgeFigure(k.Exposure); ok {
		out = append(out, f)
	}
	if r.Family.Sizing != family.Rebate && r.Family.Sizing != family.Bonded || r.Fit.Form != "rectangle" {
		return out
	}
	if r.Family.Sizing == family.Bonded {
		return append(out, setting.BlockFigure(w, h, r.Thickness, math.Max(r.Fit.Gap.W, r.Fit.Gap.H)))
	}
	return append(out, setting.BlockFigure(w, h, r.Thickness, math.Max(r.Fit.Gap.W, r.Fit.Gap.H)), setting.PointFigure(w, h, r.Family.Fixing))
}

// Present writes each figure in the shop's unit, with the other one beside it.
func Present(figures []working.Figure, unit length.Unit) []working.Figure {
	for i := range figures {
		f := &figures[i]
		if f.Unit == "mm" {
			s := length.Show(f.Value, unit)
			f.Text, f.Other = s.Main+" "+string(unit), s.Other
			// What is left over of a fraction has its own unit.
			if i := strings.LastIndexAny(s.Main, "+−"); unit == length.IN && i > 0 {
				f.Text = strings.TrimSpace(s.Main[:i]) + " in " + s.Main[i:]
			}
			continue
		}
		f.Text = working.Num(f.Value, 1)
		if f.Unit != "" {
			f.Text += " " + f.Unit
		}
	}
	return figures
}
