package standing

import (
	"slices"

	"freshshard/core/cure"
	"freshshard/core/holding"
	"freshshard/core/plan"
	"freshshard/core/setting"
	"freshshard/internal/jobview"
)

// layingSteps are those at which a tube is opened.
var layingSteps = []string{"bead", "bond", "bed"}

// laying is a bead that somebody could lay at a pane today; nil where none is near.
func laying(b jobview.Pane) *cure.Laying {
	r := &b.Reckoning
	i := slices.IndexFunc(r.Plan.Steps, func(st plan.Step) bool { return slices.Contains(layingSteps, st.Key) })
	if i < 0 || b.Done[r.Plan.Steps[i].Key] || b.Pane.WaitsFor != "" || r.Road.Sized && !r.Fit.Ready {
		return nil
	}
	// It is near when everything up to the source is done: the pane is here.
	for _, st := range r.Plan.Steps[:i] {
		if !b.Done[st.Key] && !slices.Contains([]string{"prepare", "set"}, string(st.Station)) {
			return nil
		}
	}
	id := cure.UsualFor(b.Pane.Family)
	for _, a := range cure.Book.All() {
		if slices.Contains(b.Pane.Uses, a.Touch) {
			id = a.ID
			break
		}
	}
	a, err := cure.Book.ByID(id)
	if err != nil {
		return nil
	}
	width := b.Pressed()
	l := &cure.Laying{Pane: b.Pane.ID, Adhesive: a.ID, Width: width, Edges: 2}
	if p, ok := r.Outline(); ok && !holding.Of(r.Family.Sizing).Plate {
		path := p
		if land, ok := b.Land(); ok {
			if in, err := setting.BeadPath(p, land, width); err == nil {
				path = in
			}
		}
		figures, err := setting.Bead{Length: path.Perimeter(), Section: setting.Triangle, Width: 8, Height: 12,
			Skin: a.Skin[0]}.Figures()
		if err != nil {
			return nil
		}
		for _, f := range figures {
			switch f.Key {
			case "bead_volume":
				l.Ml = f.Value
			case "bead_time":
				l.Minutes = f.Value
			}
		}
	}
	return l
}
