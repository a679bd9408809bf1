package people

import (
	"context"
	"errors"
	"fmt"
	"regexp"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/internal/database"
	"freshshard/internal/reach"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Person is what it takes to add somebody.
type Person struct {
	Name     string      `json:"name" maxLength:"80"`
	Login    string      `json:"login" maxLength:"60" doc:"Sign-in name: letters, digits, dot, hyphen"`
	Password string      `json:"password" maxLength:"200"`
	Role     record.Role `json:"role" enum:"owner,technician"`
}

var loginShape = regexp.MustCompile(`^[\p{L}\p{N}][\p{L}\p{N}._-]*$`)

func (s *Service) checkPerson(p Person, names ...string) (Person, error) {
	var f typed.Form
	p.Login = strings.ToLower(p.Login)
	f.Text("name", &p.Name, 80, true)
	f.Text("login", &p.Login, mostLogin, true)
	if p.Login != "" && !loginShape.MatchString(p.Login) {
		f.Faults = append(f.Faults, fault.New("login", "a sign-in name has letters, digits, dots and hyphens",
			"leave out spaces and other signs"))
	}
	if p.Role != record.Owner && p.Role != record.Technician {
		f.Faults = append(f.Faults, fault.New("role", "a person is an owner or a technician", "choose one of the two"))
	}
	if err := f.Check(s.checkPassword(p.Password, append(names, p.Login, p.Name)...)); err != nil {
		return p, err
	}
	return p, f.Err()
}

// NeedsSetup says whether nobody has been set up yet.
func (s *Service) NeedsSetup(ctx context.Context) (bool, error) {
	has, err := s.Store.People.HasOwner(ctx)
	return !has, err
}

// Setup is the first start: the shop's name and its first owner.
func (s *Service) Setup(ctx context.Context, shop record.Shop, owner Person) (record.Account, error) {
	owner.Role = record.Owner
	owner, err := s.checkPerson(owner, shop.Name)
	shop, wrong := checkShop(shop)
	if err := errors.Join(wrong, err); err != nil {
		return record.Account{}, err
	}
	needs, err := s.NeedsSetup(ctx)
	if err != nil {
		return record.Account{}, err
	}
	if !needs {
		return record.Account{}, &record.Conflict{Says: "This shop is set up already; sign in instead."}
	}
	hash, err := s.hashing.hash(ctx, owner.Password)
	if err != nil {
		return record.Account{}, err
	}
	var id int64
	err = s.Store.Write(ctx, func(t *store.Tx) error {
		if err := t.Shops.AddShop(ctx, shop); err != nil {
			if database.IsDuplicate(err) {
				return &record.Conflict{Says: "This shop is set up already; sign in instead."}
			}
			return err
		}
		if id, err = t.People.AddAccount(ctx, record.Account{Name: owner.Name, Login: owner.Login, Role: record.Owner}, hash,
			s.Now()); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: id, At: s.Now(), Noun: "shop", Item: shop.Name, Action: "set up",
			Said: "shop set up"})
	})
	if err != nil {
		return record.Account{}, err
	}
	return s.Store.People.Account(ctx, id)
}

func checkShop(v record.Shop) (record.Shop, error) {
	var f typed.Form
	f.Text("shop_name", &v.Name, 80, true)
	f.Text("town", &v.Town, 80, false)
	if v.Unit != length.MM && v.Unit != length.IN {
		f.Faults = append(f.Faults, fault.New("unit", "the shop's unit is mm or in", "choose one of the two"))
	}
	return v, f.Err()
}

// AddPerson adds somebody; only an owner may.
func (s *Service) AddPerson(ctx context.Context, by record.Account, key string, p Person) (record.Account, error) {
	if err := OwnerOnly(by); err != nil {
		return record.Account{}, err
	}
	p, err := s.checkPerson(p)
	if err != nil {
		return record.Account{}, err
	}
	hash, err := s.hashing.hash(ctx, p.Password)
	if err != nil {
		return record.Account{}, err
	}
	id, err := s.Create(ctx, by, key, "person", p, func(t *store.Tx) (int64, error) {
		id, err := t.People.AddAccount(ctx, record.Account{Name: p.Name, Login: p.Login, Role: p.Role}, hash, s.Now())
		if database.IsDuplicate(err) {
			return 0, fault.New("login", "somebody has this sign-in name already", "take another")
		}
		if err != nil {
			return 0, err
		}
		return id, t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "person", Item: p.Login,
			Action: "added",
			Said:   p.Name + " added"})
	})
	if err != nil {
		return record.Account{}, err
	}
	return s.Store.People.Account(ctx, id)
}

