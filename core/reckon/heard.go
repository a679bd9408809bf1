package reckon

import (
	"fmt"
	"strings"

	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/witness"
	"freshshard/core/working"
)

// copied gives a pane that is copied from the old one what everybody says of its
// size, the old pane among them.
func (r Sized) copied() (Sized, error) {
	if !r.problem.Copies() || len(r.k.Heard) == 0 {
		return r, nil
	}
	w, err := witness.Of(withOld(r.k), 0, r.round())
	if err != nil {
		return r, err
	}
	r.Heard = r.hear(w)
	r.problem.Said = reading.Witnessed{Width: spoken(w.Width), Height: spoken(w.Height)}
	return r, nil
}

func spoken(j *witness.Joined) *reading.Spoken {
	if j == nil {
		return nil
	}
	names := make([]string, 0, len(j.Says))
	for _, s := range j.Says {
		if !s.Liar {
			names = append(names, s.Name)
		}
	}
	return &reading.Spoken{Size: j.Size, Doubt: j.Doubt, Words: "as " + strings.Join(names, ", ") + " say"}
}

// withOld are the witnesses with the old pane, which has its own readings.
func withOld(k Known) []witness.Said {
	old := witness.Said{Kind: "old", Width: k.Readings[reading.OldWidth], Height: k.Readings[reading.OldHeight]}
	return append([]witness.Said{old}, k.Heard...)
}

// heard holds the opening against what else speaks for the size. The order goes by
// the opening, which the pane has to fit; where the others speak against it, it is
// said.
func (r Sized) heard() (Sized, error) {
	if r.problem.Copies() || !r.Road.Sized || len(r.k.Heard) == 0 {
		return r, nil
	}
	said := withOld(r.k)
	c := r.problem.Limits.Clearance.V
	if r.Fit.Ready {
		at := func(size float64) length.Reading { return length.Reading{Value: size + 2*c} }
		said = append([]witness.Said{{Kind: "opening", Width: at(r.Fit.Nominal.W), Height: at(r.Fit.Nominal.H)}}, said...)
	}
	w, err := witness.Of(said, c, r.round())
	if err == nil {
		r.Heard = r.hear(w)
	}
	return r, err
}

// hear is what they stand for, as it is shown. The opening speaks by the rule of
// its way of holding.
func (r Sized) hear(w witness.Pane) *witness.Pane {
	for _, j := range []*witness.Joined{w.Width, w.Height} {
		if j == nil {
			continue
		}
		for i := range j.Says {
			if j.Says[i].Kind == "opening" {
				j.Says[i].Formula = "what its rule leaves of it"
			}
		}
		j.Figures = Present(j.Figures, r.k.Unit)
	}
	return &w
}

// round is how long the outline of a pane is that is so wide and high; nil while its
// shape is not known.
func (r Sized) round() func(w, h float64) float64 {
	if p := r.Fit.Pane; len(p) > 0 {
		b := p.Box()
		return func(w, h float64) float64 { return p.Perimeter() * (w + h) / (b.Width() + b.Height()) }
	}
	if r.k.Shape.Kind != "" {
		return nil
	}
	return witness.Cornered(0)
}

// heardFigures are what the witnesses stand for, loud where the opening is the one
// that the others speak against, or where none can be named.
func (r Sized) heardFigures() []working.Figure {
	if r.Heard == nil {
		return nil
	}
	var out []working.Figure
	for _, w := range []struct {
		name string
		j    *witness.Joined
	}{{"width", r.Heard.Width}, {"height", r.Heard.Height}} {
		if w.j == nil {
			continue
		}
		f := w.j.Figures[0]
		f.Key = "witnessed_" + w.name
		f.Sentence = fmt.Sprintf("is the pane's %s as %s say, ±%s mm", w.name, count(len(w.j.Says)),
			working.Num(w.j.Doubt, 1))
		if _, liar, ok := w.j.OffOf("opening"); ok && (liar || !w.j.Agree() && !w.j.Named()) {
			f.Verdict, f.Sentence = working.Warn, f.Sentence+". "+w.j.Words+" Before it is ordered: "+w.j.Tell
		}
		out = append(out, f)
	}
	return out
}

func count(n int) string {
	if n == 1 {
		return "one alone"
	}
	return fmt.Sprintf("%d together", n)
}
