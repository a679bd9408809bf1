package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/record"
	"freshshard/internal/shop"
)

// out wraps an answer.
type out[T any] struct{ Body T }

// Keyed is a creating call: a retry with the same key makes nothing new.
type Keyed[T any] struct {
	Key  string `header:"Idempotency-Key" required:"true" minLength:"8" maxLength:"80" doc:"Made by the caller; the same for a retry"`
	Body T
}

// Session tells where a browser stands.
type Session struct {
	Setup   bool            `json:"setup" doc:"Nobody has been set up yet"`
	Account *record.Account `json:"account,omitempty"`
	Shop    *record.Shop    `json:"shop,omitempty"`
}

// SignIn is a name and a password.
type SignIn struct {
	Login    string `json:"login" maxLength:"120"`
	Password string `json:"password" maxLength:"1000"`
}

// Setup is the first start.
type Setup struct {
	ShopName string      `json:"shop_name" maxLength:"80"`
	Town     string      `json:"town,omitempty" maxLength:"80"`
	Unit     string      `json:"unit" enum:"mm,in"`
	Owner    shop.Person `json:"owner"`
}

// PersonChange changes what a person may do.
type PersonChange struct {
	Role    record.Role `json:"role" enum:"owner,technician"`
	Active  bool        `json:"active"`
	Version int         `json:"version"`
}

// PasswordChange is a person's own new password.
type PasswordChange struct {
	Old string `json:"old" maxLength:"1000"`
	New string `json:"new" maxLength:"1000"`
}

func op(id, method, path, summary string) huma.Operation {
	return huma.Operation{OperationID: id, Method: method, Path: path, Summary: summary}
}

func open(o huma.Operation) huma.Operation {
	o.Metadata = map[string]any{public: true}
	return o
}

func (v *Server) accountRoutes(api huma.API) {
	huma.Register(api, open(op("session", http.MethodGet, "/api/session", "Who is signed in")), v.session)
	huma.Register(api, open(op("signIn", http.MethodPost, "/api/session", "Sign in")), v.signIn)
	huma.Register(api, open(op("setUp", http.MethodPost, "/api/setup", "First start: the shop and its owner")), v.setUp)
	huma.Register(api, op("signOut", http.MethodDelete, "/api/session", "Sign out"), func(ctx context.Context, _ *struct{}) (*struct{}, error) {
		return nil, said(ctx, v.sessions.Destroy(ctx))
	})
	huma.Register(api, op("people", http.MethodGet, "/api/people", "The people of the shop"), func(ctx context.Context, _ *struct{}) (*out[[]record.Account], error) {
		list, err := v.shop.Store.Accounts(ctx)
		return &out[[]record.Account]{list}, said(ctx, err)
	})
	huma.Register(api, op("addPerson", http.MethodPost, "/api/people", "Add a person"), func(ctx context.Context, in *Keyed[shop.Person]) (*out[record.Account], error) {
		a, err := v.shop.AddPerson(ctx, who(ctx), in.Key, in.Body)
		return &out[record.Account]{a}, said(ctx, err)
	})
	huma.Register(api, op("setPerson", http.MethodPut, "/api/people/{id}", "Change what a person may do"), func(ctx context.Context, in *struct {
		ID   int64 `path:"id"`
		Body PersonChange
	}) (*out[record.Account], error) {
		a, err := v.shop.SetPerson(ctx, who(ctx), in.ID, in.Body.Role, in.Body.Active, in.Body.Version)
		return &out[record.Account]{a}, said(ctx, err)
	})
	huma.Register(api, op("setPassword", http.MethodPut, "/api/password", "Change one's own password"), func(ctx context.Context, in *struct{ Body PasswordChange }) (*struct{}, error) {
		return nil, said(ctx, v.shop.SetOwnPassword(ctx, who(ctx), in.Body.Old, in.Body.New))
	})
	huma.Register(api, op("setShop", http.MethodPut, "/api/shop", "Change the shop's name and unit"), func(ctx context.Context, in *struct{ Body record.Shop }) (*out[record.Shop], error) {
		s, err := v.shop.SetShop(ctx, who(ctx), in.Body)
		return &out[record.Shop]{s}, said(ctx, err)
	})
}

func (v *Server) session(ctx context.Context, _ *struct{}) (*out[Session], error) {
	setup, err := v.shop.NeedsSetup(ctx)
	if err != nil {
		return nil, said(ctx, err)
	}
	s := Session{Setup: setup}
	if setup {
		return &out[Session]{s}, nil
	}
	sh, err := v.shop.Store.Shop(ctx)
	if err != nil {
		return nil, said(ctx, err)
	}
	s.Shop = &sh
	if a, err := v.current(ctx); err == nil {
		s.Account = &a
	}
	return &out[Session]{s}, nil
}

// enter starts a session for a person, with a new token.
func (v *Server) enter(ctx context.Context, a record.Account) error {
	if err := v.sessions.RenewToken(ctx); err != nil {
		return err
	}
	v.sessions.Put(ctx, sessionAccount, a.ID)
	return nil
}

func (v *Server) signIn(ctx context.Context, in *struct{ Body SignIn }) (*out[record.Account], error) {
	a, err := v.shop.SignIn(ctx, in.Body.Login, in.Body.Password)
	if err == nil {
		err = v.enter(ctx, a)
	}
	return &out[record.Account]{a}, said(ctx, err)
}

func (v *Server) setUp(ctx context.Context, in *struct{ Body Setup }) (*out[record.Account], error) {
	b := in.Body
	b.Owner.Role = record.Owner
	a, err := v.shop.Setup(ctx, record.Shop{Name: b.ShopName, Town: b.Town, Unit: unitOf(b.Unit)}, b.Owner)
	if err == nil {
		err = v.enter(ctx, a)
	}
	return &out[record.Account]{a}, said(ctx, err)
}
