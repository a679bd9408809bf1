package bill

import (
	"context"
	"fmt"

	"freshshard/core/money"
	"freshshard/core/owed"
	"freshshard/core/price"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Pay writes down money that came for a job. What is given back is less than nothing, and an
// owner's to say. Nothing is ever taken out: a slip is put right by its opposite.
func (s *Service) Pay(ctx context.Context, by record.Account, key string, job int64, in owed.Entry) error {
	if in.Cents < 0 {
		if err := people.OwnerOnly(by); err != nil {
			return err
		}
	}
	var err error
	if in.Note, err = typed.Text("note", in.Note, 200, false); err != nil {
		return err
	}
	request := struct {
		Job int64
		In  owed.Entry
	}{job, in}
	lock := func(t *store.Tx) error { return t.Shops.LockShop(ctx) }
	_, err = s.CreateBehind(ctx, by, key, "payment", request, lock, func(t *store.Tx) (int64, error) {
		if _, err := t.Jobs.JobState(ctx, job); err != nil {
			return 0, err
		}
		papers, err := t.Bills.OfJob(ctx, job)
		if err != nil {
			return 0, err
		}
		had, err := t.Bills.Payments(ctx, job)
		if err != nil {
			return 0, err
		}
		now := s.Now().In(s.TimeZone())
		a := owed.Stand(owes(papers), had, now)
		if err := in.Check(a, mayCome(papers, a), now); err != nil {
			return 0, err
		}
		id, err := t.Bills.AddPayment(ctx, job, in, by.ID, s.Now())
		if err != nil {
			return 0, err
		}
		said := money.Text(in.Cents) + " paid"
		if in.Cents < 0 {
			said = money.Text(-in.Cents) + " given back"
		}
		return id, t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "payment",
			Item: fmt.Sprint(id), Action: "written", Said: said, After: in})
	})
	return err
}

// mayCome is what may be paid: what is open, before an invoice what was quoted; less than nothing
// where nobody said how much.
func mayCome(papers []record.Bill, a owed.Account) int64 {
	quoted := int64(-1)
	for _, p := range papers {
		switch p.Kind {
		case price.Quote:
			quoted = p.Total
		case price.Invoice, price.Credit:
			return max(0, a.Open)
		}
	}
	if quoted < 0 {
		return -1
	}
	return max(0, quoted-a.Paid)
}

// owes are the invoices and credits among papers.
func owes(all []record.Bill) []owed.Paper {
	out := []owed.Paper{}
	for _, b := range all {
		if b.Kind != price.Quote {
			out = append(out, owed.Paper{Kind: b.Kind, Total: b.Total, Due: b.Due})
		}
	}
	return out
}

// Owing lists jobs of which something is open or is to be given back, the soonest due first; an
// owner's to read.
func (s *Service) Owing(ctx context.Context, by record.Account) ([]record.Owing, error) {
	if err := people.OwnerOnly(by); err != nil {
		return nil, err
	}
	all, err := s.Store.Bills.Owing(ctx)
	for i := range all {
		o := &all[i]
		papers := []owed.Paper{{Kind: price.Invoice, Total: o.Billed, Due: o.Due}}
		if o.Number == 0 { // the last one was taken back
			papers = append(papers, owed.Paper{Kind: price.Credit})
		}
		o.Account = owed.Stand(papers, []owed.Payment{{Entry: owed.Entry{Cents: o.Paid}}}, s.Now().In(s.TimeZone()))
	}
	return all, err
}

// Received lists payments of the days from one to another, both with; an owner's to read.
func (s *Service) Received(ctx context.Context, by record.Account, from, to string) ([]record.Received, error) {
	if err := people.OwnerOnly(by); err != nil {
		return nil, err
	}
	return s.Store.Bills.Received(ctx, from, to)
}
