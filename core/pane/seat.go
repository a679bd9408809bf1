package pane

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/strength"
	"freshshard/core/value"
	"freshshard/core/working"
)

// SeatStress is what the warped seat does to a pane of a thickness that is
// pressed onto it, MPa; 0 when the seat is flat or not read.
func (m Material) SeatStress(l Load, t float64) float64 {
	if l.Warp == 0 || l.W == 0 || l.H == 0 {
		return 0
	}
	v, err := l.Held.Seat(m.sheet(t), l.W, l.H, l.Warp)
	if err != nil { // nobody knows what the seat asks: no pane takes it
		return math.MaxFloat32
	}
	return v
}

// warpGate closes when the seat alone would take more than the pane may carry
// for good.
func (m bending) warpGate(n Need) *Closed {
	t := ranking(m).thickness(n)
	v := m.SeatStress(n.Load, t)
	if v == 0 {
		return nil
	}
	may, from := m.allowable(strength.Permanent)
	return closed("warp",
		fmt.Sprintf("the seat is %s mm out of flat; %s mm would take %s MPa there for good and holds %s; up to %s mm out "+
			"of flat it would do", length.Metric(n.Load.Warp), working.Num(t, 1), working.Num(v, 1), working.Num(may, 1),
			working.Num(math.Floor(n.Load.Warp*may/v*100)/100, 2)),
		"MPa", working.In("σ", "stress on the warped seat", v, "MPa", value.Sum()), working.Most(may, "MPa", from))
}
