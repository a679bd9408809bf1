package holding

import "freshshard/core/family"

// bonded is a pane on a bead of adhesive on a flange.
var bonded = Rule{
	Sizing:  family.Bonded,
	Between: "body edge to body edge, over the flange",
	Cover:   Cover{Name: "land of the flange", How: "body edge to the inner edge of the flange, the narrowest place"},
	Depth:   Depth{How: "body's face down to the flange", Front: Flush},
	Behind:  Bead,
	Warps:   true,
	Blocks:  true,
	Stock:   true,
	Copied:  true,
}
