package exposure

import (
	"math"

	"freshshard/core/value"
)

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
	e.sources.steady, e.sources.short, e.sources.sudden = value.Sum(), value.Sum(), value.Sum()
	if e.FrameHot > steady {
		e.FrameHot, e.sources.frameHot = steady, value.Sum()
	}
	return e
}

// Stands is where a pane stands in a door or a wall that heat goes through.
type Stands string

// The places. Nothing said is towards the heat, which is the hottest.
const (
	Inner  Stands = "inner"
	Middle Stands = "middle"
	Outer  Stands = "outer"
)

// shareAt is the share of the heat over the room that gets to a pane by its
// place, until its pack is noted, which has a sum of its own. Common practice, no
// source.
var shareAt = map[Stands]float64{Middle: 0.7, Outer: 0.4}

// At is what a pane sees at its place.
func (e Exposure) At(p Stands) Exposure {
	share, ok := shareAt[p]
	if !ok || e.Steady <= e.Room {
		return e
	}
	return e.Behind(e.Room + share*(e.Steady-e.Room))
}
