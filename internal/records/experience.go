package records

import (
	"context"
	"slices"
	"time"

	"freshshard/core/diagnose"
	"freshshard/core/experience"
	"freshshard/core/pane"
	"freshshard/core/source"
	"freshshard/core/supply"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// materialShort is a material in the words of a label.
func materialShort(id string) string {
	if m, err := pane.Book.ByID(id); err == nil {
		return m.Short
	}
	return id
}

// goneOut writes what goes out with a signature: the address of its passport, what is to
// be looked at again, and what was fitted.
func (s *Service) goneOut(ctx context.Context, t *store.Tx, by record.Account, j record.Job, benches []jobview.Pane,
	views []jobview.View) error {
	if err := s.AddLink(ctx, t, by, record.PassportLink, j.ID); err != nil {
		return err
	}
	passport := passportOf(views, record.Shop{}, s.TimeZone())
	if err := s.remind(ctx, t, by, j.ID, passport.Due); err != nil {
		return err
	}
	first, err := t.Passports.SameObject(ctx, j.Object.ID)
	if err != nil {
		return err
	}
	orders, err := t.Orders.OfJob(ctx, j.ID)
	if err != nil {
		return err
	}
	cut, err := t.Stocks.CutPanes(ctx)
	if err != nil {
		return err
	}
	for i, b := range benches {
		f := fittedOf(j, b, views[i])
		f.Object, f.Out, f.Source = first, s.Now(), sourceOf(orders, b.Pane.ID, cut[b.Pane.ID])
		if err := t.Passports.AddFitted(ctx, f); err != nil {
			return err
		}
	}
	return t.Search.IndexJob(ctx, j.ID)
}

// fittedOf is a line of the shop's experience.
func fittedOf(j record.Job, b jobview.Pane, v jobview.View) record.Fitted {
	f := record.Fitted{Pane: b.Pane.ID, Job: j.ID, Family: b.Pane.Family, Exposure: j.Object.Exposure.ID,
		Seal: sealWords(v)}
	if of := dueOf(v); of.Material != "" {
		f.Material, f.Thickness = of.Material, b.Reckoning.Thickness
	}
	f.Size, _ = sizeWords(v)
	if d := b.Pane.Diagnosis; d != nil {
		f.Cause = d.Cause
	}
	if n := len(b.Pane.Cures); n > 0 {
		f.Adhesive = b.Pane.Cures[n-1].Adhesive
	}
	return f
}

// sourceOf is where a pane came from: who sold it, or the own cut room.
func sourceOf(orders []supply.Order, pane int64, cut bool) string {
	if cut {
		return string(source.Own)
	}
	for _, o := range slices.Backward(orders) {
		if slices.ContainsFunc(o.Lines, func(l supply.Line) bool { return l.Pane == pane }) {
			return string(o.Kind)
		}
	}
	return ""
}

// sourceName is where a pane came from, in words.
func sourceName(id string) string {
	switch id {
	case "":
		return ""
	case string(source.Own):
		return "cut here"
	}
	return source.Offer{Kind: source.Kind(id)}.Called()
}

// Experience is how often what was fitted like this came back within a year.
func (s *Service) Experience(ctx context.Context, at jobview.Bench) ([]experience.Line, error) {
	j, err := s.Store.Jobs.Job(ctx, at.Job)
	if err != nil {
		return nil, err
	}
	p, err := jobview.Find(&j, at)
	if err != nil {
		return nil, err
	}
	all, err := s.Store.Passports.FittedLike(ctx, p.Family, j.Object.Exposure.ID, s.Now().Add(-fiveYears), mostFitted)
	if err != nil {
		return nil, err
	}
	out := make([]experience.Fitted, 0, len(all))
	for _, f := range all {
		e := experience.Fitted{Material: materialShort(f.Material), Seal: f.Seal, Source: sourceName(f.Source),
			Cause: diagnose.NameOf(f.Cause), Out: f.Out, Back: f.Back}
		if f.Adhesive != "" {
			e.Adhesive = jobview.AdhesiveName(f.Adhesive)
		}
		out = append(out, e)
	}
	return experience.Of(out, s.Now()), nil
}

const (
	fiveYears  = 5 * 365 * 24 * time.Hour
	mostFitted = 2000
)

// Through is an object through time: each time that it was here.
type Through struct {
	Job    int64           `json:"job"`
	Signed bool            `json:"signed"`
	Story  string          `json:"story"`
	In     time.Time       `json:"in_at"`
	Panes  []record.Fitted `json:"panes" doc:"What went out"`
	Here   bool            `json:"here" doc:"The one that was asked for"`
}

// Through lists an object's jobs, the newest first.
func (s *Service) Through(ctx context.Context, job int64) ([]Through, error) {
	j, err := s.Store.Jobs.Job(ctx, job)
	if err != nil {
		return nil, err
	}
	first, err := s.Store.Passports.SameObject(ctx, j.Object.ID)
	if err != nil {
		return nil, err
	}
	ids, err := s.Store.Passports.JobsOfObject(ctx, first)
	if err != nil {
		return nil, err
	}
	jobs, err := s.Store.Jobs.Several(ctx, ids)
	if err != nil {
		return nil, err
	}
	fitted, err := s.Store.Passports.FittedIn(ctx, first)
	if err != nil {
		return nil, err
	}
	out := []Through{}
	for _, k := range jobs {
		t := Through{Job: k.ID, Signed: k.Signed, Story: k.Story, In: k.CreatedAt, Panes: []record.Fitted{},
			Here: k.ID == job}
		for _, f := range fitted {
			if f.Job == k.ID {
				f.Material, f.Cause = materialShort(f.Material), diagnose.NameOf(f.Cause)
				t.Panes = append(t.Panes, f)
			}
		}
		out = append(out, t)
	}
	return out, nil
}
