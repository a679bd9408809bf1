package holding

import "freshshard/core/family"

// rebateSide is how a pane in a rebate is read, and what covers its edge there.
const (
	rebateSide = "side to side of the rebate"
	rebateHow  = "side of the rebate to the edge of the daylight, at the narrowest place"
	rebateBite = "of bite on the ledge"
	toLedge    = "face of the frame down to the ledge"
)

// clip is a pane on a gasket under brackets.
var clip = Rule{
	Sizing:  family.Clip,
	Between: rebateSide,
	Cover:   Cover{Name: "ledge of the rebate", How: rebateHow, Bite: rebateBite},
	Covers:  []string{"bracket_reach"},
	Depth: Depth{How: toLedge, Front: Left, Warns: true, Room: true,
		Says: "left between the pane and the face of the frame, at the shallowest place"},
	Behind:   Gasket,
	Warps:    true,
	Rigid:    true,
	Brackets: true,
	Stock:    true,
	Copied:   true,
}
