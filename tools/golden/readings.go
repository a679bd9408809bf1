package golden

// Readings are one for every place that a way of holding may ask, by the
// place's name, in millimetres unless it says otherwise.
var Readings = map[string]string{
	"width_top": "420", "width_middle": "421", "width_bottom": "422", "height_left": "310", "height_middle": "310.5",
	"height_right":    "311",
	"diagonal_rising": "522", "diagonal_falling": "524", "ledge": "24", "bracket_reach": "22", "web": "5",
	"diameter_0": "300", "diameter_45": "302", "diameter_90": "301", "diameter_135": "300.5",
	"between_faces": "250", "stop_depth": "18", "tube_outside": "12.7", "tube_wall": "2.4", "upper_pocket": "26",
	"lower_pocket": "9", "joined_gasket": "1400",
	"depth_top": "16", "depth_right": "17", "depth_bottom": "15", "depth_left": "18", "seat_warp": "0.4",
	"body_width": "415", "body_height": "305", "body_corner": "40", "cutout_corner": "42", "flange_width": "450",
	"flange_height": "340",
	"mark_width":    "440", "mark_height": "330", "mark_shift": "2", "wall_least": "26", "wall_most": "30",
	"ring_thickness": "4",
	"screw_stop":     "2", "screw_length": "30", "old_width": "412", "old_height": "303", "old_thickness": "4.02",
}
