package stock

import (
	"context"
	"encoding/json"
	"fmt"
	"strconv"

	"freshshard/core/cutting"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/usual"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/standing"
	"freshshard/internal/store"
)

// CutAt is the cut that a person saw, at the version of the plan.
type CutAt struct {
	Sheet   int    `json:"sheet" minimum:"0" maximum:"1000"`
	Path    string `json:"path" maxLength:"400" pattern:"^[ab]*$"`
	Version int    `json:"version"`
}

// planChange changes a plan that is open, at the version that was seen.
func (s *Service) planChange(ctx context.Context, id int64, version int,
	f func(*store.Tx, *record.CutPlan, *CutDoc) error) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if err := t.Shops.LockShop(ctx); err != nil {
			return err
		}
		p, err := t.Stocks.CutPlan(ctx, id)
		if err != nil {
			return err
		}
		if p.State != "open" || p.Version != version {
			return &record.Conflict{Says: "Somebody else is at this plan. It is shown as it is now."}
		}
		var doc CutDoc
		if err := json.Unmarshal(p.Doc, &doc); err != nil {
			return err
		}
		if err := f(t, &p, &doc); err != nil {
			return err
		}
		if p.Doc, err = json.Marshal(doc); err != nil {
			return err
		}
		found, err := t.Stocks.SetPlan(ctx, p)
		if err == nil && !found {
			err = change.Stale("this plan")
		}
		return err
	})
}

// Cut marks the next cut as made. With the last one the sheets are booked out, the
// offcuts in, and the panes are there. A tap that comes twice counts once.
func (s *Service) Cut(ctx context.Context, by record.Account, id int64, at CutAt) error {
	done, err := s.already(ctx, id, at)
	if err != nil || done {
		return err
	}
	return s.planChange(ctx, id, at.Version, func(t *store.Tx, p *record.CutPlan, d *CutDoc) error {
		var err error
		if d.Made, _, err = d.Plan.Do(d.Made, cutting.Mark{Sheet: at.Sheet, Path: at.Path}); err != nil {
			return err
		}
		if _, c := d.Plan.Next(d.Made); c == nil {
			p.State = "done"
			return s.moveStock(ctx, t, by, p, d)
		}
		return nil
	})
}

// already says that a cut is made: a retry of it.
func (s *Service) already(ctx context.Context, id int64, at CutAt) (bool, error) {
	p, err := s.Store.Stocks.CutPlan(ctx, id)
	if err != nil {
		return false, err
	}
	var d CutDoc
	if err := json.Unmarshal(p.Doc, &d); err != nil {
		return false, err
	}
	for _, m := range d.Made {
		if m.Sheet == at.Sheet && m.Path == at.Path && !m.Broke {
			return true, nil
		}
	}
	return false, nil
}

// UndoCut takes the last cut back, as long as the plan is not booked.
func (s *Service) UndoCut(ctx context.Context, _ record.Account, id int64, version int) error {
	return s.planChange(ctx, id, version, func(_ *store.Tx, _ *record.CutPlan, d *CutDoc) error {
		if len(d.Made) == 0 {
			return fault.New("version", "nothing is cut yet", "there is nothing to take back")
		}
		d.Made = d.Made[:len(d.Made)-1]
		return nil
	})
}

// Broke books what broke at the next cut: everything in hand there is lost, what is cut
// free is kept, and the plan ends. What was in it waits again.
func (s *Service) Broke(ctx context.Context, by record.Account, id int64, at CutAt) error {
	return s.planChange(ctx, id, at.Version, func(t *store.Tx, p *record.CutPlan, d *CutDoc) error {
		sheet, c := d.Plan.Next(d.Made)
		if c == nil || sheet != at.Sheet || c.Path != at.Path {
			return fault.New("path", "another cut comes first", "look at the one that is shown")
		}
		if d.Tubes {
			d.Made = brokeTube(d.Made, sheet, c.Path)
		} else {
			d.Made = append(d.Made, cutting.Mark{Sheet: sheet, Path: c.Path, Broke: true})
		}
		p.State = "broken"
		// One score that ran off is one try, however many panes lay in the piece.
		if err := t.Stocks.NoteTries(ctx, p.Material, by.ID, 0, 1); err != nil {
			return err
		}
		return s.moveStock(ctx, t, by, p, d)
	})
}

// moveStock takes the sheets that were begun out of the stores and brings in what is left of
// them; panes that are free are noted as cut, and their order is ticked.
func (s *Service) moveStock(ctx context.Context, t *store.Tx, by record.Account, p *record.CutPlan, d *CutDoc) error {
	why := fmt.Sprintf("cut, plan %d", p.ID)
	for i, sheet := range d.Plan.Sheets {
		if !d.Plan.Begun(d.Made, i) && sheet.Root.Kind != cutting.IsPiece {
			continue
		}
		item, err := strconv.ParseInt(sheet.Stock, 10, 64)
		if err != nil {
			return err
		}
		found, err := t.Stocks.Move(ctx, item, -1, why, 0, by.ID, s.Now())
		if err == nil && !found {
			err = fault.New("stock", d.Stocks[sheet.Stock]+" is not in the stores any more", "count what is there, then book it")
		}
		if err != nil {
			return err
		}
	}
	for _, h := range d.Plan.InHand(d.Made) {
		if h.Node.Kind != cutting.IsOffcut && h.Node.Kind != cutting.IsCut {
			continue
		}
		if err := s.rack(ctx, t, by, p, d, h, why); err != nil {
			return err
		}
	}
	good := d.Plan.Good(d.Made)
	n := 0
	for piece, c := range d.Panes {
		if good[piece] == 0 {
			continue
		}
		n++
		if err := t.Stocks.NoteCut(ctx, c.Pane, p.ID, s.Now()); err != nil {
			return err
		}
		if err := s.tickCut(ctx, t, by, c); err != nil {
			return err
		}
	}
	return t.Stocks.NoteTries(ctx, p.Material, by.ID, n, 0)
}

