package buy

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"strings"
	"sync"

	"freshshard/core/fault"
	"freshshard/core/source"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/supplier"
	"freshshard/internal/typed"
)

// Asked is what came of asking those who answer by themselves.
type Asked struct {
	Offers
	Said []AskedOf `json:"said"`
}

// AskedOf is what one of them said.
type AskedOf struct {
	Name string `json:"name"`
	Says string `json:"says"`
	Took bool   `json:"took" doc:"Its offer is among the others now"`
}

// SuppliersIn says where those who answer by files have their folders.
func (s *Suppliers) SuppliersIn(folder string) { s.Folder = folder }

// Suppliers lists who sells, by name.
func (s *Suppliers) Suppliers(ctx context.Context) ([]record.Supplier, error) {
	return s.Store.Orders.Suppliers(ctx)
}

// Called is the supplier of a name, whatever its capitals; one that nobody put in has a name alone.
func (s *Suppliers) Called(ctx context.Context, name string) (record.Supplier, error) {
	all, err := s.Store.Orders.Suppliers(ctx)
	for _, v := range all {
		if strings.EqualFold(v.Name, name) {
			return v, err
		}
	}
	return record.Supplier{Name: name}, err
}

// SetSupplier puts one in, or changes the one whose number is given; an owner does. Nobody
// of the same name is overwritten.
func (s *Suppliers) SetSupplier(ctx context.Context, by record.Account, v record.Supplier) error {
	if by.Role != record.Owner {
		return &record.Denied{Why: "Only an owner changes who is asked."}
	}
	if err := knownBy(&v); err != nil {
		return err
	}
	if !slices.ContainsFunc(source.Usuals, func(u source.Usual) bool {
		return string(u.Kind) == v.Kind &&
			u.Kind != source.Own
	}) {
		return fault.New("kind", "no such source is known", "choose one of the list")
	}
	if err := supplier.Check(v); err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		had, err := t.Orders.Suppliers(ctx)
		if err != nil {
			return err
		}
		for _, h := range had {
			switch same := strings.EqualFold(h.Name, v.Name); {
			case same && as(v, h.ID) == h:
				return nil // a retry
			case same && h.ID != v.ID:
				return fault.New("name", h.Name+" is there already", "change that one, or give another name")
			}
		}
		if err := t.Orders.SetSupplier(ctx, v); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "supplier", Item: v.Name, Action: "changed",
			Said: v.Name + " is a supplier", After: v})
	})
}

// as is a supplier under a number.
func as(v record.Supplier, id int64) record.Supplier {
	v.ID = id
	return v
}

// knownBy trims what a supplier is known by, and refuses what cannot be.
func knownBy(v *record.Supplier) error {
	for _, f := range []struct {
		field string
		text  *string
		most  int
		need  bool
	}{{"name", &v.Name, 80, true}, {"phone", &v.Phone, 40, false}, {"mail", &v.Mail, 120, false},
		{"number", &v.Number, 40, false}, {"sells", &v.Sells, 200, false}, {"terms", &v.Terms, 200, false}} {
		var err error
		if *f.text, err = typed.Text(f.field, *f.text, f.most, f.need); err != nil {
			return err
		}
	}
	if v.Days < 0 || v.Days > 365 {
		return fault.New("days", "from 0 to 365 days are expected", "type within how many they usually bring")
	}
	return typed.Mail("mail", v.Mail)
}

// DropSupplier takes one out; one that is gone is as wanted.
func (s *Suppliers) DropSupplier(ctx context.Context, by record.Account, id int64) error {
	if by.Role != record.Owner {
		return &record.Denied{Why: "Only an owner changes who is asked."}
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if err := t.Orders.DropSupplier(ctx, id); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "supplier", Item: fmt.Sprint(id),
			Action: "dropped", Said: "is asked no more"})
	})
}

// AskSuppliers asks all of them for a pane at once, and keeps what they offer; who was
// asked already and has an offer here is not asked again.
func (s *Suppliers) AskSuppliers(ctx context.Context, by record.Account, key string, at jobview.Bench) (Asked, error) {
	out := Asked{Said: []AskedOf{}}
	r, err := s.asksFor(ctx, at)
	if err != nil {
		return out, err
	}
	all, err := s.Store.Orders.Suppliers(ctx)
	if err != nil {
		return out, err
	}
	all = slices.DeleteFunc(all, func(v record.Supplier) bool { return !v.Asks() })
	if len(all) == 0 {
		return out, fault.New("suppliers", "nobody here answers by themselves", "an owner puts them in at Shop")
	}
	had, err := s.Offers(ctx, at)
	if err != nil {
		return out, err
	}
	all = slices.DeleteFunc(all, func(v record.Supplier) bool {
		return slices.ContainsFunc(had.Offers, func(o source.Ranked) bool { return o.Who == v.Name })
	})
	answers, errs := make([]supplier.Answer, len(all)), make([]error, len(all))
	var wait sync.WaitGroup
	for i, v := range all {
		wait.Go(func() { answers[i], errs[i] = supplier.Ask(ctx, v, s.Folder, r) })
	}
	wait.Wait()
	for i, v := range all {
		said := AskedOf{Name: v.Name}
		switch {
		case errors.Is(errs[i], supplier.ErrLate):
			said.Says = "no answer yet; ask again in a while"
		case errs[i] != nil:
			said.Says = "not taken: " + errs[i].Error()
		case answers[i].Refused != "":
			said.Says = answers[i].Refused
		default:
			own := key // without one nothing tells a retry from another pane
			if own != "" {
				own = fmt.Sprintf("%s-%d", key, v.ID)
			}
			// One odd answer takes nothing from the others.
			switch err := s.AddOffer(ctx, by, own, at, offerOf(v, answers[i])); {
			case fault.Of(err) != nil:
				said.Says = "not taken: " + fault.Of(err).Why
			case err != nil:
				return out, err
			default:
				said.Says, said.Took = "answered", true
			}
		}
		out.Said = append(out.Said, said)
	}
	out.Offers, err = s.Offers(ctx, at)
	return out, err
}

// asksFor is what is asked for a pane: one that is settled and sized, or a part.
func (s *Suppliers) asksFor(ctx context.Context, at jobview.Bench) (supplier.Request, error) {
	v, err := s.Work(ctx, at)
	if err != nil {
		return supplier.Request{}, err
	}
	r := &v.Reckoning
	if r.Order == "" || r.Withheld != "" || r.Assumed && r.Road.Settled {
		return supplier.Request{}, fault.New("pane", "there is nothing to ask for yet",
			"measure it and choose the material first")
	}
	return supplier.Request{Ref: fmt.Sprintf("%d-%d", v.Job.ID, v.Pane.ID), Text: r.Order, Material: r.Material.ID,
		Thickness: r.Thickness, W: r.Fit.Order.W, H: r.Fit.Order.H,
		Mark: v.Job.Object.Stamp != "" || v.Job.Object.Vehicle}, nil
}

// offerOf is an answer as an offer; how often it does not fit is what is usual of its
// kind.
func offerOf(v record.Supplier, a supplier.Answer) source.Offer {
	o := source.Offer{Kind: source.Kind(v.Kind), Who: v.Name, Price: a.Price, Carriage: a.Carriage, Days: a.Days,
		Lacks: a.Lacks, Missing: a.Missing, Back: a.Back, Mark: a.Mark}
	for _, u := range source.Usuals {
		if u.Kind == o.Kind {
			o.Misfit = u.Misfit
		}
	}
	return o
}
