package holding

import "freshshard/core/family"

// groove is a pane in the groove of a rubber gasket on a flange.
var groove = Rule{
	Sizing:  family.Groove,
	Between: "flange edge to flange edge",
	Cover:   Cover{Name: "glass groove, depth", How: "lip of the gasket down to the bottom of its glass groove"},
	Covers:  []string{"web", "joined_gasket"},
	Depth:   Depth{How: "thickness of the flange", Name: "flange"},
	Rubber:  true,
	Stock:   true,
	Copied:  true,
}
