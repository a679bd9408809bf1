package reckon

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/stocksize"
	"freshshard/core/working"
)

// Offered is a stock size that goes in and stays as it comes.
type Offered struct {
	ID   string `json:"id"`
	Name string `json:"name" doc:"As it is asked for"`
	Says string `json:"says" doc:"How it would fit"`
}

// nearStock is how far a stock size may lie from the size to order to be tried,
// mm: none farther has ever both its clearance and its bite.
const nearStock = 20.0

// offered are the stock sizes of the material that fall inside the fit, the
// nearest to the size to order first.
func (r Sized) offered() []Offered {
	p, k, out := r.problem, r.k, []Offered{}
	if !r.Fit.Ready || r.Fit.Form != "rectangle" || r.barred != "" || p.Copies() || !r.Road.Sized || p.Stock != nil {
		return out
	}
	type found struct {
		Offered
		off float64
	}
	var all []found
	p.Draws = 0
	for _, s := range stocksize.All(k.Own) {
		if s.Material != r.Material.ID || s.Thickness.V != r.Thickness {
			continue
		}
		off := math.Hypot(s.W-r.Fit.Order.W, s.H-r.Fit.Order.H)
		if turned := math.Hypot(s.H-r.Fit.Order.W, s.W-r.Fit.Order.H); turned < off {
			s.W, s.H, off = s.H, s.W, turned
		}
		if off > nearStock {
			continue
		}
		p.Stock = &outline.Size{W: s.W, H: s.H}
		res, err := fit.Solve(p)
		if err != nil { // its holes would lie beside it
			continue
		}
		if slices.ContainsFunc(res.Figures, func(f working.Figure) bool {
			return f.Verdict == working.Stop ||
				f.Verdict == working.Warn
		}) {
			continue
		}
		show := func(v float64) string { return length.Show(v, k.Unit).Main }
		says := fmt.Sprintf("%s %s clearance a side in the width, %s in the height", show(res.Gap.W), k.Unit, show(res.Gap.H))
		if res.Bite > 0 {
			says += fmt.Sprintf(", %s of bite", show(res.Bite))
		}
		all = append(all, found{Offered{s.ID, fmt.Sprintf("%s × %s %s, %s", show(s.W), show(s.H), k.Unit, s.Use), says},
			off})
	}
	slices.SortStableFunc(all, func(a, b found) int { return cmp.Compare(a.off, b.off) })
	for _, f := range all {
		out = append(out, f.Offered)
	}
	return out
}
