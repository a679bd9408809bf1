package pane

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/strength"
	"freshshard/core/working"
)

// Load is what bends the pane. A load that is nothing is not looked at.
type Load struct {
	W    float64 `json:"w,omitempty" doc:"Width of the pane, mm; 0 while unknown"`
	H    float64 `json:"h,omitempty"`
	Two  bool    `json:"two,omitempty" doc:"Held on two sides only"`
	Ring bool    `json:"ring,omitempty" doc:"Round, W across"`
	Wind float64 `json:"wind,omitempty" doc:"Wind speed of a gust, m/s"`
	Warp float64 `json:"warp,omitempty" doc:"How far one corner of the seat lies out of its plane, mm; of a round seat the greatest gap on a flat plate"`
}

// sheet is the material as a plate; a laminated pane is reckoned ply by ply,
// as if they slid on each other.
func (m Material) sheet(t float64) strength.Sheet {
	return strength.Sheet{E: m.E.V, Nu: m.Nu.V, T: t / float64(max(1, m.Plies))}
}

// plasticGust is the share of its yield that a plastic pane may carry in a
// gust. Common practice, no source.
const plasticGust = 0.5

// allowable is what the material may carry, MPa, with where it is from.
func (m Material) allowable(l strength.Lasting) (float64, origin.Origin) {
	if m.Plastic {
		if l == strength.Gust {
			return m.Strength.V * plasticGust, origin.Custom()
		}
		return m.Design.V, m.Design.Origin.Of(m.Short)
	}
	f, err := strength.Allowable(m.Strength.V, l)
	if err != nil {
		return 0, origin.Sum()
	}
	return f, origin.Std("EN 16612")
}

// gust is what a gust does to a pane of a thickness.
func (m Material) gust(l Load, t float64) (strength.Bent, error) {
	s, q := m.sheet(t), strength.Wind(l.Wind, 1)/float64(max(1, m.Plies))
	switch {
	case l.Ring:
		return s.Circle(l.W, q, false)
	case l.Two:
		return s.TwoSides(l.W, q)
	}
	return s.FourSides(l.W, l.H, q)
}

func (l Load) span() float64 {
	if l.Ring || l.Two {
		return l.W
	}
	return math.Min(l.W, l.H)
}

// carries is the thinnest thickness from some on that a gust leaves standing;
// ok is false when the thickest does not.
func (m Material) carries(l Load, from, most float64) (t float64, ok bool) {
	if l.Wind == 0 || l.W == 0 || l.H == 0 {
		return from, true
	}
	may, _ := m.allowable(strength.Gust)
	for _, c := range m.Thicknesses {
		if c < from || most > 0 && c > most {
			continue
		}
		t = c
		if b, err := m.gust(l, c); err == nil && b.Stress <= may && b.Deflection <= strength.DeflectionLimit(l.span()) {
			return c, true
		}
	}
	return t, false
}

// loadGate closes when no thickness carries the gust.
func (m Material) loadGate(n Need) *Closed {
	thin := m.Thicknesses[0]
	t, ok := m.carries(n.Load, thin, n.Depth)
	if ok || t == 0 {
		return nil
	}
	b, err := m.gust(n.Load, t)
	if err != nil {
		return nil
	}
	may, from := m.allowable(strength.Gust)
	if b.Stress > may {
		return closed("load", fmt.Sprintf("in a gust of %s m/s even %s mm would take %s MPa and holds %s", working.Num(n.Load.Wind, 0), working.Num(t, 1), working.Num(b.Stress, 1), working.Num(may, 1)),
			"MPa", "σ", "stress in a gust", b.Stress, working.Most(may, "MPa", from))
	}
	limit := strength.DeflectionLimit(n.Load.span())
	return closed("load", fmt.Sprintf("in a gust of %s m/s even %s mm would bend %s mm, more than a sixtieth of its span", working.Num(n.Load.Wind, 0), working.Num(t, 1), length.Metric(b.Deflection)),
		"mm", "w", "deflection in a gust", b.Deflection, working.Most(limit, "mm", origin.Custom()))
}

