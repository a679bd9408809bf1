package reckon

import (
	"math"

	"freshshard/core/diagnose"
	"freshshard/core/fit"
	"freshshard/core/outline"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/usual"
)

// need is what is asked of the pane; told is what is known of the break.
func (r Sized) need(told Told) pane.Need {
	k := r.k
	n := pane.Need{Exposure: k.Exposure, Strike: k.Strike, Area: r.area(), Thickness: r.Thickness, Read: r.Read,
		Depth: r.depth, Like: told.like, Own: k.Own, Beware: diagnose.Beware(told.Chain), Load: r.load(), Weights: k.Weights,
		Duty: k.Duty, Stack: k.Stack, Room: k.Exposure.Room, Vehicle: k.Vehicle, Moves: k.Moves, Usual: r.Family.Material,
		Boat: k.Water, Maker: r.Family.Maker, Tube: r.way().Tube(), Bent: k.Shape.Curved,
		Other: r.Road.ID == "other"}
	if n.Tube {
		n.Outside = k.Readings[reading.TubeOutside].Value
	}
	if o := r.Fit.Opening; o != nil && len(r.Fit.Pane) > 0 {
		n.Outline = &outline.Outline{Outer: r.Fit.Pane, Holes: o.Holes}
	}
	return n
}

// load is what bends the pane.
func (r Sized) load() pane.Load {
	k := r.k
	if r.way().Tube() || !r.Fit.Ready {
		return pane.Load{}
	}
	l := pane.Load{W: r.Fit.Order.W, H: r.Fit.Order.H, Warp: k.Readings[reading.SeatWarp].Value, Held: r.way().Held,
		Push: k.Duty.Push, Even: k.Duty.Standing(), Lying: k.Duty.Lying}
	if r.Fit.Form == "circle" {
		l.Held = pane.Round
	}
	if r.Fit.Bite > 0 {
		l.Spare = math.Max(0, r.Fit.Bite-fit.LimitsOf(r.Family, k.Exposure.Outdoors).Stays.V)
	}
	if l.Wind = k.Duty.Gust; l.Wind == 0 && k.Exposure.Outdoors {
		l.Wind = usual.Of(k.Own, usual.Gust) // local wind rules come first
	}
	return l
}
