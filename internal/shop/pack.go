package shop

import (
	"context"
	"fmt"

	"freshshard/core/fault"
	"freshshard/core/heat"
	"freshshard/core/origin"
	"freshshard/core/own"
	"freshshard/core/pane"
	"freshshard/core/reckon"
	"freshshard/core/working"
)

// PackPane is one pane of a pack by its material. Coat says which face of a
// coated material looks where.
type PackPane struct {
	Material  string  `json:"material"`
	Thickness float64 `json:"thickness" minimum:"0.5" maximum:"60" doc:"mm"`
	Coat      string  `json:"coat" enum:"none,hot,cold" doc:"The side that the coat looks to"`
}

// PackIn is a pack between a cavity and a room.
type PackIn struct {
	Cavity  float64    `json:"cavity" doc:"°C"`
	Room    float64    `json:"room" doc:"°C"`
	Inside  float64    `json:"inside" doc:"Heat transfer on the hot side, W/m²K"`
	Outside float64    `json:"outside"`
	Slope   heat.Slope `json:"slope" enum:"upright,leaning,lying"`
	Panes   []PackPane `json:"panes" minItems:"1" maxItems:"4"`
	Gaps    []float64  `json:"gaps" maxItems:"3" doc:"mm"`
}

// PackOut is the pack, solved, and how its panes would do in other orders.
type PackOut struct {
	Result  heat.Result        `json:"result"`
	Figures []working.Figure   `json:"figures"`
	Orders  []heat.Arrangement `json:"orders" doc:"The coolest outside first; at most twelve, the built one among them"`
	Says    string             `json:"says"`
}

// mostOrders is how many arrangements a screen gets.
const mostOrders = 12

// bareFace is the emissivity of glass without a coat. EN 673, from memory.
const bareFace = 0.837

func (in PackIn) pack(vs own.Values) (heat.Pack, error) {
	p := heat.Pack{Cavity: in.Cavity, Room: in.Room, Inside: in.Inside, Outside: in.Outside, Slope: in.Slope, Gaps: in.Gaps}
	for i, q := range in.Panes {
		m, err := pane.With(vs, q.Material)
		if err != nil {
			return p, fault.New(fmt.Sprintf("panes[%d].material", i), "no material is called "+q.Material, "choose one of the list")
		}
		h := heat.Pane{Name: m.Short, T: q.Thickness, Lambda: m.Lambda.V, Hot: m.Emissivity.V, Cold: m.Emissivity.V, Limit: m.Steady.V}
		if m.Emissivity.V < 0.5 { // a coat has one face
			h.Hot, h.Cold = bareFace, bareFace
			switch q.Coat {
			case "hot":
				h.Hot = m.Emissivity.V
			case "cold":
				h.Cold = m.Emissivity.V
			}
		}
		p.Panes = append(p.Panes, h)
	}
	return p, p.Check()
}

// Pack solves a pack and compares every order and facing of its panes.
func (s *Shop) Pack(ctx context.Context, in PackIn) (PackOut, error) {
	shop, err := s.Store.Shop(ctx)
	if err != nil {
		return PackOut{}, err
	}
	vs, err := s.Store.Own(ctx)
	if err != nil {
		return PackOut{}, err
	}
	p, err := in.pack(vs)
	if err != nil {
		return PackOut{}, err
	}
	out := PackOut{}
	if out.Result, err = heat.Solve(p); err != nil {
		return out, err
	}
	all, err := heat.Orders(p)
	if err != nil {
		return out, err
	}
	out.Orders, out.Says = few(all), says(all)
	out.Figures = reckon.Present(packFigures(p, out.Result), shop.Unit)
	return out, nil
}

// few keeps the coolest arrangements, the hottest, and the built one.
func few(all []heat.Arrangement) []heat.Arrangement {
	if len(all) <= mostOrders {
		return all
	}
	out := append([]heat.Arrangement{}, all[:mostOrders-2]...)
	for i, a := range all[mostOrders-2:] {
		if a.AsBuilt || i == len(all)-mostOrders+1 {
			out = append(out, a)
		}
	}
	return out
}

// says is the built order against the best and the worst.
func says(all []heat.Arrangement) string {
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

func packFigures(p heat.Pack, r heat.Result) []working.Figure {
	flow := working.In("q", "heat flow through all of it", r.Flow, "W/m²", origin.Std("EN 673"))
	touch := working.Figure{Key: "pack_touch", Value: r.Touch, Unit: "°C", Limit: working.Most(heat.LongTouch, "°C", origin.Std("ISO 13732-1")),
		Sentence: "outside, where a hand touches it",
		Working: working.Of("{r} + {q} / {h}", r.Touch, "°C", working.In("r", "room", p.Room, "°C", origin.Read("")), flow, working.In("h", "heat transfer to the room", p.Outside, "W/m²K", origin.Custom())).
			With(fmt.Sprintf("A long touch of glass burns from about %.0f °C, a short one from %.0f. Gaps by radiation and by Nu = A·(Gr·Pr)ⁿ, the air at each gap's own temperature, until nothing moves.", heat.LongTouch, heat.ShortTouch))}
	bad := working.Warn
	if r.Touch > heat.ShortTouch {
		bad = working.Stop
	}
	out := []working.Figure{touch.Judge(bad)}
	for i, q := range p.Panes {
		hot := max(r.Faces[i].Hot, r.Faces[i].Cold)
		f := working.Figure{Key: fmt.Sprintf("pack_pane_%d", i+1), Value: hot, Unit: "°C", Limit: working.Most(q.Limit, "°C", origin.Sheet(q.Name)),
			Sentence: fmt.Sprintf("on the hotter face of pane %d, %s", i+1, q.Name),
			Working: working.Of("{c} − {q} × {R}", hot, "°C", working.In("c", "cavity", p.Cavity, "°C", origin.Read("")), flow,
				working.In("R", "resistance from the cavity to this face, m²K/W", (p.Cavity-hot)/r.Flow, "", origin.Sum()))}
		if r.Flow == 0 {
			f.Working = working.Of("{c}", hot, "°C", working.In("c", "cavity", p.Cavity, "°C", origin.Read("")))
		}
		out = append(out, f.Judge(working.Stop))
	}
	return append(out, working.Figure{Key: "pack_flow", Value: r.Flow, Unit: "W/m²", Verdict: working.Note, Sentence: "flow through it",
		Working: working.Of("({c} − {r}) × {U}", r.Flow, "W/m²", working.In("c", "cavity", p.Cavity, "°C", origin.Read("")), working.In("r", "room", p.Room, "°C", origin.Read("")), working.In("U", "from air to air", r.U, "W/m²K", origin.Std("EN 673")))})
}
