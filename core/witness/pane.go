package witness

import (
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
	"freshshard/core/length"
)

// Said is one witness over the width, the height or, of a joined gasket's groove,
// all round it, mm; a reading of 0 was not taken, and a doubt of 0 is the kind's
// usual.
type Said struct {
	Kind   string         `json:"kind" enum:"opening,old,traced,pieces,neighbour,groove,sheet,stock,customer"`
	Width  length.Reading `json:"width,omitzero"`
	Height length.Reading `json:"height,omitzero"`
	Round  length.Reading `json:"round,omitzero" doc:"Length of a joined gasket's groove"`
	Cracks int            `json:"cracks,omitempty" minimum:"0" maximum:"40" doc:"Crossed by the tape, of pieces together"`
	Pen    float64        `json:"pen,omitempty" minimum:"0" maximum:"20" doc:"Width of the line round a traced pane, mm"`
}

// Pane is what the witnesses stand for each way; none where nobody spoke.
type Pane struct {
	Width  *Joined `json:"width,omitempty"`
	Height *Joined `json:"height,omitempty"`
}

// Most is more than anybody asks about one pane.
const Most = 20

// Cornered is how long the outline of a pane is whose corners have a radius, mm.
func Cornered(radius float64) func(w, h float64) float64 {
	return func(w, h float64) float64 {
		return 2*(w+h) - (8-2*math.Pi)*math.Min(radius, math.Min(w, h)/2)
	}
}

// Of joins what speaks for a pane, both ways. clearance is the way of holding's,
// each side, mm. A groove's length has no shape of its own: it speaks as soon as
// others say both ways, by how much longer or shorter it is than the outline that
// they give; round is how long that is, mm, nil where the shape is not known. Errors
// name heard[n] and its field.
func Of(said []Said, clearance float64, round func(w, h float64) float64) (Pane, error) {
	if len(said) > Most {
		return Pane{}, fault.New("heard", "that is more than anybody asks", "leave out what says the same")
	}
	width := func(s Said) length.Reading { return s.Width }
	height := func(s Said) length.Reading { return s.Height }
	var out Pane
	var err error
	if out.Width, err = along(said, "width", width, nil, clearance); err != nil {
		return out, err
	}
	if out.Height, err = along(said, "height", height, nil, clearance); err != nil || out.Width == nil ||
		out.Height == nil {
		return out, err
	}
	w, h := out.Width.Size, out.Height.Size
	if round == nil || round(w, h) <= 0 {
		return out, nil
	}
	groove := func(size float64) func(Said) float64 {
		return func(s Said) float64 { return size * s.Round.Value / round(w, h) }
	}
	if out.Width, err = along(said, "width", width, groove(w), clearance); err == nil {
		out.Height, err = along(said, "height", height, groove(h), clearance)
	}
	return out, err
}

// along joins them one way; groove is what a groove's length stands for that way,
// none while that is not known.
func along(said []Said, way string, of func(Said) length.Reading, groove func(Said) float64,
	clearance float64) (*Joined, error) {
	var heard []Heard
	var rows []int
	for i, s := range said {
		r := of(s)
		h := Heard{Kind: s.Kind, Value: r.Value, Doubt: r.Doubt, Cracks: s.Cracks, Pen: s.Pen}
		if s.Kind == Groove {
			if groove == nil || s.Round.Value == 0 {
				continue
			}
			if !(s.Round.Value > 0 && s.Round.Value <= 40000) {
				return nil, fault.New(fmt.Sprintf("heard[%d].round", i), "a groove up to 40 m is expected", "give it in mm")
			}
			h = Heard{Kind: Groove, Value: groove(s)}
		}
		if h.Value == 0 {
			continue
		}
		heard, rows = append(heard, h), append(rows, i)
	}
	if len(heard) == 0 {
		return nil, nil
	}
	j, err := Join(heard, clearance)
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
	return &j, err
}

// OffOf is what the others say of a witness of one kind: by how much it is off
// them, and whether it is the one that is named. ok is false where it was not
// heard, or alone.
func (j *Joined) OffOf(kind string) (off float64, liar, ok bool) {
	if j == nil || len(j.Says) < 2 {
		return 0, false, false
	}
	for _, s := range j.Says {
		if s.Kind == kind {
			return s.Off, s.Liar, true
		}
	}
	return 0, false, false
}

// Named says whether one of them was named as wrong and left out.
func (j *Joined) Named() bool {
	return slices.ContainsFunc(j.Says, func(s Says) bool { return s.Liar })
}

// Agree says whether all that were heard stand for one size.
func (j *Joined) Agree() bool { return agree(j.Says) }
