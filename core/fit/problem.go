// Package fit turns the readings of an opening into the size of a pane: the
// nominal size by the family's rule, the size to order, and how much clearance
// and bite are left at the worst, cold and hot. Lengths are
// mm, temperatures °C, growth 1e-6 per kelvin.
package fit

import (
	"slices"

	"freshshard/core/catalogue"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/value"
)

// Body is something that grows: the pane or its frame.
type Body struct {
	Name   string       `json:"name"`
	Alpha  float64      `json:"alpha" doc:"Growth, 1e-6 per kelvin"`
	Origin value.Origin `json:"origin"`
}

// GasketKind says how the gasket lies.
type GasketKind string

// Flat lies on the ledge under the pane; Wrapped is a U-section or folded tape
// round the pane's edge; None is no gasket.
const (
	None    GasketKind = "none"
	Flat    GasketKind = "flat"
	Wrapped GasketKind = "wrapped"
)

// Gasket is the gasket with its free thickness in mm.
type Gasket struct {
	Kind GasketKind `json:"kind" enum:"none,flat,wrapped"`
	Free float64    `json:"free" minimum:"0" maximum:"40" doc:"Free thickness, mm"`
}

// Problem is all that a size depends on.
type Problem struct {
	reading.Asked
	Limits    Limits            `json:"limits"`
	Pane      Body              `json:"pane"`
	Thickness float64           `json:"thickness" doc:"Nominal thickness of the pane, mm"`
	ColdBend  *Value            `json:"cold_bend,omitempty" doc:"Least radius of a cold bend over the thickness; or nil"`
	Stack     float64           `json:"stack,omitempty" doc:"Panes and gaps of its pack, mm; 0 while unknown"`
	Plastic   bool              `json:"plastic,omitempty" doc:"Grows so much that its screw holes are drilled over size"`
	Frame     Body              `json:"frame"`
	Exposure  exposure.Exposure `json:"exposure"`
	Cutter    Cutter            `json:"cutter" enum:"hand,shop,toughened,saw"`
	Gasket    Gasket            `json:"gasket"`
	Own       catalogue.Values  `json:"-"` // the shop's own bands
	Raked     bool              `json:"raked,omitempty" doc:"Cut to the skew of the opening"`
	OffCentre float64           `json:"off_centre" doc:"How far the pane may sit from the middle, mm"`
	Stock     *outline.Size     `json:"stock,omitempty" doc:"A stock size that is taken as it comes, mm"`
	Draws     int               `json:"draws,omitempty" minimum:"0" maximum:"1000000" doc:"Openings drawn for the odds"`
	Unit      length.Unit       `json:"unit" enum:"mm,in" doc:"The shop's unit; the order is rounded in it"`
}

// DefaultOffCentre is how far a pane that was centred by eye sits from the
// middle, in mm. Common practice, no source.
const DefaultOffCentre = 0.5

// Check refuses a problem that cannot be worked on, naming the field.
func (p Problem) Check() error {
	switch {
	case !slices.Contains(family.Sizings, p.Sizing):
		return fault.New("sizing", "no sizing rule of that name", "use the rule of a family")
	case !(p.Limits.Clearance.V >= 0 && p.Limits.Clearance.V <= 50):
		return fault.New("limits.clearance", "a clearance between 0 and 50 mm is expected", "give it for one side")
	case !(p.Limits.HotClearance.V >= 0 && p.Limits.HotClearance.V <= 50):
		return fault.New("limits.hot_clearance", "a clearance between 0 and 50 mm is expected", "give it for one side")
	case !(p.Limits.Bite.V >= 0 && p.Limits.Bite.V <= 100):
		return fault.New("limits.bite", "a bite between 0 and 100 mm is expected", "give it for one side")
	case !(p.Limits.GoesIn.V >= 0 && p.Limits.GoesIn.V <= 50):
		return fault.New("limits.goes_in", "a clearance between 0 and 50 mm is expected", "give it for one side")
	case !(p.Limits.Binds.V >= 0 && p.Limits.Binds.V <= 50):
		return fault.New("limits.binds", "a clearance between 0 and 50 mm is expected", "give it for one side")
	case !(p.Limits.Stays.V >= 0 && p.Limits.Stays.V <= 100):
		return fault.New("limits.stays", "a bite between 0 and 100 mm is expected", "give it for one side")
	case !(p.Thickness > 0 && p.Thickness <= 60):
		return fault.New("thickness", "a thickness up to 60 mm is expected", "give the nominal thickness in mm")
	case !(p.Pane.Alpha >= -1 && p.Pane.Alpha <= 300):
		return fault.New("pane.alpha", "a growth between −1 and 300 is expected", "give it in 1e-6 per kelvin")
	case !(p.Frame.Alpha >= -1 && p.Frame.Alpha <= 300):
		return fault.New("frame.alpha", "a growth between −1 and 300 is expected", "give it in 1e-6 per kelvin")
	case !(p.Gasket.Free >= 0 && p.Gasket.Free <= 40):
		return fault.New("gasket.free", "a free thickness between 0 and 40 mm is expected", "measure it unpressed")
	case !(p.OffCentre >= 0 && p.OffCentre <= 20):
		return fault.New("off_centre", "between 0 and 20 mm is expected", "say how far the pane may sit from the middle")
	}
	if p.Draws < 0 || p.Draws > 1_000_000 {
		return fault.New("draws", "up to a million draws are taken", "a few thousand are enough")
	}
	if err := p.Shape.Check(p.Sizing); err != nil {
		return err
	}
	if _, err := Cutters.With(p.Own, string(p.Cutter)); err != nil {
		return err
	}
	for place, r := range p.Readings {
		if err := place.Check(r); err != nil {
			return err
		}
	}
	return p.Exposure.Check()
}
