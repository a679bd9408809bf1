package holding

import "freshshard/core/family"

// tube is a tube between two sockets. Its outside and its wall are the old one's.
var tube = Rule{
	Sizing:  family.Tube,
	Across:  Length,
	Instead: []string{"between_faces", "stop_depth", "stop_upper", "tube_outside", "tube_wall"},
	Old:     [2]string{"old tube, length", "end to end"},
	Form:    "tube",
	NoShape: [2]string{"a tube has no other shape", "leave the shape as it is"},
}
