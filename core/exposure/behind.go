package exposure

import "math"

// Behind is what a pane sees that stands in a pack where its hot side gets to
// steady °C, less than the heat that the pack is held against: the peak and the
// sudden change come through in the same share, and no edge is hotter than its
// pane.
func (e Exposure) Behind(steady float64) Exposure {
	if e.Steady <= e.Room {
		return e
	}
	share := (steady - e.Room) / (e.Steady - e.Room)
	e.Short = math.Max(steady, e.Room+(e.Short-e.Room)*share)
	e.Sudden *= math.Max(0, math.Min(1, share))
	e.Steady = steady
	e.FrameHot = math.Min(e.FrameHot, steady)
	return e
}
