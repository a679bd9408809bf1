package holding

import (
	"freshshard/core/family"
	"freshshard/core/strength"
)

// port is a round pane that is bedded in a body under a ring.
var port = Rule{
	Sizing:  family.Port,
	Across:  Diameter,
	Between: "wall to wall of the seat",
	Instead: []string{"diameter_0", "diameter_45", "diameter_90", "diameter_135"},
	Cover: Cover{Name: "seat of the body",
		How: "wall of the seat to the edge of the daylight, the narrowest place"},
	Depth: Depth{How: "face of the seat up to the ring", Front: Left, Room: true,
		Says: "left between the pane and the ring, for the second bead"},
	Behind:  Bed,
	Warps:   true,
	Form:    "round",
	NoShape: [2]string{"a port is round and is read at four angles", "leave the shape as it is"},
	Held:    strength.Round,
}
