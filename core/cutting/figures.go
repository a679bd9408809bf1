package cutting

import (
	"fmt"

	"freshshard/core/value"
	"freshshard/core/working"
)

// Figures are what a plan is worth, each with its sum: how much of the stock is used or
// kept, and what it costs beside what no plan can go below.
func (p Plan) Figures(t Task) []working.Figure {
	if len(p.Sheets) == 0 {
		return nil
	}
	price, area := map[string]float64{}, map[string]float64{}
	for _, s := range t.Stock {
		price[s.ID], area[s.ID] = s.price(), s.W*s.H
	}
	var panes, kept, whole, paid, back float64
	for i := range p.Sheets {
		s := &p.Sheets[i]
		whole += s.W * s.H
		paid += price[s.Stock]
		for _, l := range s.Root.Leaves() {
			switch l.Kind {
			case IsPiece:
				panes += l.W * l.H
			case IsOffcut:
				kept += l.W * l.H
				back += WorthOf(t.Rules) * price[s.Stock] * l.W * l.H / area[s.Stock]
			}
		}
	}
	const m2 = 1e6
	useful := working.Figure{Key: "useful", Sentence: "of the stock is used or goes back to the rack",
		Value: 100 * (panes +
			kept) / whole, Unit: "in 100", Verdict: working.Note,
		Text: working.Num(100*(panes+kept)/whole, 0) + " in 100",
		Working: working.Of("100 × ({P} + {K}) / {S}", 100*(panes+kept)/whole, "in 100",
			working.In("P", "panes, with what they are broken out of", panes/m2, "m²", value.Sum()),
			working.In("K", "offcuts that are kept", kept/m2, "m²", value.Sum()),
			working.In("S", "stock that is cut into", whole/m2, "m²", value.Sum()))}
	cost := working.Figure{Key: "cut_cost", Sentence: "for the stock, less what comes back", Value: paid - back,
		Verdict: working.Note, Text: fmt.Sprintf("%.2f", paid-back), Working: working.Of("{C} − {B}", paid-back, "",
			working.In("C", fmt.Sprintf("stock that is cut into, %d in all", len(p.Sheets)), paid, "", value.Custom()),
			working.In("B", fmt.Sprintf("what kept offcuts are worth: %g of their share", WorthOf(t.Rules)), back, "",
				value.Custom()))}
	switch {
	case p.Proved:
		cost.Working = cost.Working.With("Proved: no plan needs less stock.")
	case p.Bound > 0 && len(p.Left) == 0:
		cost.Working = cost.Working.With(fmt.Sprintf("No plan of all panes can cost less than %.2f: the rest of the way "+
			"is not "+
			"known to be possible.", p.Bound))
	}
	return []working.Figure{useful, cost}
}
