package reckon

import (
	"math"
	"strings"

	"freshshard/core/caution"
	"freshshard/core/diagnose"
	"freshshard/core/family"
	"freshshard/core/handover"
	"freshshard/core/plan"
)

// facts are what the plan goes by; the object is as hot as it is, wherever the
// pane stands in a pack.
func (r Chosen) facts() plan.Facts {
	k := r.k
	changes := diagnose.ChangesOf(r.Chain)
	need := make([]plan.Required, 0, len(changes))
	for _, c := range changes {
		need = append(need, plan.Required{Key: "fix-" + c.Key, Station: family.Station(c.Station), Text: c.Text,
			Why: "Why it broke: " + r.Cause + "."})
	}
	if p := r.Peeled; p != nil {
		need = append(need, plan.Required{Key: "fix-peel", Station: "prepare", Text: p.Do, Why: "What the faces showed: " +
			p.Says})
	}
	return plan.Facts{Required: need,
		Exposure: r.object, Power: k.Power, Gas: k.Gas, Vehicle: k.Vehicle, Moves: k.Moves, Plastic: r.Material.Plastic,
		Water: k.Water, Old: k.Old, Strike: k.Strike, Leaf: k.Leaf,
		Burst:  r.Material.Cut == "order" || r.like == "toughened" || r.like == "toughened-coated",
		Weight: r.Material.Weight(r.area(), r.Thickness), Longest: math.Max(r.Fit.Order.W, r.Fit.Order.H),
	}
}

// handover is what the customer is told; an object is used as hot as it is,
// wherever the pane stands in it.
func (r Chosen) handover(standing []caution.Caution) []handover.Line {
	d := handover.Decided{Exposure: r.object, Carries: r.Carries, Touch: r.Touch, Chain: r.Chain, Standing: standing,
		Done: r.Road.Headline}
	switch {
	case r.Road.Part && r.k.Road.Part.Noted():
		d.Pane = "a part as it came, " + r.k.Road.Part.Says()
	case r.Road.Settled && !r.Assumed:
		d.Pane = strings.Replace(r.Pane, r.Material.Short, r.Material.Name, 1)
	}
	return handover.Lines(d)
}
