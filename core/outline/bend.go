package outline

import "freshshard/core/fault"

// Bend is how a pane is curved one way: across or down.
type Bend struct {
	Chord  float64 `json:"chord" doc:"Straight from edge to edge, mm"`
	Rise   float64 `json:"rise" doc:"From the chord to the middle of the curve, mm"`
	Radius float64 `json:"radius" doc:"mm"`
	Girth  float64 `json:"girth" doc:"Along the curve, mm: what a flat sheet is cut to"`
}

// BendOf is the bend from its chord and rise: R = ((c/2)² + h²)/(2h), and the
// length along the arc. A rise of more than half the chord is no bent pane.
func BendOf(chord, rise float64) (Bend, error) {
	r, err := ChordRadius(chord, rise)
	if err != nil {
		return Bend{}, err
	}
	if rise > chord/2 {
		return Bend{}, fault.New("rise", "it rises more than half its chord",
			"measure from the straight edge to the glass, in the middle")
	}
	s := sideOf(Point{}, Point{X: chord}, 2*rise/chord)
	return Bend{Chord: chord, Rise: rise, Radius: r, Girth: s.length()}, nil
}

// Flexes says whether a flat sheet may be pressed into the bend: its radius is
// at least times × the thickness, all mm.
func (b Bend) Flexes(times, thickness float64) bool { return b.Radius >= times*thickness }
