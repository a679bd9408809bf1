package pane

import (
	"fmt"
	"math"
	"strings"

	"freshshard/core/exposure"
	"freshshard/core/heat"
	"freshshard/core/length"
	"freshshard/core/strength"
	"freshshard/core/value"
	"freshshard/core/working"
)

// LoadFigures are the numbers of a settled or assumed pane under its loads.
func (m Material) LoadFigures(l Load, t float64) []working.Figure {
	var out []working.Figure
	if l.known == nil { // each number asks for what stands on the pane as well
		l.known = newPlates()
	}
	for _, a := range l.actions(m, t) {
		if b, err := (bending{m}).bend(l, a, t); err == nil {
			out = append(out, bending{m}.stressFigure(l, a, b, t), bending{m}.bendFigure(l, a, b, t))
		}
	}
	if f, ok := (bending{m}).seatFigure(l, t); ok {
		out = append(out, f)
	}
	return out
}

// MassFigure is what a pane of an area, mm², and a thickness, mm, weighs.
func (m Material) MassFigure(area, thickness float64) working.Figure {
	kg := m.Weight(area, thickness)
	return working.Figure{Key: "mass", Sentence: "the pane weighs", Value: kg, Unit: "kg", Verdict: working.Note,
		Working: working.Of("{ρ} × {A} × {t} × 10⁻³", kg, "kg",
			working.In("ρ", "density of "+m.Short, m.Density.V, "kg/m³", m.Density.Origin.Of(m.Short)),
			working.In("A", "area of the pane", area/1e6, "m²", value.Sum()),
			working.In("t", "thickness of its glass", m.Glass(thickness), "mm", value.Sum()))}
}

// ofPly are the inputs that every plate has.
func (m bending) ofPly(t float64, more ...working.Input) []working.Input {
	return append([]working.Input{working.In("E", "stiffness of "+m.Short, m.E.V, "GPa", m.E.Origin.Of(m.Short)),
		working.In("ν", "Poisson's ratio", m.Nu.V, "", m.Nu.Origin.Of(m.Short)),
		working.In("t", "thickness of a ply", m.sheet(t).T, "mm", value.Sum())}, more...)
}

var heldSaid = map[Held]string{"": "held all round", Three: "held on three sides", Two: "held on two sides",
	Round: "held all round"}

func (m bending) stressFigure(l Load, a action, b strength.Bent, t float64) working.Figure {
	left := m.roomFor(l, a, t)
	plies, span := float64(max(1, m.Plies)), l.span()
	s := m.sheet(t)
	plates := value.Std("Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells")
	f := working.Figure{Key: "stress_" + a.key, Value: b.Stress, Unit: "MPa", Limit: working.Most(left.stress, "MPa",
		left.from),
		Sentence: fmt.Sprintf("in the pane %s, %s", a.said, heldSaid[l.Held])}
	if a.force > 0 {
		p := a.force / plies
		f.Working = working.Of("6 × {κ} × {P} / {t}²", b.Stress, "MPa", m.ofPly(t,
			working.In("κ", "moment per newton, by the series for this pane and a patch of 100 × 100 mm", b.Stress*s.T*s.T/6/p,
				"", plates), working.In("P", "force on a ply", p, "N", value.Read("")))...)
	} else {
		q := a.q / plies
		f.Working = working.Of("6 × {β} × {q} × {a}² / {t}²", b.Stress, "MPa", m.ofPly(t,
			working.In("β", "by the series for this ratio", b.Stress*s.T*s.T/(6*q*1e-3*span*span), "", plates),
			working.In("q", "pressure on a ply, N/mm²", q/1000, "", value.Sum()),
			working.In("a", "span", span, "mm", value.Sum()))...)
	}
	note := ""
	if b.Large {
		note = "It bends by more than half its thickness: the plate's own stretching helps, so this stress is on the safe " +
			"side. "
	}
	if left.taken > 0 {
		note += fmt.Sprintf("The seat and what it carries for good take %s %% of what it holds for good; that share is off "+
			"the limit.", working.Num(100*left.taken, 0))
	}
	f.Working = f.Working.With(strings.TrimSpace(note))
	return f.Judge(working.Stop)
}

