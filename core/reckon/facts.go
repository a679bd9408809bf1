package reckon

import (
	"math"
	"strings"

	"freshshard/core/diagnose"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/handover"
	"freshshard/core/plan"
)

// diagnose works out cause and old pane. A likely old material stands in where
// nobody said what it was.
func (r telling) diagnose(k *Known) error {
	var err error
	if r.Why, err = diagnose.WhyHeld(k.Evidence, r.Family.Sizing); err != nil {
		return err
	}
	if r.Was, err = diagnose.OldPane(k.OldPane); err != nil {
		return err
	}
	if first := r.Was.Ranked[0]; k.Like == "" && first.Score > 0 && first.Share >= diagnose.Likely {
		k.Like = first.ID
	}
	if r.Chain, err = diagnose.Chain(k.Cause, k.Behind, k.Evidence, r.Family.Sizing); err != nil {
		return err
	}
	r.Cause = diagnose.Told(r.Chain)
	return nil
}

// facts are what the plan goes by; the object is as hot as it is, wherever the
// pane stands in a pack.
func (r telling) facts(k Known, object exposure.Exposure) plan.Facts {
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
		Exposure: object, Power: k.Power, Gas: k.Gas, Vehicle: k.Vehicle, Moves: k.Moves, Plastic: r.Material.Plastic,
		Water: k.Water, Old: k.Old, Strike: k.Strike, Leaf: k.Leaf,
		Burst:  r.Material.Cut == "order" || k.Like == "toughened" || k.Like == "toughened-coated",
		Weight: r.Material.Weight(r.area(), r.Thickness), Longest: math.Max(r.Fit.Order.W, r.Fit.Order.H),
	}
}

// handover is what the customer is told; an object is used as hot as it is,
// wherever the pane stands in it.
func (r telling) handover(k Known, object exposure.Exposure) []handover.Line {
	d := handover.Decided{Exposure: object, Carries: r.Carries, Touch: r.Touch, Chain: r.Chain, Standing: r.Plan.Customer,
		Done: r.Road.Headline}
	switch {
	case r.Road.Part && k.Road.Part.Noted():
		d.Pane = "a part as it came, " + k.Road.Part.Says()
	case r.Road.Settled && !r.Assumed:
		d.Pane = strings.Replace(r.Pane, r.Material.Short, r.Material.Name, 1)
	}
	return handover.Lines(d)
}

// peel reads the faces of a bond that let go, where somebody looked and it is
// stuck again.
func (r telling) peel(k Known) error {
	if len(k.Peel.Spots) == 0 || r.Road.How != "stick" {
		return nil
	}
	p, err := k.Peel.Read()
	if f := fault.Of(err); f != nil {
		return fault.New("peel."+f.Field, f.Why, f.Cure)
	}
	p.Figures = Present(p.Figures, k.Unit)
	r.Peeled = &p
	return err
}
