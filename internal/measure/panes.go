package measure

import (
	"context"
	"fmt"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Whole is where the only pane of an object is.
var Whole = drawing.Layout{Across: 1, Down: 1}.Spots()[0]

// LaidOut puts panes into a layout and adds those that it has more, held as the
// first one is.
func LaidOut(l drawing.Layout, panes []record.Pane) ([]record.Pane, error) {
	n := l.Count()
	switch {
	case l.Across < 1 || !l.Behind && l.Down < 1 || n > drawing.MostPanes:
		return nil, fault.New("layout.across", fmt.Sprintf("%d panes are no layout that can be walked", n),
			fmt.Sprintf("from 1 to %d", drawing.MostPanes))
	case l.Behind && n > 10:
		return nil, fault.New("layout.across", "no pack has more than ten panes", "lay them side by side")
	case n < len(panes):
		return nil, fault.New("layout.across", fmt.Sprintf("it has %d panes already", len(panes)),
			"take panes out first that nothing was done to")
	}
	for i, spot := range l.Spots() {
		if i == len(panes) {
			p := record.Pane{Held: panes[0].Held}
			p.Name, p.Uses = "", nil
			p.Shape.Drawn = nil
			if p.Shape.Kind == reading.Drawn {
				p.Shape = reading.Shape{}
			}
			panes = append(panes, p)
		}
		panes[i].Number, panes[i].Spot = i+1, spot
	}
	return panes, nil
}

// NewLayout is how the panes of an object stand. Had is how many panes the person
// saw.
type NewLayout struct {
	drawing.Layout
	Had int `json:"had" minimum:"1"`
}

// SetLayout sets how the panes stand and adds those that are missing.
func (s *Service) SetLayout(ctx context.Context, by record.Account, job int64, in NewLayout) error {
	return s.All(ctx, by, job, func(e *change.Edit) (store.Change, error) {
		had := len(e.Job.Panes)
		if had != in.Had {
			return store.Change{}, change.Stale("the panes of the object")
		}
		panes, err := LaidOut(in.Layout, e.Job.Panes)
		if err != nil {
			return store.Change{}, err
		}
		e.SetPanes(panes)
		return store.Change{Noun: "panes", Item: fmt.Sprint(len(panes)), Action: "laid out",
			Said: fmt.Sprintf("the object has %d panes", len(panes)), Before: had, After: in.Layout}, nil
	})
}

// Placed is where a pane is put on its object, with the pane's version that the
// person saw.
type Placed struct {
	drawing.Spot
	Version int `json:"version"`
}

// PlacePane puts a pane elsewhere on its object. How deep it lies in a pack
// stays as it was.
func (s *Service) PlacePane(ctx context.Context, by record.Account, at jobview.Bench, in Placed) error {
	spot := in.Spot
	if err := spot.Check(); err != nil {
		return err
	}
	return s.NotePane(ctx, by, at, func(t *store.Tx, _ *record.Job, p *record.Pane) (store.Change, error) {
		before := p.Spot
		spot.Depth = before.Depth
		if before == spot {
			return store.Change{}, nil
		}
		if p.Version != in.Version {
			return store.Change{}, change.Stale("this pane")
		}
		p.Spot = spot
		return store.Change{Noun: "panes", Item: fmt.Sprint(p.Number), Action: "moved", Said: "put elsewhere on the object",
			Before: before, After: spot}, t.Panes.MovePane(ctx, *p)
	})
}

// DropPane takes a pane out that nothing was done to.
func (s *Service) DropPane(ctx context.Context, by record.Account, at jobview.Bench) error {
	return s.NotePane(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		switch {
		case len(j.Panes) == 1:
			return store.Change{}, fault.New("pane", "an object has one pane at least", "keep it")
		case len(p.Readings)+len(p.Ticks)+len(p.Answers) > 0 || p.Choice != nil || p.Diagnosis != nil:
			return store.Change{}, fault.New("pane", "something was read, seen or done here",
				"take it back first, or keep the pane")
		}
		if err := t.Panes.DropPane(ctx, p.ID); err != nil {
			return store.Change{}, err
		}
		for _, other := range j.Panes {
			if other.Number > p.Number {
				other.Number--
				if err := t.Panes.MovePane(ctx, other); err != nil {
					return store.Change{}, err
				}
			}
		}
		return store.Change{Noun: "panes", Item: fmt.Sprint(p.Number), Action: "dropped", Said: "taken out of the object"},
			nil
	})
}

// Drawn is an outline that is laid on the table as the opening of a pane.
type Drawn struct {
	Outline outline.Outline `json:"outline"`
	Doubt   float64         `json:"doubt" minimum:"0" maximum:"50" doc:"How far a side may be off, mm; 0: by the trace"`
	Trace   *outline.Trace  `json:"trace,omitempty"`
	Version int             `json:"version" doc:"Of the pane, as the person saw it"`
}

// SetDrawing makes an outline the opening of a pane.
func (s *Service) SetDrawing(ctx context.Context, by record.Account, at jobview.Bench, in Drawn) error {
	o, err := Checked(in.Outline)
	if err != nil {
		return err
	}
	return s.Pane(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		if p.Version != in.Version {
			return store.Change{}, change.Stale("how the pane is held")
		}
		before, was := p.Shape.Kind, *p
		p.Shape = reading.Shape{Kind: reading.Drawn, Drawn: &o, Doubt: in.Doubt, Trace: in.Trace, Curved: p.Shape.Curved}
		if err := change.Worse(e.Job, &was, p); err != nil {
			return store.Change{}, err
		}
		e.Hold(p)
		return store.Change{Noun: "shape", Item: reading.Drawn, Action: "changed", Said: "an outline was laid on the table",
			Before: before, After: reading.Drawn}, nil
	})
}

// Checked builds the outline anew, so that nothing that came from outside is
// taken on trust.
func Checked(in outline.Outline) (outline.Outline, error) {
	if len(in.Outer) == 0 {
		return in, fault.New("outline", "there is no closed outline in it", "read a file or mark a photo first")
	}
	loops := []outline.Path{}
	for _, l := range in.Loops() {
		p, err := outline.NewPath(l)
		if err != nil {
			return in, err
		}
		loops = append(loops, p)
	}
	return outline.Sort(loops)
}

// Fixed is what a ticket keeps of each pane: all that its papers show.
func Fixed(j record.Job, unit length.Unit) []jobview.Fixed {
	out := make([]jobview.Fixed, 0, len(j.Panes))
	for i := range j.Panes {
		out = append(out, jobview.Fixed{Pane: j.Panes[i].Number,
			Reckoning: jobview.PaneOf(&j, &j.Panes[i], unit, nil, jobview.Sheet).Reckoning})
	}
	return out
}
