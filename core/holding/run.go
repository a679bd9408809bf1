package holding

import (
	"freshshard/core/family"
	"freshshard/core/strength"
)

// run is a pane that slides in channels and is clamped to a carrier. It has nothing over it
// once it is on its way down.
var run = Rule{
	Sizing: family.Run,
	Between: "bottom of one run channel to bottom of the other; for the height from the carrier's seat to the " +
		"bottom of the top channel",
	Cover: Cover{Name: "run channel, depth", How: "lip of the channel to its bottom"},
	Depth: Depth{How: "inside of the channel across the glass", Name: "channel", Front: Left, Room: true,
		Says: acrossChannel},
	Rigid:  true,
	Stock:  true,
	Copied: true,
	Held:   strength.Three,
}
