package shop

import (
	"context"
	"fmt"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/reckon"
	"freshshard/core/witness"
)

// WitnessIn is what speaks for the size of a pane, as it was said. Clearance is
// that of the way of holding, each side, mm.
type WitnessIn struct {
	Clearance float64 `json:"clearance" minimum:"0" maximum:"50"`
	Heard     []Heard `json:"heard" minItems:"1" maxItems:"20"`
}

// Heard is one of them, over the width, the height, or both.
type Heard struct {
	Kind   string  `json:"kind" enum:"opening,old,traced,pieces,neighbour,sheet,stock,customer"`
	Width  string  `json:"width,omitempty" maxLength:"60"`
	Height string  `json:"height,omitempty" maxLength:"60"`
	Cracks int     `json:"cracks,omitempty" minimum:"0" maximum:"40" doc:"That the tape crossed, over pieces laid together"`
	Pen    float64 `json:"pen,omitempty" minimum:"0" maximum:"20" doc:"Width of the line round a traced pane, mm"`
}

// WitnessOut is what they stand for in each direction; none where nothing was
// said.
type WitnessOut struct {
	Width  *witness.Joined `json:"width,omitempty"`
	Height *witness.Joined `json:"height,omitempty"`
}

// Witness joins them. A doubt that was not typed is the kind's usual one.
func (s *Shop) Witness(ctx context.Context, in WitnessIn) (WitnessOut, error) {
	shop, err := s.store.Shop(ctx)
	if err != nil {
		return WitnessOut{}, err
	}
	var out WitnessOut
	if out.Width, err = joined(in, "width", shop.Unit, func(h Heard) string { return h.Width }); err != nil {
		return out, err
	}
	if out.Height, err = joined(in, "height", shop.Unit, func(h Heard) string { return h.Height }); err != nil {
		return out, err
	}
	if out.Width == nil && out.Height == nil {
		return out, fault.New("heard", "nobody was heard yet",
			"type one length at least: of the opening, the old pane, a neighbour")
	}
	return out, nil
}

func joined(in WitnessIn, way string, unit length.Unit, of func(Heard) string) (*witness.Joined, error) {
	var heard []witness.Heard
	var rows []int
	for i, h := range in.Heard {
		text := of(h)
		if strings.TrimSpace(text) == "" {
			continue
		}
		r, err := readText(fmt.Sprintf("heard[%d].%s", i, way), text, unit, length.Tape)
		if err != nil {
			return nil, err
		}
		w := witness.Heard{Kind: h.Kind, Value: r.Value, Cracks: h.Cracks, Pen: h.Pen}
		if strings.Contains(text, "±") || strings.Contains(text, "+/-") {
			w.Doubt = r.Doubt
		}
		heard, rows = append(heard, w), append(rows, i)
	}
	if len(heard) == 0 {
		return nil, nil
	}
	j, err := witness.Join(heard, in.Clearance)
	if f := fault.Of(err); f != nil {
		var n int
		var field string
		if k, _ := fmt.Sscanf(f.Field, "heard[%d].%s", &n, &field); k == 2 && n < len(rows) {
			if field == "value" || field == "doubt" {
				field = way
			}
			return nil, fault.New(fmt.Sprintf("heard[%d].%s", rows[n], field), f.Why, f.Cure)
		}
	}
	if err == nil {
		j.Figures = reckon.Present(j.Figures, unit)
	}
	return &j, err
}
