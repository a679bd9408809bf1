package fit

import (
	"math"

	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/value"
	"freshshard/core/working"
)

func widthAxis() axis {
	return axis{Across: reading.Widths(), name: "width", letter: "W"}
}

func heightAxis() axis {
	return axis{Across: reading.Heights(), name: "height", letter: "H"}
}

// growth is how much the gap on one side widens between the cutting
// temperature and the given ones: (α_frame·ΔT_frame − α_pane·ΔT_pane)·L/2.
// Negative when the pane grows into its gap.
func (p Problem) growth(l, paneC, frameC float64) float64 {
	return (p.Frame.Alpha*(frameC-p.Exposure.Room) - p.Pane.Alpha*(paneC-p.Exposure.Room)) * 1e-6 * l / 2
}

// seated is what stands between the opening's wall and the pane on each side
// beside the clearance, in mm: a wrapped gasket at its thickest, or the web of
// a locking gasket.
func (p Problem) seated() float64 {
	if p.Rule().Rubber {
		return p.Readings[reading.Web].Value
	}
	if p.Gasket.Kind != Wrapped {
		return 0
	}
	_, most := setting.Seated(p.Gasket.Free)
	return most
}

// seat is what seated measures, as an input of v mm.
func (p Problem) seat(v float64) working.Input {
	if p.Rule().Rubber {
		return read("g", "web of the gasket, each side", v, p.Readings[reading.Web].Doubt)
	}
	return working.In("g", "wrapped gasket when seated, each side", v, "mm", value.Custom())
}

// webDoubt is how far the web may be thicker than it was read, mm.
func (p Problem) webDoubt() float64 {
	if p.Rule().Rubber {
		return p.Readings[reading.Web].Doubt
	}
	return 0
}

// allowance is the clearance to take off on one side: the family's, or more
// where the pane grows into its gap.
func (p Problem) allowance(l float64) (c, hot, cold float64) {
	hot = p.growth(l, p.Exposure.Steady, p.Exposure.FrameHot)
	cold = p.growth(l, p.Exposure.Coldest, p.Exposure.Coldest)
	c = math.Max(p.Limits.Clearance.V, p.Limits.HotClearance.V-math.Min(hot, cold))
	return c, hot, cold
}
