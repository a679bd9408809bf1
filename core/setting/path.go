package setting

import (
	"math"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// BeadClear is how far a bead stays from the pane's edge and from seals, mm. Common
// practice, no source.
const BeadClear = 3.0

// BeadPath is the line along which a bead is laid: round the pane, in the middle of the
// land that carries it, its pressed edge at least 3 mm inside the pane's own. pane is the
// outline as it is cut, land how far it lies on its flange, width the bead as it is
// pressed, all mm. It returns a *fault.Error on land where the bead does not fit.
func BeadPath(pane outline.Path, land, width float64) (outline.Path, error) {
	inset := math.Max(land/2, BeadClear+width/2)
	if inset+width/2 > land+1e-9 {
		return nil, fault.New("land", "the land is too narrow for this bead with 3 mm to the edge",
			"lay it narrower, or widen the land")
	}
	return pane.Offset(inset)
}

// BeadStart is where the bead is begun and closed: the middle of its lowest side, where
// no water runs over the joint and no corner pulls at it. Common practice, no source.
func BeadStart(path outline.Path) outline.Point {
	b := path.Box()
	best, at := math.Inf(1), outline.Point{}
	for i := range path {
		a, c, arc := path.Side(i)
		m := outline.Point{X: (a.X + c.X) / 2, Y: (a.Y + c.Y) / 2}
		if arc != nil {
			m = outline.Point{X: arc.Centre.X, Y: arc.Centre.Y - arc.Radius}
		}
		if d := (m.Y - b.Min.Y) + math.Abs(m.X-(b.Min.X+b.Max.X)/2)/1000; d < best-1e-9 {
			best, at = d, m
		}
	}
	return at
}
