package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

// out wraps an answer.
type out[T any] struct{ Body T }

// Keyed is a creating call: a retry with the same key makes nothing new.
type Keyed[T any] struct {
	Key  string `header:"Idempotency-Key" required:"true" minLength:"8" maxLength:"80" doc:"The same for a retry"`
	Body T
}

// Session tells where a browser stands.
type Session struct {
	Setup   bool            `json:"setup" doc:"Nobody has been set up yet"`
	Account *record.Account `json:"account,omitempty"`
	Shop    *record.Shop    `json:"shop,omitempty"`
	MadeUp  bool            `json:"made_up" doc:"The made-up shop: simulated stations and instruments speak"`
}

// SignIn is a name and a password.
type SignIn struct {
	Login    string `json:"login" maxLength:"120"`
	Password string `json:"password" maxLength:"1000"`
}

// Setup is the first start.
type Setup struct {
	ShopName string        `json:"shop_name" maxLength:"80"`
	Town     string        `json:"town,omitempty" maxLength:"80"`
	Unit     string        `json:"unit" enum:"mm,in"`
	Owner    people.Person `json:"owner"`
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

// door is where people sign in and out.
type door struct{ *Server }

func accountRoutes(s *Server, api huma.API) {
	v := door{s}
	register(s, api, open(op("session", http.MethodGet, "/api/session", "Who is signed in")), v.session)
	register(s, api, open(op("signIn", http.MethodPost, "/api/session", "Sign in")), v.signIn)
	register(s, api, open(op("setUp", http.MethodPost, "/api/setup", "First start: the shop and its owner")), v.setUp)
	register(s, api, open(op("resetPassword", http.MethodPost, "/api/reset", "Set a new password with a one-time word")),
		func(ctx context.Context, in *struct{ Body people.Reset }) (*entered, error) {
			a, err := v.shop.OneTime.ResetPassword(ctx, in.Body, callerOf(ctx).address)
			return v.enter(ctx, a, err)
		})
	register(s, api, op("signOut", http.MethodDelete, "/api/session", "Sign out"),
		func(ctx context.Context, _ *struct{}) (*left, error) {
			return &left{v.setCookie("")}, reply.Of(ctx, v.shop.People.Leave(ctx, who(ctx), here(ctx)))
		})
	register(s, api, op("sessions", http.MethodGet, "/api/sessions", "Where one is signed in"),
		func(ctx context.Context, _ *struct{}) (*out[[]record.Session], error) {
			list, err := v.shop.People.Sessions(ctx, who(ctx), here(ctx))
			return &out[[]record.Session]{list}, reply.Of(ctx, err)
		})
	register(s, api, op("endSession", http.MethodDelete, "/api/sessions/{id}", "End one of one's own sessions"),
		func(ctx context.Context, in *struct {
			ID int64 `path:"id" minimum:"1"`
		}) (*struct{}, error) {
			return nil, reply.Of(ctx, v.shop.People.Leave(ctx, who(ctx), in.ID))
		})
	register(s, api, op("giveWord", http.MethodPost, "/api/people/{id}/word", "Make a one-time word for a new password"),
		func(ctx context.Context, in *struct {
			ID int64 `path:"id" minimum:"1"`
		}) (*out[Word], error) {
			w, err := v.shop.OneTime.GiveWord(ctx, who(ctx), in.ID)
			return &out[Word]{Word{w}}, reply.Of(ctx, err)
		})
	reads(s, api, op("people", http.MethodGet, "/api/people", "The people of the shop"), v.shop.People.List)
	register(s, api, op("addPerson", http.MethodPost, "/api/people", "Add a person"),
		func(ctx context.Context, in *Keyed[people.Person]) (*out[record.Account], error) {
			a, err := v.shop.People.AddPerson(ctx, who(ctx), in.Key, in.Body)
			return &out[record.Account]{a}, reply.Of(ctx, err)
		})
	register(s, api, op("setPerson", http.MethodPut, "/api/people/{id}", "Change what a person may do"),
		func(ctx context.Context, in *struct {
			ID   int64 `path:"id"`
			Body PersonChange
		}) (*out[record.Account], error) {
			a, err := v.shop.People.SetPerson(ctx, who(ctx), in.ID, in.Body.Role, in.Body.Active, in.Body.Version)
			return &out[record.Account]{a}, reply.Of(ctx, err)
		})
	register(s, api, op("setPassword", http.MethodPut, "/api/password", "Change one's own password"),
		func(ctx context.Context, in *struct{ Body PasswordChange }) (*struct{}, error) {
			return nil, reply.Of(ctx, v.shop.People.SetOwnPassword(ctx, who(ctx), here(ctx), callerOf(ctx).address, in.Body.Old,
				in.Body.New))
		})
	register(s, api, op("setShop", http.MethodPut, "/api/shop", "Change the shop's name and unit"),
		func(ctx context.Context, in *struct{ Body record.Shop }) (*out[record.Shop], error) {
			s, err := v.shop.People.SetShop(ctx, who(ctx), in.Body)
			return &out[record.Shop]{s}, reply.Of(ctx, err)
		})
}

func (v door) session(ctx context.Context, _ *struct{}) (*out[Session], error) {
	setup, err := v.shop.People.NeedsSetup(ctx)
	if err != nil {
		return nil, reply.Of(ctx, err)
	}
	s := Session{Setup: setup, MadeUp: v.shop.MadeUp}
	if setup {
		return &out[Session]{s}, nil
	}
	sh, err := v.shop.Settings(ctx)
	if err != nil {
		return nil, reply.Of(ctx, err)
	}
	s.Shop = &sh
	if a, _, err := v.current(ctx); err == nil {
		s.Account = &a
	}
	return &out[Session]{s}, nil
}

// entered answers with the person and hands the browser their session.
type entered struct {
	Cookie string `header:"Set-Cookie"`
	Body   record.Account
}

// left takes the session back from the browser.
type left struct {
	Cookie string `header:"Set-Cookie"`
}

// Word is a one-time word; it is shown once.
type Word struct {
	Word string `json:"word"`
}

// enter starts a session for a person, with a new token; what a browser had
// before stays with whoever it belongs to.
func (v door) enter(ctx context.Context, a record.Account, err error) (*entered, error) {
	if err != nil {
		return nil, reply.Of(ctx, err)
	}
	c := callerOf(ctx)
	token, err := v.shop.People.Enter(ctx, a, c.device, c.address)
	if err != nil {
		return nil, reply.Of(ctx, err)
	}
	reply.Note(ctx, a)
	return &entered{v.setCookie(token), a}, nil
}

func (v door) signIn(ctx context.Context, in *struct{ Body SignIn }) (*entered, error) {
	a, err := v.shop.People.SignIn(ctx, in.Body.Login, in.Body.Password, callerOf(ctx).address)
	return v.enter(ctx, a, err)
}

func (v door) setUp(ctx context.Context, in *struct{ Body Setup }) (*entered, error) {
	b := in.Body
	b.Owner.Role = record.Owner
	a, err := v.shop.People.Setup(ctx, record.Shop{Name: b.ShopName, Town: b.Town, Unit: unitOf(b.Unit)}, b.Owner)
	return v.enter(ctx, a, err)
}
