package pane

import (
	"fmt"

	"freshshard/core/strength"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Moves says what drives or is towed: they are three things to the law and to a
// person who is thrown against a pane.
type Moves string

// The three. Nothing said is a road vehicle, which is the strictest.
const (
	Road    Moves = "road"
	Trailer Moves = "trailer"
	Machine Moves = "machine"
)

// vehicleGate keeps what breaks into daggers out of vehicles and boats, all but
// laminated glass out of a windscreen, and acrylic, which breaks into sharp
// pieces, out of road vehicles and machines; a trailer's windows may be of it.
// Which mark is asked for the law of the place says. Common practice, no source.
func (m gating) vehicleGate(n Need) *Closed {
	switch {
	case n.Duty.Windscreen && !m.laminated():
		return never("vehicle", "a windscreen is laminated, with the mark that local law asks for; this is not", "laminated")
	case n.Vehicle && m.splinters():
		return never("vehicle",
			"it is part of a vehicle, and this breaks into daggers; laminated or toughened with its mark is what is looked for",
			"breaks safely")
	case n.Vehicle && n.Moves != Trailer && !m.Safety:
		return never("vehicle",
			"somebody may be thrown against it, and this breaks into sharp pieces; laminated, toughened or polycarbonate is "+
				"what is looked for", "breaks safely")
	case n.Boat && m.splinters():
		return never("vehicle",
			"somebody is thrown against it in a sea, and this breaks into daggers; toughened, laminated or plastic is what is "+
				"looked for", "breaks safely")
	}
	return nil
}

// splinters says whether it breaks into blades of glass.
func (m Material) splinters() bool { return !m.Safety && !m.Plastic }

// foodGate keeps splinters out of food. Common practice, no source.
func (m gating) foodGate(n Need) *Closed {
	if !n.Duty.Food || !m.splinters() {
		return nil
	}
	return never("food", "it stands over open food, and its splinters would end there", "breaks without splinters")
}

// kPaPerBar turns bar into kPa.
const kPaPerBar = 100.0

// pressureGate leaves only what can be had rated for plant under pressure, and
// holds a tube's hoop stress against what it may carry for good.
func (m gating) pressureGate(n Need) *Closed {
	p := n.Duty.Pressure
	if p == 0 {
		return nil
	}
	if !m.Rated {
		return never("pressure", fmt.Sprintf("the plant is under %s bar, and this is not made with a rating for that",
			working.Num(p, 1)), "rated for pressure plant")
	}
	if !n.Tube || n.Outside == 0 {
		return nil
	}
	v, err := strength.Tube(n.Outside, n.Thickness, p*kPaPerBar)
	if err != nil {
		return never("pressure", fmt.Sprintf("a wall of %s mm in a tube of %s mm outside cannot be reckoned: %s",
			working.Num(n.Thickness, 1), working.Num(n.Outside, 1), why(err)), "a wall that leaves a bore")
	}
	may, from := m.allowable(strength.Permanent)
	return closed("pressure", fmt.Sprintf("at %s bar a wall of %s mm takes %s MPa round and holds %s for good",
		working.Num(p, 1), working.Num(n.Thickness, 1), working.Num(v, 1), working.Num(may, 1)),
		"MPa", working.In("σ", "hoop stress", v, "MPa", value.Sum()), working.Most(may, "MPa", from))
}

// mirror is the material that stands where one was, and nothing else does.
const mirror = "mirror"

// sealedUnit is the one, in whose groove one pane alone does not sit.
const sealedUnit = "sealed-unit"

// guard is what stands where things are thrown: it catches them, and bends before it breaks.
const guard = "polycarbonate"

// guardGate keeps a guard what it was: glass of any kind lets through what polycarbonate
// catches. Common practice, no source; the machine's maker and its rules come first.
func (m gating) guardGate(n Need) *Closed {
	if n.Like != guard || m.ID == guard || m.Other || n.Moves != Machine && !n.Strike {
		return nil
	}
	return never("guard", "the old one was polycarbonate, which catches what is thrown against it; this does not",
		"catches what is thrown")
}

// shapeGate asks whether it can be had as a tube, or bent. Common practice, no
// source.
func (m gating) shapeGate(n Need) *Closed {
	switch {
	case n.Like == mirror && m.ID != mirror:
		return never("shape", "it is no mirror, and the old one was", "a mirror")
	case n.Like == sealedUnit && m.ID != sealedUnit && !m.Other:
		return never("shape", "it is one pane, and the old one was a sealed unit: its groove is wide for it, and it "+
			"sweats in the cold", "a sealed unit")
	case n.Tube && !m.Tube:
		return never("shape", "it is not to be had as a tube", "to be had as a tube")
	case n.Bent && m.Flat:
		return never("shape", "it is not to be had bent", "to be had bent")
	}
	return nil
}

// holeGate holds the holes of the pane against the rules for glass that is
// toughened after they are made.
func (m gating) holeGate(n Need) *Closed {
	if n.Outline == nil || m.Cut != "order" || m.Plies > 0 {
		return nil
	}
	t := ranking(m).thickness(n)
	for _, b := range n.Outline.HoleRules(t) {
		return closed("hole", fmt.Sprintf("%s of %s mm before it is toughened", b.Sentence, working.Num(t, 1)), "mm",
			working.In("d", "as drawn", b.Value, "mm", value.Read("")), working.Least(b.Limit, "mm", value.Std("EN 12150-1")))
	}
	return nil
}

// warmPlastic is from which heat on plastic wants a word, °C. Common practice, no source.
const warmPlastic = 60.0

// asks is what has to be looked up before the material is ordered for its use.
// The program says what to look for, never that something is allowed. Common
// practice, no source.
func (m gating) asks(n Need) []string {
	out := []string{}
	vehicle := n.Vehicle || n.Duty.Windscreen && !n.Boat
	switch {
	case vehicle && m.Plastic:
		out = append(out, "Plastic only where the rules of this vehicle allow it: look them up before you order.")
	case vehicle:
		out = append(out, "Order it with the mark that local law asks for at this place on the vehicle.")
	}
	if n.Strike {
		out = append(out, "Local code says which class of safety glazing is asked for here: order that class, marked.")
	}
	if n.Boat {
		out = append(out, "On a vessel her scantling rule decides (ISO 12216 for small craft, from memory): these are "+
			"elastic plate numbers, no approval.")
	}
	if n.Duty.Pressure > 0 {
		out = append(out, "Only with a rating for this pressure and temperature, fitted by somebody who may work on the "+
			"plant.")
	}
	if n.Duty.Food && m.Plastic {
		out = append(out, "Ask for the supplier's declaration that it may stand over food.")
	}
	if m.Plastic && (n.Stack.Cavity > warmPlastic || n.Exposure.Steady > warmPlastic) {
		out = append(out, "It stands on something hot: plastic softens, yellows and burns. Ask the appliance's maker before "+
			"you order.")
	}
	if n.Exposure.Cleaning > 0 && !m.Other {
		out = append(out, "It cleans itself at high heat: a pane that is not the maker's own is not proved for that. Leave "+
			"that programme off, or take the maker's pane.")
	}
	if b := m.ColdBend; n.Bent && b != nil {
		out = append(out, fmt.Sprintf("Cold it bends to %s times its thickness; a tighter curve is formed hot, to order.",
			working.Num(b.V, 0)))
	}
	return out
}
