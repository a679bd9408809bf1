package heat

import (
	"fmt"

	"freshshard/core/value"
	"freshshard/core/working"
)

// mostOrders is how many arrangements a screen gets.
const mostOrders = 12

// Few keeps the coolest arrangements, the hottest, and the built one: at most
// twelve.
func Few(all []Arrangement) []Arrangement {
	if len(all) <= mostOrders {
		return all
	}
	out := append([]Arrangement{}, all[:mostOrders-2]...)
	for i, a := range all[mostOrders-2:] {
		if a.AsBuilt || i == len(all)-mostOrders+1 {
			out = append(out, a)
		}
	}
	return out
}

// Says is the built order against the best and the worst.
func Says(all []Arrangement) string {
	best, worst := all[0], all[len(all)-1]
	built := best
	for _, a := range all {
		if a.AsBuilt {
			built = a
		}
	}
	s := "No other order or facing keeps the outside cooler."
	if built.Touch-best.Touch > 0.5 {
		s = fmt.Sprintf("With %s the outside would be %.0f K cooler.", best.Words, built.Touch-best.Touch)
	}
	if worst.Touch-built.Touch > 0.5 {
		s += fmt.Sprintf(" Worst is %s: %.0f K hotter outside.", worst.Words, worst.Touch-built.Touch)
	}
	return s
}

// Figures are the numbers of a solved pack: where a hand touches it, the hotter
// face of each pane against what it stands, and what flows through; cavity and room say where
// those two temperatures come from.
func (p Pack) Figures(r Result, cavity, room value.Origin) []working.Figure {
	flow := working.In("q", "heat flow through all of it", r.Flow, "W/m²", value.Std("EN 673"))
	touch := working.Figure{Key: "pack_touch", Value: r.Touch, Unit: "°C",
		Limit:    working.Most(ShortTouch, "°C", value.Std("ISO 13732-1")),
		Sentence: "outside, where a hand touches it",
		Working: working.Of("{r} + {q} / {h}", r.Touch, "°C", working.In("r", "room", p.Room, "°C", room), flow,
			working.In("h", "heat transfer to the room", p.Outside, "W/m²K", value.Custom())).
			With(fmt.Sprintf("A long touch of glass burns from about %.0f °C, a short one from %.0f. Gaps by radiation and "+
				"by Nu = A·(Gr·Pr)ⁿ, the air at each gap's own temperature, until nothing moves.", LongTouch, ShortTouch))}
	// How hot its outside gets was settled when the oven was built; a pane in
	// its place changes little. It is looked at, and stops nobody.
	out := []working.Figure{touch.Judge(working.Warn)}
	for i, q := range p.Panes {
		hot := max(r.Faces[i].Hot, r.Faces[i].Cold)
		f := working.Figure{Key: fmt.Sprintf("pack_pane_%d", i+1), Value: hot, Unit: "°C",
			Sentence: fmt.Sprintf("on the hotter face of pane %d", i+1),
			Working: working.Of("{c} − {q} × {R}", hot, "°C", working.In("c", "cavity", p.Cavity, "°C", cavity),
				flow,
				working.In("R", "resistance from the cavity to this face, m²K/W", (p.Cavity-hot)/r.Flow, "", value.Sum()))}
		if q.Name != "" {
			f.Sentence += ", " + q.Name
		}
		if q.Limit > 0 {
			f.Limit = working.Most(q.Limit, "°C", value.Sheet(q.Name))
		} else {
			f.Sentence += "; what it stands is not known"
		}
		if r.Flow == 0 {
			f.Working = working.Of("{c}", hot, "°C", working.In("c", "cavity", p.Cavity, "°C", cavity))
		}
		out = append(out, f.Judge(working.Stop))
	}
	return append(out, working.Figure{Key: "pack_flow", Value: r.Flow, Unit: "W/m²", Verdict: working.Note,
		Sentence: "flow through it",
		Working: working.Of("({c} − {r}) × {U}", r.Flow, "W/m²", working.In("c", "cavity", p.Cavity, "°C", cavity),
			working.In("r", "room", p.Room, "°C", room), working.In("U", "from air to air", r.U,
				"W/m²K", value.Std("EN 673")))})
}
