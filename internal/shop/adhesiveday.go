package shop

import (
	"context"
	"math"
	"slices"
	"time"

	"freshshard/core/cure"
	"freshshard/core/holding"
	"freshshard/core/plan"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/internal/record"
)

// layingSteps are those at which a tube is opened.
var layingSteps = []string{"bead", "bond", "bed"}

// laying is a bead that somebody could lay at a pane today; nil where none is near.
func (b benchView) laying() *cure.Laying {
	r := &b.reck
	i := slices.IndexFunc(r.Plan.Steps, func(st plan.Step) bool { return slices.Contains(layingSteps, st.Key) })
	if i < 0 || b.done[r.Plan.Steps[i].Key] || b.pane.WaitsFor != "" || r.Road.Sized && !r.Fit.Ready {
		return nil
	}
	// It is near when everything up to the source is done: the pane is here.
	for _, st := range r.Plan.Steps[:i] {
		if !b.done[st.Key] && !slices.Contains([]string{"prepare", "set"}, string(st.Station)) {
			return nil
		}
	}
	id := cure.UsualFor(b.pane.Family)
	for _, a := range cure.Adhesives() {
		if slices.Contains(b.pane.Uses, a.Touch) {
			id = a.ID
			break
		}
	}
	a, err := cure.ByID(id)
	if err != nil {
		return nil
	}
	width := b.pressed()
	l := &cure.Laying{Pane: b.pane.ID, Adhesive: a.ID, Width: width, Edges: 2}
	if p, ok := r.Outline(); ok && !holding.Of(r.Family.Sizing).Plate {
		path := p
		if land, ok := b.land(); ok {
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

// How wide a bead of 8 × 12 mm is pressed, and one that only keeps a light from moving,
// mm. Common practice, no source.
const (
	layWidth  = 12.0
	thinWidth = 6.0
)

// pressed is how wide the bead of a pane is pressed, mm: no wider than its flange allows.
func (b benchView) pressed() float64 {
	width := layWidth
	if b.pane.Family == "glued-beads" || b.pane.Family == "ring-port" {
		width = thinWidth
	}
	if land, ok := b.land(); ok && land > setting.BeadClear {
		width = math.Min(width, land-setting.BeadClear)
	}
	return width
}

// land is how far the pane lies on its flange, mm.
func (b benchView) land() (float64, bool) {
	for _, r := range b.pane.Readings {
		if r.Place == reading.Ledge {
			return r.Reading.Value - math.Max(b.reck.Fit.Gap.W, b.reck.Fit.Gap.H), true
		}
	}
	return 0, false
}

// AdhesiveDay is what is opened, set, peeled, unclamped and ready today and tomorrow, a
// line each, for the wall.
type AdhesiveDay struct {
	From  time.Time   `json:"from"`
	Air   *cure.Air   `json:"air,omitempty" doc:"At the bench now; nothing where nobody read it"`
	Lines []cure.Line `json:"lines"`
	Lay   int         `json:"lay" doc:"Panes that could be glued"`
}

// dayShown is how far ahead the wall shows.
const dayShown = 36 * time.Hour

// AdhesiveDay reckons it from the air, the beads of all jobs on the bench and the clocks
// that run.
func (s *Shop) AdhesiveDay(ctx context.Context) (AdhesiveDay, error) {
	now := s.Now()
	out := AdhesiveDay{From: now, Lines: []cure.Line{}}
	all, err := s.openStands(ctx, mostCut)
	if err != nil {
		return out, err
	}
	var lay []cure.Laying
	for _, j := range all {
		for _, p := range j.panes {
			if p.lay == nil {
				continue
			}
			l := *p.lay
			l.Job, l.Name = j.id, j.object
			if len(j.panes) > 1 {
				l.Name += ", " + p.name
			}
			lay = append(lay, l)
		}
	}
	out.Lay = len(lay)
	air, err := s.airs(ctx, s.store, now, s.zone())(record.AtBench)
	if err != nil {
		return out, err
	}
	for _, a := range air {
		if !a.At.After(now) {
			out.Air = &a
		}
	}
	if len(air) > 0 {
		if out.Lines, err = cure.Day(lay, air, quarter(now)); err != nil {
			return out, err
		}
	}
	clocks, err := s.chimes(ctx, now)
	if err != nil {
		return out, err
	}
	for _, c := range clocks {
		kind := map[string]string{"hardens": "ready", "runs": "runs", "comes": "comes"}[c.Kind]
		out.Lines = append(out.Lines, cure.Line{At: c.At, Kind: kind, Job: c.Job, Pane: c.Pane, Name: c.Object,
			Says: c.Title + ": " + c.May})
	}
	out.Lines = slices.DeleteFunc(out.Lines, func(l cure.Line) bool { return l.At.After(now.Add(dayShown)) })
	slices.SortStableFunc(out.Lines, func(a, b cure.Line) int { return a.At.Compare(b.At) })
	return out, nil
}

// quarter is the next quarter of an hour.
func quarter(t time.Time) time.Time {
	q := t.Truncate(15 * time.Minute)
	if q.Before(t) {
		q = q.Add(15 * time.Minute)
	}
	return q
}
