package reckon

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/outline"
)

// area is that of the glass, mm²: of a tube its wall, unrolled.
func (r Sized) area() float64 {
	switch {
	case r.way().Tube():
		return math.Pi * math.Max(0, r.Fit.Order.W-r.Thickness) * r.Fit.Order.H
	case r.way().Circle():
		return math.Pi / 4 * r.Fit.Order.W * r.Fit.Order.H
	case len(r.Fit.Pane) > 0:
		return r.Fit.Pane.Area()
	}
	return r.Fit.Order.W * r.Fit.Order.H
}

// Outline is the pane as ordered in its true shape; ok is false while it has no
// size, and for a tube.
func (r Sized) Outline() (p outline.Path, ok bool) {
	var err error
	switch {
	case !r.Fit.Ready || r.way().Tube():
		return nil, false
	case len(r.Fit.Pane) > 0:
		return r.Fit.Pane, true
	case r.way().Circle():
		p, err = outline.Circle(r.Fit.Order.W)
	default:
		p, err = outline.RoundedRect(r.Fit.Order.W, r.Fit.Order.H, 0)
	}
	return p, err == nil
}

// cutting says whether the pane can be cut here and how.
func (r Sized) cutting() outline.Cutting {
	p, ok := r.Outline()
	switch {
	case r.Material.Cut == "order":
		return outline.Cutting{Sentence: r.Material.Short +
			" is ordered to its final size: it is never cut, drilled or ground"}
	case r.problem.Stock != nil:
		return outline.Cutting{Sentence: "a stock size comes as it is; nothing is cut"}
	case r.way().Tube():
		return outline.Cutting{Hand: true, Sentence: "cut square, ends ground and fire-polished or smoothed"}
	case !ok:
		return outline.Cutting{Sentence: "no size yet"}
	case r.Material.Cut == "saw":
		return outline.Cutting{Hand: true, Sentence: "sawn here with its film on"}
	}
	return p.Cuttable(r.Thickness)
}

// sizeSaid says how large the pane is, in the words of its form.
func (r Sized) sizeSaid(unit length.Unit) string {
	show := func(v float64) string { return length.Show(v, unit).Main }
	switch r.Fit.Form {
	case "rectangle":
		return fmt.Sprintf("%s × %s %s", show(r.Fit.Order.W), show(r.Fit.Order.H), unit) + r.holed(unit)
	case "round", "circle":
		return fmt.Sprintf("round, %s %s across", show(r.Fit.Order.W), unit)
	case "tube":
		return fmt.Sprintf("tube, %s %s outside, %s %s long", show(r.Fit.Order.W), unit, show(r.Fit.Order.H), unit)
	}
	out := fmt.Sprintf("%s, %s × %s %s", r.Fit.Form, show(r.Fit.Order.W), show(r.Fit.Order.H), unit)
	for _, d := range r.Fit.Makes[2:] {
		out += fmt.Sprintf(", %s %s %s", d.Name, show(d.Value), unit)
	}
	return out
}

// holed says the holes that carry a pane; nothing for one without.
func (r Sized) holed(unit length.Unit) string {
	if len(r.Fit.Holes) == 0 {
		return ""
	}
	at := map[string]string{}
	for _, d := range r.Fit.Makes {
		at[d.Key] = length.Show(d.Value, unit).Main + " " + string(unit)
	}
	return fmt.Sprintf(", two holes %s across, %s up from the lower edge, the left one %s in from the left edge seen "+
		"from outside, "+
		"%s apart", at["hole"], at["hole_up"], at["hole_side"], at["hole_apart"])
}