func (m bending) bendFigure(l Load, a action, b strength.Bent, t float64) working.Figure {
	limit, span := m.roomFor(l, a, t).deflection, l.span()
	said := "it may bend " + m.spanShare() + " of its span, with what is on it for good"
	if m.deflectionLimit(l) < m.spanLimit(l) {
		said = fmt.Sprintf("beyond √(¾ × spare bite × span) = √(¾ × %s × %s) it is drawn out of its bite",
			length.Metric(l.Spare), length.Metric(span))
	}
	plies, d := float64(max(1, m.Plies)), m.sheet(t).Rigidity()
	plates := value.Std("Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells")
	formula, in := "{α} × {q} × {a}⁴ / ({E}·1000 × {t}³ / (12 × (1 − {ν}²)))", []working.Input(nil)
	if a.force > 0 {
		p := a.force / plies
		formula = "{κ} × {P} / ({E}·1000 × {t}³ / (12 × (1 − {ν}²)))"
		in = append(in, working.In("κ", "by the series for this pane and a patch of 100 × 100 mm, mm²", b.Deflection*d/p,
			"", plates), working.In("P", "force on a ply", p, "N", value.Read("")))
	} else {
		q := a.q / plies / 1000
		in = append(in, working.In("α", "by the series for this ratio", b.Deflection*d/(q*math.Pow(span, 4)), "", plates),
			working.In("q", "pressure on a ply, N/mm²", q, "", value.Sum()), working.In("a", "span", span, "mm", value.Sum()))
	}
	f := working.Figure{Key: "bend_" + a.key, Value: b.Deflection, Unit: "mm",
		Limit:    working.Most(limit, "mm", value.Custom()),
		Sentence: "it bends " + a.said, Working: working.Of(formula, b.Deflection, "mm", m.ofPly(t, in...)...).With("Span " +
			length.Metric(span) + " mm: " + said + ".")}
	return f.Judge(working.Stop)
}

func (m bending) seatFigure(l Load, t float64) (working.Figure, bool) {
	v := m.SeatStress(l, t)
	if v == 0 {
		return working.Figure{}, false
	}
	may, from := m.allowable(strength.Permanent)
	formula := "{E}·1000 × {t} × {w} / ({W} × {H}) / (2 × (1 + {ν}))"
	if l.Held == Round {
		formula = "{E}·1000 × {t} × ({w} / 2) / ((1 + {ν}) × ({W} / 2)²)"
	}
	f := working.Figure{Key: "stress_seat", Value: v, Unit: "MPa", Limit: working.Most(may, "MPa", from),
		Place:    "seat_warp",
		Sentence: "in the pane for good when it is pressed onto the warped seat",
		Working: working.Of(formula, v, "MPa", m.ofPly(t, working.In("w", "seat out of flat", l.Warp, "mm", value.Read("")),
			working.In("W", "width", l.W, "mm", value.Sum()), working.In("H", "height", l.H, "mm", value.Sum()))...).With(
			"Pure twist of a plate. A softer or a thinner pane, or a soft bed, takes it better.")}
	return f.Judge(working.Stop), true
}

// HoopFigure is the stress round a tube under the plant's pressure, outside and
// wall in mm; ok is false without a pressure.
func (m Material) HoopFigure(d Duty, outside, wall float64) (f working.Figure, ok bool) {
	v, err := strength.Tube(outside, wall, d.Pressure*kPaPerBar)
	if err != nil || d.Pressure == 0 {
		return f, false
	}
	may, from := m.allowable(strength.Permanent)
	f = working.Figure{Key: "stress_hoop", Value: v, Unit: "MPa", Limit: working.Most(may, "MPa", from),
		Sentence: fmt.Sprintf("round the tube at %s bar; whether it may be fitted its rating says, not this number",
			working.Num(d.Pressure, 1)),
		Working: working.Of("{p} × ({R}² + {r}²) / ({R}² − {r}²)", v, "MPa",
			working.In("p", "pressure, N/mm²", d.Pressure*kPaPerBar/1000, "", value.Read("")),
			working.In("R", "outside radius", outside/2, "mm", value.Read("")),
			working.In("r", "radius of the bore", outside/2-wall, "mm", value.Sum())).
			With("Lamé, at the bore, where it is greatest. Heat, scratches and what the water has eaten come on top.")}
	return f.Judge(working.Stop), true
}

// EdgeFigure is the stress at the cold, covered edge of a pane whose middle is
// hot; ok is false where the frame is as hot as the pane, and for plastics,
// which give way.
func (m Material) EdgeFigure(e exposure.Exposure) (f working.Figure, ok bool) {
	dT := e.Steady - e.FrameHot
	if dT <= 0 || m.Plastic {
		return f, false
	}
	v := heat.EdgeStress(m.E.V, m.Alpha.V, dT)
	may, from := m.allowable(strength.Day)
	f = working.Figure{Key: "stress_edge", Value: v, Unit: "MPa", Limit: working.Most(may, "MPa", from),
		Sentence: fmt.Sprintf("at its covered edge, which the frame keeps %s K cooler than the hot middle",
			working.Num(dT, 0)),
		Working: working.Of("{E}·1000 × {α} × 10⁻⁶ × ({T} − {F})", v, "MPa",
			working.In("E", "stiffness of "+m.Short, m.E.V, "GPa", m.E.Origin.Of(m.Short)),
			working.In("α", "growth of "+m.Short, m.Alpha.V, "10⁻⁶/K", m.Alpha.Origin.Of(m.Short)),
			working.In("T", "hot middle", e.Steady, "°C", e.From("steady")), working.In("F", "frame when the pane is hot",
				e.FrameHot, "°C", e.From("frame_hot"))).
			With("As if the hot middle held the edge back in full, and the limit for the warm hours of a day. A smooth edge " +
				"without chips, and a frame that warms with the pane, are what help.")}
	return f.Judge(working.Warn), true
}
