package fit

import (
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/value"
)

// bears is the ledge that a pane lies on under its brackets, and the least that
// its edge must lie on it: half the bite that is asked of the brackets. It
// bears, it need not hold. Common practice, no source. ok is false where no
// brackets were read: there the ledge is the bite.
func (s solver) bears() (ledge length.Reading, least Value, ok bool) {
	_, bracket := s.p.Readings[reading.Reach]
	ledge, ok = s.p.Readings[reading.Ledge]
	least = Value{V: s.p.Limits.Stays.V / 2, Origin: value.Custom()}
	return ledge, least, ok && bracket && s.p.Rule().Brackets
}

// worse is the direction in which a number has less left, with the pane's size
// along it.
func (s solver) worse(w, h axis, r Result, of func(axis, float64) float64) (axis, float64) {
	if h.lifted == nil && of(h, r.Order.H) < of(w, r.Order.W)-1e-9 {
		return h, r.Order.H
	}
	return w, r.Order.W
}

// nominal is the family's rule: least tight size − 2 × (clearance + wrapped
// gasket) − skew, in mm.
func (s solver) nominal(a axis) float64 {
	if a.lifted != nil {
		return a.lifted.nominal
	}
	c, _, _ := s.p.allowance(a.Nominal)
	return a.Nominal - 2*(c+s.p.seated()) - a.skew
}

// gap is the clearance on one side of a pane of the given size, at the least
// reading, with the pane in the middle, in mm.
func (s solver) gap(a axis, pane float64) float64 {
	return (a.Nominal-a.skew-pane)/2 - s.p.seated()
}

// reach is what covers the pane's edge, from the wall of the opening: the
// bracket under clips, web and groove of a locking gasket, else the ledge.
func (s solver) reach() (length.Reading, bool) {
	if s.p.Rule().Rubber {
		web, ok := s.p.Readings[reading.Web]
		groove, has := s.p.Readings[reading.Ledge]
		return length.Reading{Value: web.Value + groove.Value, Doubt: web.Doubt + groove.Doubt}, ok && has
	}
	if r, ok := s.p.Readings[reading.Reach]; ok {
		return r, true
	}
	r, ok := s.p.Readings[reading.Ledge]
	return r, ok
}
