package fit

import (
	"freshshard/core/odds"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// Lift is how a pane goes in that is put up first and let down then, as
// ordered and as read. All mm.
type Lift struct {
	Between float64 `json:"between" doc:"Between the faces, the least"`
	Upper   float64 `json:"upper" doc:"Depth of the upper pocket"`
	Lower   float64 `json:"lower" doc:"Depth of the lower pocket"`
	Length  float64 `json:"length" doc:"Of the pane"`
	Clear   float64 `json:"clear" doc:"Between its foot and the lower face when it is all the way up"`
	Head    float64 `json:"head" doc:"Stands in the upper pocket when it is let down"`
	Foot    float64 `json:"foot" doc:"Stands in the lower pocket when it is let down"`
}

// Stop is one place on the way from the coldest to the hottest: what clearance
// and bite are there, as expected from the readings, with the pane in the
// middle. All mm and °C.
type Stop struct {
	Pane    float64 `json:"pane" doc:"Temperature of the pane, °C"`
	Frame   float64 `json:"frame" doc:"Temperature of the frame, °C"`
	Gap     float64 `json:"gap" doc:"Edge clearance each side, mm"`
	Shift   float64 `json:"shift" doc:"How far the pane's edge stands from where it was set, mm"`
	Bite    float64 `json:"bite" doc:"mm; 0 while unknown"`
	GapLow  bool    `json:"gap_low" doc:"The clearance is below its limit"`
	BiteLow bool    `json:"bite_low" doc:"The bite is below its limit"`
}

// Result is the answer. Ready is false while a width or a height is missing;
// then Nominal and Order are nothing. Figures hold the numbers with limits and
// workings, problems first.
type Result struct {
	Ready   bool                    `json:"ready"`
	Nominal outline.Size            `json:"nominal" doc:"By the family's rule, mm"`
	Order   outline.Size            `json:"order" doc:"To order or cut, mm"`
	Band    Band                    `json:"band" doc:"The tolerance that the cutter keeps"`
	Gap     outline.Size            `json:"gap" doc:"Edge clearance each side, at the least readings, outside a wrap, mm"`
	Wrap    float64                 `json:"wrap" doc:"A wrapped gasket's thickness when seated, each side, mm"`
	HotGap  outline.Size            `json:"hot_gap" doc:"The same with everything hot, mm"`
	Bite    float64                 `json:"bite" doc:"Bite as ordered, mm; 0 while unknown"`
	HotBite float64                 `json:"hot_bite" doc:"Bite with everything hot, mm"`
	Corners []outline.Point         `json:"corners" doc:"The opening, from lower left, anticlockwise, mm; none of a shape"`
	Opening *outline.Outline        `json:"opening,omitempty" doc:"The opening of a shape as read"`
	Holes   []outline.Path          `json:"holes,omitempty" doc:"Holes that carry it, from its lower left corner, mm"`
	Pane    outline.Path            `json:"pane,omitempty" doc:"The pane of a shape as ordered, in the opening's place"`
	Form    string                  `json:"form" doc:"What the pane is in words: rectangle, round, tube"`
	Makes   []outline.Dimension     `json:"makes" doc:"The measures that make the pane as ordered"`
	Lines   map[string]outline.Line `json:"lines" doc:"Where each measure of a shape lies on it"`
	Chance  *odds.Chance            `json:"chance,omitempty" doc:"The odds of the ordered size, where they were asked"`
	Slide   []Stop                  `json:"slide,omitempty" doc:"From coldest to hottest, where the odds were asked"`
	Lift    *Lift                   `json:"lift,omitempty" doc:"Of a pane that is put up and let down"`
	Broken  []outline.Broken        `json:"broken" doc:"Rules for holes in toughened glass that it would break, and where"`
	Figures []working.Figure        `json:"figures"`
	Missing []reading.Missing       `json:"missing"`
	Odd     []reading.Odd           `json:"odd"`
	Read    int                     `json:"read" doc:"Readings taken"`
	Asked   int                     `json:"asked" doc:"Places of the walk"`
}