// SetPerson changes a role or lets somebody in or out. The last owner stays.
func (s *Service) SetPerson(ctx context.Context, by record.Account, id int64, role record.Role, active bool,
	version int) (record.Account, error) {
	if err := OwnerOnly(by); err != nil {
		return record.Account{}, err
	}
	before, err := s.Store.People.Account(ctx, id)
	if err != nil {
		return record.Account{}, err
	}
	err = s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.People.SetAccount(ctx, id, role, active, version)
		if err != nil {
			return err
		}
		if !found {
			return &record.Conflict{Says: before.Name + " was changed by somebody else a moment ago; look again."}
		}
		n, err := t.People.ActiveOwners(ctx)
		if err != nil {
			return err
		}
		if n == 0 {
			return fault.New("role", "this is the last owner", "make somebody else an owner first")
		}
		if !active {
			if err := t.People.EndSessions(ctx, id, 0); err != nil {
				return err
			}
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "person", Item: before.Login,
			Action: "changed",
			Said:   fmt.Sprintf("%s: %s, may sign in: %v", before.Name, role, active), Before: before})
	})
	if err != nil {
		return record.Account{}, err
	}
	return s.Store.People.Account(ctx, id)
}

// SetOwnPassword changes a person's own password and ends their other sessions;
// here is the one that stays. Wrong old passwords are counted as those of
// signing in.
func (s *Service) SetOwnPassword(ctx context.Context, by record.Account, here int64, address, old, now string) error {
	address = typed.Plain(address, 60)
	if err := s.checkPassword(now, by.Login, by.Name); err != nil {
		return fault.New("new", fault.Of(err).Why, fault.Of(err).Cure)
	}
	_, hash, err := s.person(ctx, by.Login)
	if err != nil {
		return err
	}
	all, err := s.attempt(ctx, by.Login, address, by)
	if err != nil {
		return err
	}
	same, err := s.hashing.same(ctx, old, hash)
	if err != nil {
		return err
	}
	if !same {
		return errors.Join(s.Trail(ctx, by.ID, "sign-in", by.Login, "refused", "wrong old password from "+address),
			fault.New("old", "this is not your present password", "type it again"))
	}
	fresh, err := s.hashing.hash(ctx, now)
	if err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if err := t.People.SetPassword(ctx, by.ID, fresh); err != nil {
			return err
		}
		if err := t.People.EndSessions(ctx, by.ID, here); err != nil {
			return err
		}
		if err := s.passed(ctx, t, all, by, address); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "person", Item: by.Login, Action: "changed",
			Said: "own password changed"})
	})
}

// reached is the address under which the shop says that it is reached, opened once to see
// that it is this shop that answers there.
func (s *Service) reached(ctx context.Context, address, name string) (string, error) {
	address, err := reach.Clean("address", address)
	if err != nil || address == "" {
		return address, err
	}
	got, err := s.Opens(ctx, address)
	switch {
	case err != nil:
		return "", fault.New("address", "nothing of the shop opens there: "+err.Error(),
			"start the program with --host and this name, let the proxy lead here, then keep it again")
	case got != name:
		return "", fault.New("address", fmt.Sprintf("another shop answers there: %s", got), "give this shop's own")
	}
	return address, nil
}

// Address is what codes, calendars and pages that go out lead to; nothing while nobody set
// one. here is where the caller is: it is good enough for the made-up shop.
func (s *Service) Address(ctx context.Context, here string) (string, error) {
	v, err := s.Store.Shops.Shop(ctx)
	if err != nil || v.Address != "" || !s.MadeUp {
		return v.Address, err
	}
	return here, nil
}

// SetShop changes the shop's name, town, unit and address; only an owner may.
func (s *Service) SetShop(ctx context.Context, by record.Account, v record.Shop) (record.Shop, error) {
	if err := OwnerOnly(by); err != nil {
		return v, err
	}
	v, err := checkShop(v)
	if err != nil {
		return v, err
	}
	before, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return v, err
	}
	if v.Address != before.Address {
		if v.Address, err = s.reached(ctx, v.Address, before.Name); err != nil {
			return v, err
		}
	}
	err = s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.Shops.SetShop(ctx, v)
		if err != nil {
			return err
		}
		if !found {
			return &record.Conflict{Says: "The shop's settings were changed by somebody else a moment ago; look again."}
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "shop", Item: v.Name, Action: "changed",
			Said: "shop settings changed", Before: before, After: v})
	})
	if err != nil {
		return v, err
	}
	return s.Store.Shops.Shop(ctx)
}

func OwnerOnly(by record.Account) error {
	if by.Role != record.Owner {
		return &record.Denied{Why: "Only an owner may do this."}
	}
	return nil
}

// List gives the people of the shop, by name.
func (s *Service) List(ctx context.Context) ([]record.Account, error) {
	return s.Store.People.Accounts(ctx)
}
