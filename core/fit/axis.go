package fit

import (
	"math"

	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/setting"
	"freshshard/core/working"
)

func widthAxis() axis {
	return axis{name: "width", letter: "W", places: []Place{WidthTop, WidthMiddle, WidthBottom}}
}

func heightAxis() axis {
	return axis{name: "height", letter: "H", places: []Place{HeightLeft, HeightMiddle, HeightRight}}
}

// take fills the axis from the readings; read stays 0 when there are none.
func (a *axis) take(readings map[Place]length.Reading) {
	least, most := math.Inf(1), math.Inf(-1)
	a.low, a.high = math.Inf(1), math.Inf(-1)
	for _, p := range a.places {
		r, ok := readings[p]
		if !ok {
			continue
		}
		a.read++
		if r.Value < least {
			least, a.least, a.doubt = r.Value, p, r.Doubt
		}
		most = math.Max(most, r.Value)
		a.low = math.Min(a.low, r.Value-r.Doubt)
		a.high = math.Max(a.high, r.Value+r.Doubt)
	}
	a.nominal, a.widest = least, most
	a.spread = most - least
}

// mean is the middle of the axis' readings, in mm.
func (a axis) mean() float64 { return (a.nominal + a.widest) / 2 }

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
	if p.rule().Rubber {
		return p.Readings[Web].Value
	}
	if p.Gasket.Kind != Wrapped {
		return 0
	}
	_, most := setting.Seated(p.Gasket.Free)
	return most
}

// seat is what seated measures, as an input of v mm.
func (p Problem) seat(v float64) working.Input {
	if p.rule().Rubber {
		return read("g", "web of the gasket, each side", v, p.Readings[Web].Doubt)
	}
	return working.In("g", "wrapped gasket when seated, each side", v, "mm", origin.Custom())
}

// webDoubt is how far the web may be thicker than it was read, mm.
func (p Problem) webDoubt() float64 {
	if p.rule().Rubber {
		return p.Readings[Web].Doubt
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
