package holding

import "freshshard/core/family"

// pack is several panes in one folded frame.
var pack = Rule{
	Sizing:  family.Pack,
	Between: "inside the folded frame, leg to leg",
	Cover:   Cover{Name: "lip of the frame", How: "inside of the frame to the edge of its lip"},
	Depth:   Depth{How: "room for all panes and spacers, lip to lip", Name: "stack", Front: Stacked},
	Rigid:   true,
	Stock:   true,
	Copied:  true,
}
