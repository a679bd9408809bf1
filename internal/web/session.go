package web

import (
	"context"
	"errors"
	"net"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humagin"
	"github.com/gin-gonic/gin"

	"freshshard/internal/change"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

type (
	accountKey struct{}
	sessionKey struct{}
	callKey    struct{}
)

const public = "public"

// who is the person of a call; signedIn has put them there.
func who(ctx context.Context) record.Account {
	a, _ := ctx.Value(accountKey{}).(record.Account)
	return a
}

// here is the session of a call.
func here(ctx context.Context) int64 {
	id, _ := ctx.Value(sessionKey{}).(int64)
	return id
}

// caller is what the guard knows of whoever calls.
type caller struct {
	token, device, address string
}

func callerOf(ctx context.Context) caller {
	c, _ := ctx.Value(callKey{}).(caller)
	return c
}

// cookieName has the prefix that binds a cookie to this host and to TLS, where
// it may: browsers keep such a cookie only when it is marked secure.
func (v *Server) cookieName() string {
	if v.options.PlainHTTP {
		return "fresh_shard"
	}
	return "__Host-fresh_shard"
}

func (v *Server) callerOf(r *http.Request) caller {
	c := caller{device: r.UserAgent(), address: v.addressOf(r)}
	if k, err := r.Cookie(v.cookieName()); err == nil {
		c.token = k.Value
	}
	return c
}

// addressOf is where a call comes from. Behind a proxy it is the last address
// that the proxy itself has written.
func (v *Server) addressOf(r *http.Request) string {
	if v.options.BehindProxy {
		list := strings.Split(r.Header.Get("X-Forwarded-For"), ",")
		if ip := net.ParseIP(strings.TrimSpace(list[len(list)-1])); ip != nil {
			return ip.String()
		}
	}
	host, _, err := net.SplitHostPort(r.RemoteAddr)
	if err != nil {
		return r.RemoteAddr
	}
	return host
}

// setCookie hands a session's token to the browser; an empty one takes it back.
func (v *Server) setCookie(token string) string {
	c := http.Cookie{Name: v.cookieName(), Value: token, Path: "/", HttpOnly: true, SameSite: http.SameSiteStrictMode,
		Secure: !v.options.PlainHTTP, MaxAge: int(change.SessionLife.Seconds())}
	if token == "" {
		c.MaxAge = -1
	}
	return c.String()
}

// current finds the person of a call. Somebody who was shut out since has
// none.
func (v *Server) current(ctx context.Context) (record.Account, record.Session, error) {
	a, s, err := v.shop.People.Who(ctx, callerOf(ctx).token)
	switch {
	case people.IsNobody(err):
		return record.Account{}, s, reply.New(http.StatusUnauthorized, "sign-in", "Sign in first.")
	case err != nil:
		return a, s, reply.Of(ctx, err)
	}
	return a, s, nil
}

// signedIn lets nobody past who is not signed in, except to public calls.
func (v *Server) signedIn(api huma.API) func(huma.Context, func(huma.Context)) {
	return func(c huma.Context, next func(huma.Context)) {
		if c.Operation().Metadata[public] == true {
			next(c)
			return
		}
		a, s, err := v.current(c.Context())
		if err != nil {
			var p *reply.Problem
			errors.As(err, &p)
			reply.Write(humagin.Unwrap(c).Writer, p)
			return
		}
		reply.Note(c.Context(), a)
		next(huma.WithValue(huma.WithValue(c, accountKey{}, a), sessionKey{}, s.ID))
	}
}

// person is signedIn for the plain routes.
func (v *Server) person(c *gin.Context) {
	a, _, err := v.current(c.Request.Context())
	if err != nil {
		var p *reply.Problem
		errors.As(err, &p)
		reply.Write(c.Writer, p)
		c.Abort()
		return
	}
	reply.Note(c.Request.Context(), a)
	c.Request = c.Request.WithContext(context.WithValue(c.Request.Context(), accountKey{}, a))
}
