package change

import (
	"context"

	"freshshard/core/drawing"
	"freshshard/core/reckon"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// Table reads a job with one of its panes and works everything out.
func (s *Keeper) Table(ctx context.Context, at jobview.Bench) (jobview.View, error) {
	j, was, shop, err := s.Whole(ctx, at)
	if err != nil {
		return jobview.View{}, err
	}
	return s.View(j, was, at.Pane, shop.Unit, jobview.Drawn)
}

// Work is Table without its drawings, odds and choice: what was done and what is
// to be done.
func (s *Keeper) Work(ctx context.Context, at jobview.Bench) (jobview.View, error) {
	j, was, shop, err := s.Whole(ctx, at)
	if err != nil {
		return jobview.View{}, err
	}
	return s.View(j, was, at.Pane, shop.Unit, jobview.Numbers)
}

// Whole reads a job, one that is signed as it was signed, with the shop that
// goes with it.
func (s *Keeper) Whole(ctx context.Context, at jobview.Bench) (record.Job, *jobview.Signed, record.Shop, error) {
	j, err := s.job(ctx, at.Job)
	if err != nil {
		return j, nil, record.Shop{}, err
	}
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return j, nil, shop, err
	}
	marks := shop.Unit
	if at.By != 0 {
		if shop.Unit, err = s.Store.Shops.UnitFor(ctx, at.Job, at.By); err != nil {
			return j, nil, shop, err
		}
	}
	j, was, err := s.sealed(ctx, j)
	j.Marks = marks
	if was != nil {
		shop = was.Shop // its numbers are written in the unit of that day
	}
	return j, was, shop, err
}

// Benches reads a job with each of its panes for its papers, by number, with the
// shop as they name it. Each pane is reckoned once.
func (s *Keeper) Benches(ctx context.Context, job int64) ([]jobview.View, record.Shop, error) {
	j, was, shop, err := s.Whole(ctx, jobview.First(job))
	if err != nil {
		return nil, shop, err
	}
	benches := make([]jobview.Pane, 0, len(j.Panes))
	for i := range j.Panes {
		benches = append(benches, jobview.PaneOf(&j, &j.Panes[i], shop.Unit, was, jobview.Sheet))
	}
	return s.Views(j, benches, shop.Unit), shop, nil
}

// Sheet reads one pane of a job for a drawing, and nothing of the others.
func (s *Keeper) Sheet(ctx context.Context, at jobview.Bench) (reckon.Reckoning, record.Job, error) {
	j, was, shop, err := s.Whole(ctx, at)
	if err != nil {
		return reckon.Reckoning{}, j, err
	}
	p, err := jobview.Find(&j, at)
	if err != nil {
		return reckon.Reckoning{}, j, err
	}
	return jobview.PaneOf(&j, p, shop.Unit, was, jobview.Sheet).Reckoning, j, nil
}

// Object draws the object of a job with how its panes stand.
func (s *Keeper) Object(ctx context.Context, at jobview.Bench) (drawing.Drawing, error) {
	j, was, shop, err := s.Whole(ctx, at)
	if err != nil {
		return drawing.Drawing{}, err
	}
	v, err := s.View(j, was, at.Pane, shop.Unit, jobview.Numbers)
	return v.Object, err
}
