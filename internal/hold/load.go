package hold

import (
	"context"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/reckon"
	"freshshard/core/working"
	"freshshard/internal/typed"
)

// LoadIn is a pane under loads as typed.
type LoadIn struct {
	W         string    `json:"w" maxLength:"60" doc:"Width; of a round pane its diameter"`
	H         string    `json:"h" maxLength:"60"`
	Held      pane.Held `json:"held" enum:",three,two,round"`
	Material  string    `json:"material"`
	Thickness float64   `json:"thickness" minimum:"0.5" maximum:"60" doc:"mm"`
	Wind      float64   `json:"wind" minimum:"0" maximum:"100" doc:"m/s"`
	Push      float64   `json:"push" minimum:"0" maximum:"10000" doc:"N"`
	Even      float64   `json:"even" minimum:"0" maximum:"1000" doc:"kPa, for good"`
	Lying     bool      `json:"lying"`
	Warp      float64   `json:"warp" minimum:"0" maximum:"100" doc:"Seat out of flat, mm"`
}

// LoadOut is what the loads do to it, and what every other material would need.
type LoadOut struct {
	Figures  []working.Figure `json:"figures"`
	Carriers []pane.Carrier   `json:"carriers"`
}

// Load works out a pane under loads.
func (s *Service) Load(ctx context.Context, in LoadIn) (LoadOut, error) {
	out := LoadOut{}
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return out, err
	}
	vs, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return out, err
	}
	w, err := typed.Length("w", in.W, shop.Unit, length.Tape)
	if err != nil {
		return out, err
	}
	h := w
	if in.Held != pane.Round {
		if h, err = typed.Length("h", in.H, shop.Unit, length.Tape); err != nil {
			return out, err
		}
	}
	for i, r := range []length.Reading{w, h} {
		if !(r.Value >= 20 && r.Value <= 6000) {
			return out, fault.New([]string{"w", "h"}[i], "a side from 20 mm to 6 m is expected", "check the unit")
		}
	}
	m, err := pane.Book.With(vs, in.Material)
	if err != nil {
		return out, err
	}
	l := pane.Load{W: w.Value, H: h.Value, Held: in.Held, Wind: in.Wind, Push: in.Push, Even: in.Even, Lying: in.Lying,
		Warp: in.Warp}
	out.Figures = reckon.Present(m.LoadFigures(l, in.Thickness), shop.Unit)
	out.Carriers = pane.Carriers(vs, l)
	for _, c := range out.Carriers {
		reckon.Present(c.Figures, shop.Unit)
	}
	return out, nil
}
