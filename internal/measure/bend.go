package measure

import (
	"context"
	"fmt"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/pane"
	"freshshard/core/reckon"
	"freshshard/core/value"
	"freshshard/core/working"
	"freshshard/internal/typed"
)

// BendIn is one curve of a bent pane as typed.
type BendIn struct {
	Chord     string  `json:"chord" maxLength:"60"`
	Rise      string  `json:"rise" maxLength:"60"`
	Thickness float64 `json:"thickness" minimum:"0.5" maximum:"60" doc:"Of the sheet, mm"`
}

// BendOut is its radius, and which flat sheets may be pressed into it.
type BendOut struct {
	Bend    outline.Bend     `json:"bend"`
	Figures []working.Figure `json:"figures"`
}

// Bend works a curve out and holds it against each sheet that bends cold.
func (s *Service) Bend(ctx context.Context, in BendIn) (BendOut, error) {
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return BendOut{}, err
	}
	c, err := typed.Length("chord", in.Chord, shop.Unit, length.Tape)
	if err != nil {
		return BendOut{}, err
	}
	h, err := typed.Length("rise", in.Rise, shop.Unit, length.Rule)
	if err != nil {
		return BendOut{}, err
	}
	b, err := outline.BendOf(c.Value, h.Value)
	if err != nil {
		return BendOut{}, err
	}
	if !(in.Thickness > 0) {
		return BendOut{}, fault.New("thickness", "a thickness is more than nothing", "give it in mm")
	}
	chord, rise := working.In("c", "chord", c.Value, "mm", value.Read("")),
		working.In("h", "rise", h.Value, "mm", value.Read(""))
	figures := []working.Figure{
		{Key: "bend_radius", Value: b.Radius, Unit: "mm", Verdict: working.Note, Sentence: "radius of the curve",
			Working: working.Of("(({c} / 2)² + {h}²) / (2 × {h})", b.Radius, "mm", chord, rise)},
		{Key: "bend_girth", Value: b.Girth, Unit: "mm", Verdict: working.Note,
			Sentence: "along the curve: what a flat sheet is cut to",
			Working: working.Of("2 × {R} × asin({c} / (2 × {R}))", b.Girth, "mm", working.In("R", "radius", b.Radius, "mm",
				value.Sum()), chord)},
	}
	vs, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return BendOut{}, err
	}
	for _, m := range pane.Book.Laid(vs) {
		if m.ColdBend == nil {
			continue
		}
		f := working.Figure{Key: "bend_" + m.ID, Value: b.Radius, Unit: "mm", Limit: working.Least(m.ColdBend.V*in.Thickness,
			"mm", m.ColdBend.Origin.Of(m.Short)),
			Working: working.Of("{R} against {k} × {t}", b.Radius, "mm", working.In("R", "radius", b.Radius, "mm",
				value.Sum()),
				working.In("k", "least radius of a cold bend, times the thickness", m.ColdBend.V, "",
					m.ColdBend.Origin.Of(m.Short)), working.In("t", "thickness", in.Thickness, "mm", value.Read("")))}
		f = f.Judge(working.Stop)
		f.Sentence = fmt.Sprintf("%s of %s mm may be pressed into it cold", m.Short, working.Num(in.Thickness, 1))
		if f.Verdict != working.Good {
			f.Sentence = fmt.Sprintf("is too tight for %s of %s mm cold: thinner, or formed hot", m.Short,
				working.Num(in.Thickness, 1))
		}
		figures = append(figures, f)
	}
	return BendOut{b, reckon.Present(figures, shop.Unit)}, nil
}
