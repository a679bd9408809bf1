package holding

import "freshshard/core/family"

// frontNeeds is what a bead or putty needs in front of the pane, mm. Common practice, no
// source.
const frontNeeds = 6.0

// rebate is a pane in a plain rebate behind putty or a bead.
var rebate = Rule{
	Sizing:  family.Rebate,
	Between: rebateSide,
	Cover:   Cover{Name: "ledge of the rebate", How: rebateHow, Bite: rebateBite},
	Depth: Depth{How: toLedge, Front: Left, Need: frontNeeds, Warns: true, Room: true,
		Says: "left in front of the pane for bead or putty"},
	Behind: Bed,
	Warps:  true,
	Rigid:  true,
	Blocks: true,
	Points: true,
	Stock:  true,
	Copied: true,
}