// SeatStress is what the warped seat does to a pane of a thickness that is
// pressed onto it, MPa; 0 when the seat is flat or not read.
func (m Material) SeatStress(l Load, t float64) float64 {
	if l.Warp == 0 || l.W == 0 || l.H == 0 {
		return 0
	}
	s := m.sheet(t)
	var v float64
	var err error
	if l.Ring {
		// The gap on a plate is from the low to the high of the saddle: twice its
		// height from the mean plane.
		v, err = s.WarpedRound(l.W, l.Warp/2)
	} else {
		v, err = s.Warped(l.W, l.H, l.Warp)
	}
	if err != nil {
		return 0
	}
	return v
}

// warpGate closes when the seat alone would take more than the pane may carry
// for good.
func (m Material) warpGate(n Need) *Closed {
	t := m.thickness(n)
	v := m.SeatStress(n.Load, t)
	if v == 0 {
		return nil
	}
	may, from := m.allowable(strength.Permanent)
	return closed("warp", fmt.Sprintf("the seat is %s mm out of flat; %s mm would take %s MPa there for good and holds %s", length.Metric(n.Load.Warp), working.Num(t, 1), working.Num(v, 1), working.Num(may, 1)),
		"MPa", "σ", "stress on the warped seat", v, working.Most(may, "MPa", from))
}

// LoadFigures are the numbers of a settled or assumed pane under its loads.
func (m Material) LoadFigures(l Load, t float64) []working.Figure {
	var out []working.Figure
	in := func(extra ...working.Input) []working.Input {
		return append([]working.Input{working.In("E", "stiffness of "+m.Short, m.E.V*1000/1000, "GPa", m.E.Origin.Of(m.Short)), working.In("ν", "Poisson's ratio", m.Nu.V, "", m.Nu.Origin.Of(m.Short)), working.In("t", "thickness of a ply", m.sheet(t).T, "mm", origin.Sum())}, extra...)
	}
	if l.Wind > 0 && l.W > 0 && l.H > 0 {
		if b, err := m.gust(l, t); err == nil {
			may, from := m.allowable(strength.Gust)
			q := strength.Wind(l.Wind, 1) / float64(max(1, m.Plies))
			f := working.Figure{Key: "stress_gust", Value: b.Stress, Unit: "MPa", Limit: working.Most(may, "MPa", from),
				Sentence: fmt.Sprintf("in the pane in a gust of %s m/s, held all round; it bends %s mm", working.Num(l.Wind, 0), length.Metric(b.Deflection)),
				Working: working.Of("6 × {β} × {q} × {a}² / {t}²", b.Stress, "MPa", in(working.In("β", "by Lévy's series for this ratio", beta(l, m.Nu.V), "", origin.Std("Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells")),
					working.In("q", "½·ρ·v² on a ply, N/mm²", q/1000, "", origin.Sum()), working.In("a", "short side", l.span(), "mm", origin.Sum()))...)}
			if b.Large {
				f.Working = f.Working.With("It bends by more than half its thickness: the plate's own stretching helps, so this stress is on the safe side.")
			}
			out = append(out, f.Judge(working.Stop))
		}
	}
	if v := m.SeatStress(l, t); v > 0 {
		may, from := m.allowable(strength.Permanent)
		formula := "{E}·1000 × {t} × {w} / ({W} × {H}) / (2 × (1 + {ν}))"
		if l.Ring {
			formula = "{E}·1000 × {t} × ({w} / 2) / ((1 + {ν}) × ({W} / 2)²)"
		}
		f := working.Figure{Key: "stress_seat", Value: v, Unit: "MPa", Limit: working.Most(may, "MPa", from), Place: "seat_warp",
			Sentence: "in the pane for good when it is pressed onto the warped seat",
			Working:  working.Of(formula, v, "MPa", in(working.In("w", "seat out of flat", l.Warp, "mm", origin.Read("")), working.In("W", "width", l.W, "mm", origin.Sum()), working.In("H", "height", l.H, "mm", origin.Sum()))...).With("Pure twist of a plate. A softer or a thinner pane, or a soft bed, takes it better.")}
		out = append(out, f.Judge(working.Stop))
	}
	return out
}

// beta is the coefficient that the stress in a gust was reckoned with.
func beta(l Load, nu float64) float64 {
	switch {
	case l.Ring:
		return 3 * (3 + nu) / 8 / 4 / 6
	case l.Two:
		return 1.0 / 8
	}
	_, b := strength.Coefficients(math.Max(l.W, l.H)/math.Min(l.W, l.H), nu)
	return b
}
