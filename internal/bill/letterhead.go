package bill

import (
	"context"
	"strings"

	"golang.org/x/text/currency"
	"golang.org/x/text/language"

	"freshshard/core/bank"
	"freshshard/core/fault"
	"freshshard/internal/change"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// texts trims what was typed, each at its field, and refuses what is too long.
func texts(all ...typedText) error {
	for _, f := range all {
		var err error
		if *f.text, err = typed.Text(f.field, *f.text, f.most, false); err != nil {
			return err
		}
	}
	return nil
}

type typedText struct {
	field string
	text  *string
	most  int
}

// postal checks an address; a country is two letters that are one (ISO 3166-1).
func postal(p *record.Postal) error {
	if err := texts(typedText{"postal.street", &p.Street, 120}, typedText{"postal.postcode", &p.Postcode, 20},
		typedText{"postal.city", &p.City, 80}); err != nil {
		return err
	}
	p.Country = strings.ToUpper(strings.TrimSpace(p.Country))
	if p.Country == "" {
		return nil
	}
	if r, err := language.ParseRegion(p.Country); err != nil || len(p.Country) != 2 || !r.IsCountry() {
		return fault.New("postal.country", "no country is "+p.Country, "type its two letters, say NO")
	}
	return nil
}

func mail(field string, text *string) error {
	if err := texts(typedText{field, text, 120}); err != nil {
		return err
	}
	return typed.Mail(field, *text)
}

// atBank puts what is wrong with an account to its field on the letterhead.
func atBank(err error) error {
	f := fault.Of(err)
	return fault.New("bank."+f.Field, f.Why, f.Cure)
}

// Letterhead is what stands on every paper; nothing while nobody said it.
func (s *Service) Letterhead(ctx context.Context) (record.Letterhead, error) {
	return s.Store.Bills.Letterhead(ctx)
}

// SetLetterhead keeps it; an owner does. What was written before stays as it was.
func (s *Service) SetLetterhead(ctx context.Context, by record.Account, l record.Letterhead) error {
	if err := people.OwnerOnly(by); err != nil {
		return err
	}
	if err := texts(typedText{"phone", &l.Phone, 40}, typedText{"tax_number", &l.TaxNumber, 40},
		typedText{"bank.holder", &l.Bank.Holder, 70}); err != nil {
		return err
	}
	if err := postal(&l.Postal); err != nil {
		return err
	}
	if err := mail("mail", &l.Mail); err != nil {
		return err
	}
	var err error
	if l.Bank.IBAN, err = bank.IBAN(l.Bank.IBAN); err != nil {
		return atBank(err)
	}
	if l.Bank.BIC, err = bank.BIC(l.Bank.BIC); err != nil {
		return atBank(err)
	}
	if l.Currency = strings.ToUpper(strings.TrimSpace(l.Currency)); l.Currency != "" {
		if _, err := currency.ParseISO(l.Currency); err != nil {
			return fault.New("currency", "no currency is "+l.Currency, "type its three letters, say EUR")
		}
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.Bills.SetLetterhead(ctx, l)
		if err == nil && !found {
			err = change.Stale("what stands on the papers")
		}
		if err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "letterhead", Action: "changed",
			Said: "what stands on the papers was changed", After: l})
	})
}

// SetPayer keeps who pays for a job, signed or not: who pays is often known last.
func (s *Service) SetPayer(ctx context.Context, by record.Account, job int64, p record.Payer) error {
	if err := texts(typedText{"name", &p.Name, 120}, typedText{"tax_number", &p.TaxNumber, 40},
		typedText{"tax_free", &p.TaxFree, 200}, typedText{"reference", &p.Reference, 60}); err != nil {
		return err
	}
	if err := postal(&p.Postal); err != nil {
		return err
	}
	if err := mail("mail", &p.Mail); err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if _, err := t.Jobs.JobState(ctx, job); err != nil {
			return err
		}
		was, err := t.Bills.Payer(ctx, job)
		if err != nil {
			return err
		}
		found, err := t.Bills.SetPayer(ctx, job, p)
		if err == nil && !found {
			err = change.Stale("who pays")
		}
		if err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "payer", Action: "changed",
			Said: "who pays was changed", Before: was, After: p})
	})
}
