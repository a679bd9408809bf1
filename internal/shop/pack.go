package shop

import (
	"context"

	"freshshard/core/heat"
	"freshshard/core/own"
	"freshshard/core/pane"
	"freshshard/core/reckon"
	"freshshard/core/working"
)

// PackIn is a pack between a cavity and a room.
type PackIn struct {
	Cavity  float64       `json:"cavity" doc:"°C"`
	Room    float64       `json:"room" doc:"°C"`
	Inside  float64       `json:"inside" doc:"Heat transfer on the hot side, W/m²K"`
	Outside float64       `json:"outside"`
	Slope   heat.Slope    `json:"slope" enum:"upright,leaning,lying"`
	Panes   []pane.Coated `json:"panes" minItems:"1" maxItems:"4"`
	Gaps    []float64     `json:"gaps" maxItems:"3" doc:"mm"`
}

// PackOut is the pack, solved, and how its panes would do in other orders.
type PackOut struct {
	Result  heat.Result        `json:"result"`
	Figures []working.Figure   `json:"figures"`
	Orders  []heat.Arrangement `json:"orders" doc:"The coolest outside first; at most twelve, the built one among them"`
	Says    string             `json:"says"`
}

func (in PackIn) pack(vs own.Values) (heat.Pack, error) {
	st := pane.Stack{Panes: in.Panes, Gaps: in.Gaps, Slope: in.Slope}
	p, err := st.Pack(vs, in.Cavity, in.Room)
	p.Inside, p.Outside = in.Inside, in.Outside
	if err != nil {
		return p, err
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
	out.Orders, out.Says = heat.Few(all), heat.Says(all)
	out.Figures = reckon.Present(p.Figures(out.Result), shop.Unit)
	return out, nil
}
