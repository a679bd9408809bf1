package jobview

import (
	"math"

	"freshshard/core/reading"
	"freshshard/core/setting"
)

// How wide a bead of 8 × 12 mm is pressed, and one that only keeps a light from moving,
// mm. Common practice, no source.
const (
	LayWidth  = 12.0
	ThinWidth = 6.0
)

// Pressed is how wide the bead of a pane is pressed, mm: no wider than its flange allows.
func (b Pane) Pressed() float64 {
	width := LayWidth
	if b.Pane.Family == "glued-beads" || b.Pane.Family == "ring-port" {
		width = ThinWidth
	}
	if land, ok := b.Land(); ok && land > setting.BeadClear {
		width = math.Min(width, land-setting.BeadClear)
	}
	return width
}

// Land is how far the pane lies on its flange, mm.
func (b Pane) Land() (float64, bool) {
	for _, r := range b.Pane.Readings {
		if r.Place == reading.Ledge {
			return r.Reading.Value - math.Max(b.Reckoning.Fit.Gap.W, b.Reckoning.Fit.Gap.H), true
		}
	}
	return 0, false
}
