package holding

import "freshshard/core/family"

// hinge is a pane whose hinges or carrier are bonded to its edge.
var hinge = Rule{
	Sizing:  family.Hinge,
	Between: "edge to edge of the opening that it closes",
	Cover:   Cover{Name: "plate on the glass", How: "edge of the pane to the inner end of the hinge's plate"},
	Depth:   Depth{How: "face of the body down to the seal"},
	Plate:   true,
	Stock:   true,
	Copied:  true,
}
