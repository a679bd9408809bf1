package jobview

import (
	"math"

	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/usual"
)

// Pressed is how wide the bead of a pane is pressed, mm: no wider than its flange allows.
func (b Pane) Pressed() float64 {
	width := usual.Of(b.own, usual.BeadPressed)
	if b.Pane.Family == "glued-beads" || b.Pane.Family == "ring-port" {
		width = usual.Of(b.own, usual.ThinPressed)
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
