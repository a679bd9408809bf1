package records

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"

	"freshshard/core/prove"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Signature asks for the sign-off; Override is an owner's reason for signing
// over what is open. No reason signs over a stop: each is taken on by itself.
type Signature struct {
	Override string `json:"override,omitempty" maxLength:"500"`
}

// Open is a refused sign-off with what stands in the way.
type Open struct{ Hindrances []prove.Hindrance }

func (e *Open) Error() string {
	return fmt.Sprintf("Not signed: %d things are open. First: %s.", len(e.Hindrances), e.Hindrances[0].Text)
}

// Sign signs a job off and fixes what was reckoned. A retry with the same key
// gives the same ticket.
func (s *Service) Sign(ctx context.Context, by record.Account, key string, job int64, in Signature) (int64, error) {
	override, err := typed.Text("override", in.Override, 500, false)
	if err != nil {
		return 0, err
	}
	request := struct {
		Job int64
		Signature
	}{job, in}
	var number int64
	err = change.Again(ctx, func() error {
		in, err := s.signing(ctx, job)
		if err != nil {
			return err
		}
		number, err = s.Create(ctx, by, key, "ticket", request, func(t *store.Tx) (int64, error) {
			signed, err := t.Jobs.LockJob(ctx, job)
			if err != nil {
				return 0, err
			}
			if signed {
				return 0, &record.Conflict{Says: "This job is signed off already."}
			}
			turned, err := t.Jobs.Turn(ctx, job, in.job.Pulse)
			if err == nil && !turned {
				err = change.ErrMoved
			}
			if err != nil {
				return 0, err
			}
			if in.override, err = signsOver(by, in.view.Hindrances, override); err != nil {
				return 0, err
			}
			return s.sign(ctx, t, by, in)
		})
		return err
	})
	return number, err
}

// signing reads a job and works out what its ticket would fix, under no lock. Of a job that is
// signed nothing is worked out.
func (s *Service) signing(ctx context.Context, job int64) (signing, error) {
	j, err := s.Store.Jobs.Job(ctx, job)
	if err != nil || j.Signed {
		return signing{job: j}, err
	}
	in := signing{job: j}
	if in.shop, err = s.Store.Shops.Shop(ctx); err != nil {
		return in, err
	}
	if in.view, err = s.View(j, nil, 0, in.shop.Unit, jobview.Numbers); err != nil {
		return in, err
	}
	in.fixed = measure.Fixed(j, in.shop.Unit)
	return in, nil
}

// signsOver is the reason for which an owner signs over what is open, empty where nothing is.
// Nobody signs over a stop.
func signsOver(by record.Account, open []prove.Hindrance, override string) (string, error) {
	switch {
	case len(open) == 0:
		return "", nil
	case override == "":
		return "", &Open{open}
	}
	if err := people.OwnerOnly(by); err != nil {
		return "", err
	}
	if slices.ContainsFunc(open, func(h prove.Hindrance) bool { return h.Kind == prove.KindStop }) {
		return "", &Open{open}
	}
	return override, prove.Words("override", override)
}

// signing is a job as it is signed.
type signing struct {
	job      record.Job
	view     jobview.View
	fixed    []jobview.Fixed
	shop     record.Shop
	override string
}

// sign fixes a job under its number and seal, and tells of it.
func (s *Service) sign(ctx context.Context, t *store.Tx, by record.Account, in signing) (int64, error) {
	j, v, shop, override, job := in.job, in.view, in.shop, in.override, in.job.ID
	k := record.Ticket{By: by.Name, At: s.Now(), Override: override}
	if err := t.Shops.LockShop(ctx); err != nil {
		return 0, err
	}
	var err error
	if k.Number, err = t.Panes.AddTicket(ctx, job, by.ID, k.At, override); err != nil {
		return 0, err
	}
	j.Own = nil
	doc, err := json.Marshal(jobview.Signed{Shop: shop, Job: j, Fixed: in.fixed})
	if err != nil {
		return 0, err
	}
	k.Document = string(doc)
	if err := s.Seal(ctx, t, job, k); err != nil {
		return 0, err
	}
	signedJob := j
	signedJob.Ticket = &k
	if err := s.goneOut(ctx, t, by, j, v.Benches, s.Views(signedJob, v.Benches, shop.Unit)); err != nil {
		return 0, err
	}
	said := "signed off"
	if override != "" {
		said = "signed off over what was open: " + override
	}
	return k.Number, t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "ticket",
		Item: fmt.Sprint(k.Number), Action: "signed", Said: said, After: v.Hindrances})
}
