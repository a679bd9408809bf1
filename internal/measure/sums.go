package measure

import (
	"context"
	"fmt"
	"strings"

	"freshshard/core/bond"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/reckon"
	"freshshard/core/sash"
	"freshshard/core/setting"
	"freshshard/core/thickness"
	"freshshard/core/working"
	"freshshard/internal/typed"
)

// SashWay is one way across a sash as people type it; an empty text is a part
// that nobody could read. A light may have several readings with a comma or a
// semicolon between.
type SashWay struct {
	Lights []string `json:"lights" maxItems:"40"`
	Bars   []string `json:"bars" maxItems:"39"`
	First  string   `json:"first" maxLength:"60"`
	Last   string   `json:"last" maxLength:"60"`
	Whole  string   `json:"whole" maxLength:"60"`
	Alike  bool     `json:"alike" doc:"All bars are of one width"`
}

// SashIn is a sash with its columns and rows.
type SashIn struct {
	Across     SashWay           `json:"across"`
	Down       SashWay           `json:"down"`
	Instrument length.Instrument `json:"instrument" enum:"tape,rule,caliper,laser,feeler gauge,traced line"`
}

// SashPart is a solved part as it is shown.
type SashPart struct {
	sash.Size
	Shown length.Shown `json:"shown"`
}

// SashOut is one way solved.
type SashOut struct {
	Parts  []SashPart `json:"parts"`
	Lights []SashPart `json:"lights"`
	Odd    *sash.Odd  `json:"odd,omitempty"`
	Settle string     `json:"settle,omitempty"`
}

// Sash solves a sash both ways.
func (s *Sums) Sash(ctx context.Context, in SashIn) (across, down SashOut, err error) {
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return across, down, err
	}
	if across, err = in.Across.solve("across", shop.Unit, in.Instrument, "column", "upright bar", "left stile",
		"right stile", "the sash's width"); err != nil {
		return across, down, err
	}
	down, err = in.Down.solve("down", shop.Unit, in.Instrument, "row", "cross bar", "top rail", "bottom rail",
		"the sash's height")
	return across, down, err
}

func (w SashWay) solve(way string, unit length.Unit, with length.Instrument, names ...string) (SashOut, error) {
	var out SashOut
	d := sash.Direction{Alike: w.Alike}
	one := func(field, text string) (*length.Reading, error) {
		if strings.TrimSpace(text) == "" {
			return nil, nil
		}
		r, err := typed.Length(way+"."+field, text, unit, with)
		return &r, err
	}
	for i, text := range w.Lights {
		readings := []length.Reading{}
		for _, t := range strings.Split(text, ";") {
			r, err := one(fmt.Sprintf("lights[%d]", i), t)
			if err != nil {
				return out, err
			}
			if r != nil {
				readings = append(readings, *r)
			}
		}
		d.Lights = append(d.Lights, readings)
	}
	for i, text := range w.Bars {
		r, err := one(fmt.Sprintf("bars[%d]", i), text)
		if err != nil {
			return out, err
		}
		d.Bars = append(d.Bars, r)
	}
	for _, e := range []struct {
		field, text string
		to          **length.Reading
	}{{"first", w.First, &d.First}, {"last", w.Last, &d.Last}, {"whole", w.Whole, &d.Whole}} {
		r, err := one(e.field, e.text)
		if err != nil {
			return out, err
		}
		*e.to = r
	}
	r, err := sash.Solve(d, names[0], names[1], names[2], names[3], names[4])
	if f := fault.Of(err); f != nil {
		return out, fault.New(way+"."+f.Field, f.Why, f.Cure)
	}
	if err != nil {
		return out, err
	}
	show := func(list []sash.Size) []SashPart {
		parts := make([]SashPart, 0, len(list))
		for _, p := range list {
			parts = append(parts, SashPart{p, length.Show(p.Value, unit)})
		}
		return parts
	}
	return SashOut{show(r.Parts), show(r.Lights), r.Odd, r.Settle}, nil
}

// Thickness tells the nominal thickness of a caliper reading.
func (s *Sums) Thickness(ctx context.Context, text string) (thickness.Answer, error) {
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return thickness.Answer{}, err
	}
	r, err := typed.Length("text", text, shop.Unit, length.Caliper)
	if err != nil {
		return thickness.Answer{}, err
	}
	if r.Value > 100 {
		return thickness.Answer{}, fault.New("text", "that is thicker than any pane", "check the unit")
	}
	return thickness.Of(r), nil
}

// Turns is how far a screw turns from its first touch to a seated gasket.
func (s *Sums) Turns(ctx context.Context, in setting.Turns) ([]working.Figure, error) {
	f, err := in.Figures()
	return s.presented(ctx, f, err)
}

// Hang is what a glued plate carries that a pane hangs on.
func (s *Sums) Hang(ctx context.Context, in bond.Hang) ([]working.Figure, error) {
	f, err := in.Figures()
	return s.presented(ctx, f, err)
}

// Peel tells from the two faces of a bond what let go.
func (s *Sums) Peel(ctx context.Context, in bond.Peel) (bond.Peeled, error) {
	p, err := in.Read()
	if err != nil {
		return p, err
	}
	p.Figures, err = s.presented(ctx, p.Figures, nil)
	return p, err
}

// presented are figures as the shop reads them.
func (s *Sums) presented(ctx context.Context, f []working.Figure, err error) ([]working.Figure, error) {
	if err != nil {
		return nil, err
	}
	shop, err := s.Store.Shops.Shop(ctx)
	return reckon.Present(f, shop.Unit), err
}

// Dew says whether a surface is dry enough to bond and paint.
func (s *Sums) Dew(ctx context.Context, in setting.Damp) ([]working.Figure, error) {
	f, err := in.Figures()
	return s.presented(ctx, f, err)
}

// Bead says what a bead takes, and whether it is laid before it skins.
func (s *Sums) Bead(ctx context.Context, in setting.Bead) ([]working.Figure, error) {
	f, err := in.Figures()
	return s.presented(ctx, f, err)
}

// Presented are the figures of a sum in the shop's unit.
func (s *Sums) Presented(ctx context.Context, in interface {
	Figures() ([]working.Figure, error)
}) ([]working.Figure, error) {
	f, err := in.Figures()
	return s.presented(ctx, f, err)
}
