package holding

import (
	"freshshard/core/family"
	"freshshard/core/strength"
)

// trackPlay is what a pane that slides needs beside it in its track, mm. Common practice,
// no source.
const trackPlay = 0.5

// track is a pane that is lifted into a deep pocket and dropped into a shallow one.
var track = Rule{
	Sizing:  family.Track,
	Across:  Lifted,
	Between: "stop to stop; for the height from the face of the lower track to the face of the upper one",
	Beside:  []string{"upper_pocket", "lower_pocket"},
	Depth: Depth{How: "width of the track across the pane", Name: "track", Front: Left, Need: trackPlay, Room: true,
		Says: "left beside the pane across its track, at the narrowest place: less and it binds"},
	Rigid:   true,
	Copied:  true,
	NoShape: [2]string{"a pane that is lifted and dropped is a rectangle", "leave the shape as it is"},
	Held:    strength.Two,
}
