package holding

import "freshshard/core/family"

// ring is an outer frame and an inner ring through a cutout in a wall; it comes as it is.
var ring = Rule{
	Sizing:  family.Ring,
	Between: "edge to edge of the cutout in the wall",
	Cover:   Cover{Name: "flange of the new frame", How: "its body to the outer edge of its flange"},
	Depth:   Depth{How: "thickness of the wall", Name: "wall"},
	Window: Window{Read: []string{"body_width", "body_height", "cutout_corner", "body_corner", "flange_width",
		"flange_height", "mark_width", "mark_height", "mark_shift", "wall_least", "wall_most", "ring_thickness", "screw_stop",
		"screw_length"},
		First: []string{"depth_top", "body_width", "body_height", "mark_width", "mark_height", "wall_least", "wall_most"}},
	Comes: true,
}
