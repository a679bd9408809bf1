package holding

import "freshshard/core/family"

// panel is a flat pane under screws or a gasket frame.
var panel = Rule{
	Sizing:  family.Panel,
	Between: "edge to edge of the recess",
	Cover:   Cover{Name: "cover of frame or washers", How: "edge of the recess to the edge of the daylight"},
	Depth:   Depth{How: "face of the frame down to the seat", Front: Flush},
	Warps:   true,
	Rigid:   true,
	Drilled: true,
	Stock:   true,
	Copied:  true,
}
