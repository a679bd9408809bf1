package measure

import (
	"context"
	"fmt"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/reckon"
	"freshshard/core/witness"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// WitnessIn is what speaks for the size of a pane, as it was said. Clearance is
// that of the way of holding, each side, mm.
type WitnessIn struct {
	Clearance float64 `json:"clearance" minimum:"0" maximum:"50"`
	Radius    float64 `json:"radius,omitempty" minimum:"0" maximum:"3000" doc:"Of its corners, mm, for a groove's length"`
	Heard     []Heard `json:"heard" minItems:"1" maxItems:"20"`
}

// Heard is one of them, over the width, the height, or both; of a joined
// gasket's groove its length all round.
type Heard struct {
	Kind   string  `json:"kind" enum:"opening,old,traced,pieces,neighbour,groove,sheet,stock,customer"`
	Width  string  `json:"width,omitempty" maxLength:"60"`
	Height string  `json:"height,omitempty" maxLength:"60"`
	Round  string  `json:"round,omitempty" maxLength:"60" doc:"Length of a joined gasket's groove"`
	Cracks int     `json:"cracks,omitempty" minimum:"0" maximum:"40" doc:"Crossed by the tape, of pieces together"`
	Pen    float64 `json:"pen,omitempty" minimum:"0" maximum:"20" doc:"Width of the line round a traced pane, mm"`
}

// Witness joins them. A doubt that was not typed is the kind's usual one.
func (s *Service) Witness(ctx context.Context, in WitnessIn) (witness.Pane, error) {
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return witness.Pane{}, err
	}
	said, err := readHeard(in.Heard, shop.Unit)
	if err != nil {
		return witness.Pane{}, err
	}
	out, err := witness.Of(said, in.Clearance, witness.Cornered(in.Radius))
	if err == nil && out.Width == nil && out.Height == nil {
		err = fault.New("heard", "nobody was heard yet",
			"type one length at least: of the opening, the old pane, a neighbour")
	}
	for _, j := range []*witness.Joined{out.Width, out.Height} {
		if j != nil {
			j.Figures = reckon.Present(j.Figures, shop.Unit)
		}
	}
	return out, err
}

// readHeard reads the lengths as they were typed; errors name heard[n] and its
// field.
func readHeard(rows []Heard, unit length.Unit) ([]witness.Said, error) {
	out := make([]witness.Said, 0, len(rows))
	for i, h := range rows {
		s := witness.Said{Kind: h.Kind, Cracks: h.Cracks, Pen: h.Pen}
		for _, f := range []struct {
			way, text string
			to        *length.Reading
		}{{"width", h.Width, &s.Width}, {"height", h.Height, &s.Height}, {"round", h.Round, &s.Round}} {
			if strings.TrimSpace(f.text) == "" {
				continue
			}
			r, err := typed.Length(fmt.Sprintf("heard[%d].%s", i, f.way), f.text, unit, length.Tape)
			if err != nil {
				return nil, err
			}
			if !strings.Contains(f.text, "±") && !strings.Contains(f.text, "+/-") {
				r.Doubt = 0
			}
			*f.to = r
		}
		out = append(out, s)
	}
	return out, nil
}

// SetHeard keeps what else speaks for the size of a pane. The opening and the old
// pane have their own places on the table.
func (s *Service) SetHeard(ctx context.Context, by record.Account, at jobview.Bench, rows []Heard, version int) error {
	unit, err := s.Store.Shops.UnitFor(ctx, at.Job, by.ID)
	if err != nil {
		return err
	}
	for i, h := range rows {
		if h.Kind == "opening" || h.Kind == "old" {
			return fault.New(fmt.Sprintf("heard[%d].kind", i), "the opening and the old pane are read on the table",
				"type their lengths in the line along the bottom")
		}
	}
	said, err := readHeard(rows, unit)
	if err != nil {
		return err
	}
	return s.Pane(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		if p.Version != version {
			return store.Change{}, change.Stale("who says the size")
		}
		before := p.Heard
		was := *p
		p.Heard = said
		if err := change.Worse(e.Job, &was, p); err != nil {
			return store.Change{}, err
		}
		e.Hold(p)
		return store.Change{Noun: "pane", Item: p.Family, Action: "changed", Said: "what else says the size was noted",
			Before: before, After: said}, nil
	})
}
