package reckon

import (
	"freshshard/core/bond"
	"freshshard/core/catalogue"
	"freshshard/core/diagnose"
	"freshshard/core/exposure"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/core/setting"
	"freshshard/core/striplog"
	"freshshard/core/witness"
	"freshshard/core/work"
)

// Known is all that is known of a pane. What is empty is filled from the
// family: its usual material, frame and limits.
type Known struct {
	Object
	Holding
	Seen
	Settled
	Own   catalogue.Values `json:"-"` // the shop's own values, laid over the book's
	Draws int              `json:"draws,omitempty" doc:"Openings drawn for the odds; 0 for none"`
	Unit  length.Unit      `json:"unit" enum:"mm,in"`
	Marks length.Unit      `json:"-"` // whose marks the size is ordered to, where that is not Unit
}

// Object is what holds the pane and what it sees.
type Object struct {
	Exposure exposure.Exposure `json:"exposure"`
	Power    bool              `json:"power,omitempty"`
	Gas      bool              `json:"gas,omitempty"`
	Vehicle  bool              `json:"vehicle,omitempty"`
	Moves    pane.Moves        `json:"moves,omitempty" enum:",road,trailer,machine"`
	Water    bool              `json:"water,omitempty"`
	Old      bool              `json:"old,omitempty"`
	Strike   bool              `json:"strike,omitempty"`
	Leaf     bool              `json:"leaf,omitempty" doc:"Its door or leaf comes off its hinges"`
	Stacked  bool              `json:"stacked,omitempty" doc:"Panes held this way lie behind one another"`
	Duty     pane.Duty         `json:"duty" doc:"What it has to carry and to be used for"`
	Uses     []string          `json:"uses,omitempty" doc:"Cleaners, lubricants, adhesives that touch it"`
	Stamp    string            `json:"stamp,omitempty"`
	Log      striplog.Log      `json:"-"` // what came off it, as far as it is this pane's
	// BoughtFirst is that what goes in is bought before it is opened.
	BoughtFirst bool `json:"-"`
}

// Work is the object as the work at it follows from it.
func (o Object) Work() work.Object {
	return work.Object{Exposure: o.Exposure, Power: o.Power, Gas: o.Gas, Vehicle: o.Vehicle, Water: o.Water, Leaf: o.Leaf,
		Moves: o.Moves, Stacked: o.Stacked, Log: o.Log, BoughtFirst: o.BoughtFirst}
}

// Holding is how the pane is held.
type Holding struct {
	Family string          `json:"family"`
	Frame  string          `json:"frame,omitempty"`
	Gasket fit.Gasket      `json:"gasket"`
	Sides  setting.Sides   `json:"sides" doc:"Brackets on each side"`
	Shape  reading.Shape   `json:"shape"`
	Raked  bool            `json:"raked,omitempty"`
	Screw  string          `json:"screw,omitempty" doc:"Thread of what holds it, by the strip log"`
	Turned setting.Counted `json:"turned,omitempty" doc:"Eighths of a turn of each screw since touch"`
	Stack  pane.Stack      `json:"stack" doc:"The pack that it stands in"`
}

// Seen is what was read, seen and heard of pane and opening.
type Seen struct {
	Readings map[reading.Place]length.Reading `json:"readings"`
	Like     string                           `json:"like,omitempty" doc:"Material of the old pane, as far as known"`
	Evidence diagnose.Evidence                `json:"evidence,omitempty" doc:"What was seen of the break"`
	OldPane  diagnose.Evidence                `json:"old_pane,omitempty" doc:"What was seen of the old pane"`
	Peel     bond.Peel                        `json:"peel,omitzero" doc:"What the faces of a bond that let go showed"`
	Heard    []witness.Said                   `json:"heard,omitempty" doc:"What else speaks for the size"`
}

// Settled is what somebody settled.
type Settled struct {
	Road      road.Chosen        `json:"road" doc:"What is to be done"`
	Material  string             `json:"material,omitempty" doc:"Settled material; empty while open"`
	Thickness float64            `json:"thickness,omitempty" doc:"Settled thickness, mm; 0 while open"`
	Cutter    fit.Cutter         `json:"cutter,omitempty" doc:"Who cuts it; empty takes the usual"`
	Stock     string             `json:"stock,omitempty" doc:"A stock size that is taken, as listed"`
	Cause     string             `json:"cause,omitempty" doc:"Cause that somebody settled on"`
	Behind    []string           `json:"behind,omitempty" doc:"What stood behind it, nearest first"`
	Weights   map[string]float64 `json:"weights,omitempty"`
}
