// Package length reads and writes lengths as people in a glass shop say them:
// "268", "26.8cm", "11 1/2", "4ft 2-3/8in", "23 7/8-" for a light reading.
// Inside the program a length is a float64 in millimetres; a Reading adds the
// doubt, a half-width in millimetres.
package length

import "fmt"

// Millimetres in the other units. The inch is exactly 25.4 mm (international
// yard and pound agreement of 1959; from memory).
const (
	Inch = 25.4
	Foot = 12 * Inch
)

// Unit is what a bare number means.
type Unit string

// The units that a person may name. Only MM and IN can be a shop's unit.
const (
	MM Unit = "mm"
	CM Unit = "cm"
	M  Unit = "m"
	IN Unit = "in"
	FT Unit = "ft"
)

// inMM is the size of a unit in millimetres.
func (u Unit) inMM() float64 {
	switch u {
	case CM:
		return 10
	case M:
		return 1000
	case IN:
		return Inch
	case FT:
		return Foot
	default:
		return 1
	}
}

// imperial says whether the unit belongs to the inch family.
func (u Unit) imperial() bool { return u == IN || u == FT }

// Lean is what a person adds when the mark is not quite met.
type Lean string

// A light reading is a little under what was said, a heavy one a little over.
const (
	Even  Lean = ""
	Light Lean = "light"
	Heavy Lean = "heavy"
)

// Reading is a length with its doubt. The true value lies within Value ± Doubt.
type Reading struct {
	Value    float64 `json:"value" doc:"Millimetres"`
	Doubt    float64 `json:"doubt" minimum:"0" doc:"Half-width, millimetres"`
	Lean     Lean    `json:"lean,omitempty" enum:"light,heavy"`
	Imperial bool    `json:"imperial" doc:"Said in inches or feet"`
	Text     string  `json:"text" doc:"As it was typed"`
}

// Error is a length that cannot be read. At counts characters from 0.
type Error struct {
	Text string `json:"text"`
	At   int    `json:"at"`
	Why  string `json:"why"`
	Cure string `json:"cure"`
}

// Error names the place and the cure.
func (e *Error) Error() string {
	return fmt.Sprintf("%q, at character %d: %s; %s", e.Text, e.At+1, e.Why, e.Cure)
}

// Most is the longest length that is taken, in millimetres. Longer than any
// pane that a shop of ten handles; it catches a slipped unit.
const Most = 100_000

// Instrument is what a reading was taken with.
type Instrument string

// The instruments that a shop has.
const (
	Tape    Instrument = "tape"
	Rule    Instrument = "rule"
	Caliper Instrument = "caliper"
	Laser   Instrument = "laser"
	Feeler  Instrument = "feeler gauge"
	Traced  Instrument = "traced line"
)

// Instruments lists them in the order that a screen offers them.
func Instruments() []Instrument { return []Instrument{Tape, Rule, Caliper, Laser, Feeler, Traced} }

// Doubt is the half-width that a reading has when nobody says better, in mm.
// Tape 1 mm (1/32 in when read in inches), steel rule 0.5, caliper 0.05, laser
// 1.5, feeler gauge half a leaf of 0.05, traced line 1. Common practice, no source.
func (i Instrument) Doubt(imperial bool) float64 {
	switch i {
	case Rule:
		return 0.5
	case Caliper:
		return 0.05
	case Laser:
		return 1.5
	case Feeler:
		return 0.025
	case Traced:
		return 1
	default:
		if imperial {
			return Inch / 32
		}
		return 1
	}
}

// Known says whether the instrument is one of the list.
func (i Instrument) Known() bool {
	for _, k := range Instruments() {
		if i == k {
			return true
		}
	}
	return false
}
