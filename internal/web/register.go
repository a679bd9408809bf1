package web

import (
	"context"
	"errors"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/bound"
	"freshshard/internal/record"
)

// noTimeout leaves the time that a body may take to the guard, which asks for
// progress instead of setting an end.
const noTimeout = -1

// register adds a call to the contract. Every call's input is held against the
// bounds of all input, and what somebody may not do stays in the trail.
func register[In, Out any](v *Server, api huma.API, o huma.Operation, handler func(context.Context, *In) (*Out,
	error)) {
	o.BodyReadTimeout = noTimeout
	huma.Register(api, o, func(ctx context.Context, in *In) (*Out, error) {
		if err := bound.Check(in); err != nil {
			return nil, said(ctx, err)
		}
		out, err := handler(ctx, in)
		var p *Problem
		if errors.As(err, &p) && p.Type == "denied" {
			v.denied(ctx, who(ctx), o.OperationID)
		}
		if err != nil {
			return nil, err
		}
		return out, nil
	})
}

func (v *Server) denied(ctx context.Context, by record.Account, call string) {
	if err := v.shop.People.NoteDenied(ctx, by, call); err != nil {
		logged(ctx).ErrorContext(ctx, "a denial could not be noted", "error", err)
	}
}
