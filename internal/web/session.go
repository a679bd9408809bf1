package web

import (
	"context"
	"errors"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"freshshard/internal/record"
)

type accountKey struct{}

const (
	sessionAccount = "account"
	public         = "public"
)

// who is the person of a call; signedIn has put them there.
func who(ctx context.Context) record.Account {
	a, _ := ctx.Value(accountKey{}).(record.Account)
	return a
}

// current finds the person of a session. Somebody who was shut out since has
// none.
func (v *Server) current(ctx context.Context) (record.Account, error) {
	signIn := problem(http.StatusUnauthorized, "sign-in", "Sign in first.")
	id := v.sessions.GetInt64(ctx, sessionAccount)
	if id == 0 {
		return record.Account{}, signIn
	}
	a, err := v.shop.Store.Account(ctx, id)
	var missing *record.NotFound
	if errors.As(err, &missing) || err == nil && !a.Active {
		return record.Account{}, signIn
	}
	if err != nil {
		return a, said(ctx, err)
	}
	return a, nil
}

// signedIn lets nobody past who is not signed in, except to public calls.
func (v *Server) signedIn(api huma.API) func(huma.Context, func(huma.Context)) {
	return func(c huma.Context, next func(huma.Context)) {
		if c.Operation().Metadata[public] == true {
			next(c)
			return
		}
		a, err := v.current(c.Context())
		if err != nil {
			var p *Problem
			errors.As(err, &p)
			_ = huma.WriteErr(api, c, p.Status, p.Detail)
			return
		}
		next(huma.WithValue(c, accountKey{}, a))
	}
}

// person is signedIn for the plain routes that hand out files.
func (v *Server) person(c *gin.Context) {
	if _, err := v.current(c.Request.Context()); err != nil {
		var p *Problem
		errors.As(err, &p)
		write(c.Writer, p)
		c.Abort()
	}
}