// rack brings an offcut in, at what it is worth of its sheet.
func (s *Service) rack(ctx context.Context, t *store.Tx, by record.Account, p *record.CutPlan, d *CutDoc,
	h cutting.InHand,
	why string) error {
	sheet := d.Plan.Sheets[h.Sheet]
	item, err := strconv.ParseInt(sheet.Stock, 10, 64)
	if err != nil {
		return err
	}
	own, err := t.Shops.Own(ctx)
	if err != nil {
		return err
	}
	from, err := t.Stocks.StockItem(ctx, item)
	if err != nil {
		return err
	}
	worth := cutting.WorthOf(d.Task.Rules) * h.Node.W * h.Node.H / (sheet.W * sheet.H)
	v := record.StockItem{Kind: record.OffcutStock, Material: p.Material, Thickness: p.Thickness, W: h.Node.W, H: h.Node.H,
		Unit: "pc", Quantity: 1, Cents: int64(float64(from.Cents) * worth), Place: "rack", Lot: from.Lot}
	if d.Tubes {
		v.Kind, v.W, v.H, v.Place = record.TubeStock, from.W, h.Node.W, from.Place
		if h.Node.W < usual.Of(own, usual.TubeKept) {
			return nil
		}
	}
	_, err = s.bringIn(ctx, t, by, v, why)
	return err
}

// cutStep is the step of the source that cutting it here does.
const cutStep = "order"

// tickCut ticks the order of a pane that was cut here.
func (s *Service) tickCut(ctx context.Context, t *store.Tx, by record.Account, c standing.ToCut) error {
	signed, err := t.Jobs.LockJob(ctx, c.Job)
	if err != nil || signed {
		return err
	}
	j, err := t.Jobs.Job(ctx, c.Job)
	if err != nil {
		return err
	}
	q := j.Pane(c.Pane)
	if q == nil {
		return nil // it was taken out of the job since
	}
	b := jobview.PaneOf(&j, q, length.MM, nil, jobview.Numbers)
	st, err := b.Step(cutStep)
	if err == nil && jobview.TickOf(q, cutStep) == nil && s.WaitOf(&j, b, st) == nil {
		if err := t.Panes.SetTick(ctx, q.ID, record.Tick{Step: cutStep, Outcome: "done", Version: 1, At: s.Now()},
			by.ID); err != nil {
			return err
		}
	}
	if err := t.Trail.Audit(ctx, store.Change{Job: c.Job, Account: by.ID, At: s.Now(), Noun: "pane",
		Item:   jobview.Name(*q),
		Action: "cut",
		Said:   "cut here: " + c.Size}); err != nil {
		return err
	}
	return t.Jobs.TouchJob(ctx, c.Job)
}

// CutAgain lets a pane wait to be cut once more: it broke after it was free.
func (s *Service) CutAgain(ctx context.Context, _ record.Account, job, paneID int64) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return err
		}
		q := j.Pane(paneID)
		if q == nil {
			return &record.NotFound{What: "this pane"}
		}
		found, err := t.Stocks.ForgetCut(ctx, q.ID)
		if err != nil || !found {
			return err
		}
		if err := t.Panes.ClearTick(ctx, q.ID, cutStep); err != nil {
			return err
		}
		return t.Jobs.TouchJob(ctx, job)
	})
}

// SparesFor is how many blanks to cut of a material for one good pane, by what came out
// good in whose hands.
func (s *Service) SparesFor(ctx context.Context, by record.Account, material string, shaped bool,
	sure float64) (cutting.Spares,
	error) {
	good, bad, err := s.Store.Stocks.Tries(ctx, material, by.ID)
	if err != nil {
		return cutting.Spares{}, err
	}
	return cutting.Ladder(1, sure, cutting.Tries{Usual: cutting.UsualChance(shaped), Good: good, Bad: bad})
}

// CutHere says that a pane is cut here by hand, and sizes it for that.
func (s *Service) CutHere(ctx context.Context, by record.Account, at jobview.Bench) error {
	return s.Pane(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		if p.Cutter == fit.HandCut {
			return store.Change{}, nil
		}
		before, was := p.Cutter, *p
		p.Cutter = fit.HandCut
		if err := change.Worse(e.Job, &was, p); err != nil {
			return store.Change{}, err
		}
		e.Hold(p)
		return store.Change{Noun: "pane", Item: jobview.Name(*p), Action: "changed", Said: "it is cut here, by hand",
			Before: before, After: p.Cutter}, nil
	})
}
