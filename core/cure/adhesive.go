// Package cure tells when a bond, a bed or a bead may be let go, used and left to
// everything: from what it is, how wide it was pressed, and the air since. Hours are
// those that its sheet gives at 23 °C and 50 %; what the weather does to them is
// integrated. The safe time is never earlier than the sheet.
package cure

import (
	_ "embed"

	"freshshard/core/catalogue"
)

// Kind is how something hardens.
type Kind string

// The kinds.
const (
	Moisture Kind = "moisture" // by the air's water, from its open edges
	TwoPart  Kind = "two-part" // by itself once mixed
	Putty    Kind = "putty"    // by the air, for weeks
	Cement   Kind = "cement"   // dries, then a slow first fire
	Butyl    Kind = "butyl"    // holds at once
	Table    Kind = "table"    // by its sheet's own table of temperature and humidity
)

// Adhesive is one of the book's, as its sheet usually has it. Pairs are from the quickest
// to the slowest that sheets say.
type Adhesive struct {
	ID       string     `json:"id"`
	Name     string     `json:"name"`
	Touch    string     `json:"touch" doc:"What it is to the list of what gets on with what"`
	Kind     Kind       `json:"kind" enum:"moisture,two-part,putty,cement,butyl,table"`
	Least    float64    `json:"least" doc:"Coldest at which it is used, °C"`
	Most     float64    `json:"most" doc:"Hottest, °C"`
	Skin     [2]float64 `json:"skin" doc:"Until it skins: the pane is in place before the first, min"`
	Depth    [2]float64 `json:"depth" doc:"How deep it cures in the first 24 h at 23 °C and 50 %, the least first, mm"`
	Handling [2]float64 `json:"handling" doc:"Until it may be let go, h"`
	Ready    [2]float64 `json:"ready" doc:"Until it may be used, h"`
	Full     [2]float64 `json:"full" doc:"Until all of it is done, h"`

	Degrees    []float64   `json:"degrees,omitempty" doc:"Rows of its table, °C"`
	Humidities []float64   `json:"humidities,omitempty" doc:"Columns of its table, %"`
	Minutes    [][]float64 `json:"minutes,omitempty" doc:"Until it may be driven"`
}

// Opens is the clock for which the step after it waits: putty is handled on its skin and
// painted weeks later, everything else is ready first. Common practice, no source.
func (a Adhesive) Opens() Key {
	if a.Kind == Putty {
		return LetGo
	}
	return Ready
}

// Behind is the clock behind which a load of this name comes: what is handled on its skin is used
// gently on it too. Opens is that of the adhesive.
func Behind(load, opens Key) Key {
	if load == Ready {
		return opens
	}
	return load
}

// Sheet says where an adhesive's numbers come from.
const Sheet = "what data sheets of its kind usually say, from memory; the tube's own sheet comes first"

//go:embed adhesives.json
var file []byte

// Book lists the adhesives.
var Book = catalogue.New(file, "adhesives.json", "adhesive", "adhesive", func(a Adhesive) string { return a.ID })
