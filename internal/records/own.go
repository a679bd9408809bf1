package records

import (
	"context"
	"fmt"

	"freshshard/core/book"
	"freshshard/core/catalogue"
	"freshshard/core/working"
	"freshshard/internal/change"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Own lists the shop's own values, each beside the book's.
func (s *Book) Own(ctx context.Context) (catalogue.Values, error) {
	vs, err := s.Store.Shops.Own(ctx)
	for i, v := range vs {
		vs[i].Was = book.Was(v)
	}
	return vs, err
}

// SetOwn lays a value over the book's; only an owner may. Open jobs are
// reckoned with it from then on, signed ones keep what they were signed with.
func (s *Book) SetOwn(ctx context.Context, by record.Account, v catalogue.Value) error {
	if err := people.OwnerOnly(by); err != nil {
		return err
	}
	var err error
	if v.Sheet, err = typed.Text("sheet", v.Sheet, 200, true); err != nil {
		return err
	}
	v.At = s.Now()
	return s.ownChange(ctx, by, v, "set", fmt.Sprintf("%s of %s set to %s", v.Item, v.ID, working.Num(v.V, 3)),
		func(t *store.Tx) (bool, error) {
			// Values hold each other's limits: what stands beside it is looked at
			// under the lock.
			vs, err := t.Shops.Own(ctx)
			if err != nil {
				return false, err
			}
			if err := book.Check(vs, v); err != nil {
				return false, err
			}
			return t.Shops.SetOwn(ctx, v, by.ID)
		})
}

// DropOwn lets the book's value hold again; only an owner may.
func (s *Book) DropOwn(ctx context.Context, by record.Account, v catalogue.Value) error {
	if err := people.OwnerOnly(by); err != nil {
		return err
	}
	return s.ownChange(ctx, by, v, "dropped", fmt.Sprintf("%s of %s as in the book again", v.Item, v.ID),
		func(t *store.Tx) (bool, error) { return t.Shops.DropOwn(ctx, v) })
}

func (s *Book) ownChange(ctx context.Context, by record.Account, v catalogue.Value, action, said string,
	f func(*store.Tx) (bool, error)) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if err := t.Shops.LockShop(ctx); err != nil {
			return err
		}
		found, err := f(t)
		if err != nil {
			return err
		}
		if !found {
			return change.Stale("this value")
		}
		if err := t.Jobs.TouchOpenJobs(ctx); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "own value",
			Item: v.Kind + "/" + v.ID + "/" +
				v.Item, Action: action, Said: said, After: v})
	})
}

// BookRevision changes whenever a value of the shop's own does.
func (s *Book) BookRevision(ctx context.Context) (string, error) {
	return s.Store.Shops.BookRevision(ctx)
}
