package drawing

import (
	"math"

	"freshshard/core/holding"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/setting"
)

// beadPressed is how wide a bead is drawn when it is pressed, mm: 8 × 12 mm, pressed to
// 4 to 6. Common practice, no source.
const beadPressed = 12.0

// bead draws the line along which a bead is laid round a bonded pane, with where it
// begins; nothing where the land is not read, or too narrow for it.
func (s Scene) bead(d *Drawing, pane outline.Path) {
	ledge, ok := s.Problem.Readings[reading.Ledge]
	if s.rule().Behind != holding.Bead || !ok {
		return
	}
	land := ledge.Value - math.Max(s.Result.Gap.W, s.Result.Gap.H)
	path, err := setting.BeadPath(pane, land, math.Min(beadPressed, land-setting.BeadClear))
	if err != nil {
		return
	}
	d.path("bead-path", LayerGasket, "the bead's path, in the middle of the land", path)
	at := setting.BeadStart(path)
	d.add(Item{ID: "bead-start", Kind: Circle, Layer: LayerGasket, Radius: math.Max(3, 0.008*pane.Box().Width()),
		Points: []outline.Point{at}, Label: "the bead begins and is closed here"})
}
