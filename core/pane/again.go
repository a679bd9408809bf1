package pane

import (
	"fmt"

	"freshshard/core/strength"
	"freshshard/core/working"
)

// seatShare is the share of what it holds up to which a pane may be strained by
// its seat before the seat would break it again. Judgement, no source.
const seatShare = 0.5

// suddenSpare is how many times the sudden change that the place brings a
// material has to stand, when what the old pane was is not known. Judgement,
// no source.
const suddenSpare = 1.5

// again is the sentence that flags a choice which would meet the old cause
// again; empty when it would not. Common practice, no source.
func (m repeating) again(n Need, t float64) string {
	for _, by := range n.Beware {
		if said := m.againBy(by, n, t); said != "" {
			return said
		}
	}
	return ""
}

// againBy is the sentence for one cause.
func (m repeating) againBy(cause string, n Need, t float64) string {
	old, err := Book.With(n.Own, n.Like)
	known := err == nil
	switch cause {
	case "blow":
		if s := m.Scores["impact"]; known && s.Points <= old.Scores["impact"].Points || s.Points < 5 {
			return "a blow broke the old one; this one: " + s.Reason
		}
	case "sudden":
		if m.Sudden == nil {
			return ""
		}
		if known && old.Sudden != nil && m.Sudden.V <= old.Sudden.V {
			return fmt.Sprintf("the old %s stood a sudden change of %s K and broke, this stands %s K", old.Short,
				working.Num(old.Sudden.V, 0), working.Num(m.Sudden.V, 0))
		}
		if m.Sudden.V < suddenSpare*n.Exposure.Sudden {
			return fmt.Sprintf("it stands a sudden change of %s K where %s K may come", working.Num(m.Sudden.V, 0),
				working.Num(n.Exposure.Sudden, 0))
		}
	case "seat":
		if n.Load.Warp > 0 {
			v := m.SeatStress(n.Load, t)
			if may, _ := m.allowable(strength.Permanent); v > seatShare*may {
				return fmt.Sprintf("pressed onto this seat it takes %s of the %s MPa that it holds", working.Num(v, 1),
					working.Num(may, 1))
			}
			return ""
		}
		if !m.Plastic {
			return "it is as stiff as glass, and nobody has read how far the seat is out of flat"
		}
	case "flaw":
		if m.toughened() {
			return "toughened glass may hold such a flaw again: ask for heat-soaked, or take laminated"
		}
	case "surface":
		if s := m.Scores["scratch"]; known && s.Points <= old.Scores["scratch"].Points || s.Points < 5 {
			return "the old one pitted, and this is no harder: " + s.Reason
		}
	case "material":
		if known && m.ID == n.Like {
			return "the old one was the wrong glass for the place, and this is the same"
		}
	}
	return ""
}

// toughened says whether the glass breaks into dice.
func (m repeating) toughened() bool { return m.Safety && !m.Plastic && m.Plies == 0 }

// besides is what the advice adds about the best of the list: that it would
// meet the old cause again, and how it stands to one like the old pane.
func (c Choice) besides() string {
	best, s := c.Open[0], ""
	if best.Again != "" {
		s = " The same may happen again: " + best.Again + "."
		for _, r := range c.Open[1:] {
			if r.Again == "" {
				s += fmt.Sprintf(" Not so with %s mm %s, %s of 10.", working.Num(r.Thickness, 1), r.Name, working.Num(r.Score, 1))
				break
			}
		}
	}
	for n, r := range c.Open[1:] {
		if r.Like {
			s += fmt.Sprintf(" Like the old one would be %s mm %s, number %d with %s of 10: %s.", working.Num(r.Thickness, 1),
				r.Name, n+2, working.Num(r.Score, 1), r.Sentence)
		}
	}
	return s
}
