package holding

import (
	"freshshard/core/family"
	"freshshard/core/strength"
)

// acrossChannel is what is left beside a pane that slides or stands in a channel.
const acrossChannel = "left beside the pane across its channel, at the narrowest place"

// channel is a pane with its top edge in a channel and its bottom under a bar.
var channel = Rule{
	Sizing: family.Channel,
	Between: "stop to stop; for the height from the end of the channel or the lugs to the stop at the bar or " +
		"the cap",
	Cover:  Cover{Name: "cover above and below", How: "stop to the lip of channel, bar, lug or cap, the shorter"},
	Depth:  Depth{How: "lip of the channel to its back", Front: Left, Room: true, Says: acrossChannel},
	Warps:  true,
	Rigid:  true,
	Stock:  true,
	Copied: true,
	Held:   strength.Two,
}
