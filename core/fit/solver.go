package fit

import (
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/value"
)

// axis is one direction across the opening, width or height.
type axis struct {
	reading.Across
	name   string
	letter string
	skew   float64 // taken off for an opening that leans
	lifted *lift   // the height of a pane that is lifted and dropped
}

// lift is the height of a pane that is lifted into a deep pocket and dropped
// into a shallow one. All mm.
//
//	to go in: L ≤ F + u − c
//	to stay:  the foot rests at l below the lower face, the head stands
//	          L − F − l above the upper one; both at least e
type lift struct {
	s          solver
	least      reading.Place
	f, fHigh   float64 // between the faces, least and greatest, as read
	u, l       length.Reading
	doubt      float64 // of the readings between the faces
	engage     float64 // e
	nominal    float64 // middle of the band
	low, high  float64 // the band of lengths that work, as read
	sureLow    float64 // at the worst
	sureHigh   float64
	mustLow    float64 // 19 times in 20
	mustHigh   float64
	limitFrom  value.Origin
	lowGrowth  float64
	highGrowth float64
	longest    bool // a tube is cut as long as goes in
}

// note says how the ordered size came about.
type note struct {
	largest  float64 // that still has its clearance at the worst
	smallest float64 // that still has its bite and its rest; −Inf while they are unknown
	fits     bool    // there is a size that has both
	must     *note   // where there is none: the same for what a pane must have, 19 times in 20
}

// spread is a value with the half-width of its doubt, mm: every value within is
// as likely as any other.
type spread struct{ value, half float64 }

// kept remembers what was worked out of an axis: the numbers when set, hot and in
// the coldest hang on the same doubts. A nil one keeps nothing.
type kept map[keptOf]float64

type keptOf struct {
	axis  string
	over  spread
	share float64
}

// solver carries what the sums share.
type solver struct {
	p       Problem
	band    Band
	skew    outline.Skew
	leaning bool
	shaped  *opening
	kept    kept
}

// opening is the shape as it was read: its outline, how far a side may be off,
// and where each measure lies on it. ok is false while a measure is missing.
type opening struct {
	outline outline.Outline
	doubt   float64
	lines   map[string]outline.Line
	kind    outline.Kind
	values  outline.Values
	doubts  outline.Values
}
