package web

import (
	"context"
	"errors"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/bound"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/reply"
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
			return nil, reply.Of(ctx, err)
		}
		out, err := handler(change.Answering(ctx), in)
		var p *reply.Problem
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
		reply.Log(ctx).ErrorContext(ctx, "a denial could not be noted", "error", err)
	}
}

// reads registers a question that needs nothing but somebody who is signed in.
func reads[T any](v *Server, api huma.API, o huma.Operation, ask func(context.Context) (T, error)) {
	register(v, api, o, func(ctx context.Context, _ *struct{}) (*out[T], error) {
		t, err := ask(ctx)
		return &out[T]{t}, reply.Of(ctx, err)
	})
}

// readsAs registers a question whose answer goes by who asks.
func readsAs[T any](v *Server, api huma.API, o huma.Operation, ask func(context.Context, record.Account) (T, error)) {
	register(v, api, o, func(ctx context.Context, _ *struct{}) (*out[T], error) {
		t, err := ask(ctx, who(ctx))
		return &out[T]{t}, reply.Of(ctx, err)
	})
}

// ofJob registers a question about a job.
func ofJob[T any](v *Server, api huma.API, o huma.Operation, ask func(context.Context, int64) (T, error)) {
	register(v, api, o, func(ctx context.Context, in *JobID) (*out[T], error) {
		t, err := ask(ctx, in.ID)
		return &out[T]{t}, reply.Of(ctx, err)
	})
}

// ofPane registers a question about a pane of a job.
func ofPane[T any](v *Server, api huma.API, o huma.Operation, ask func(context.Context, jobview.Bench) (T, error)) {
	register(v, api, o, func(ctx context.Context, in *BenchID) (*out[T], error) {
		t, err := ask(ctx, in.bench(ctx))
		return &out[T]{t}, reply.Of(ctx, err)
	})
}

// sums registers a sum: it is worked out from what was typed, and kept nowhere.
func sums[In, Out any](v *Server, api huma.API, o huma.Operation, work func(context.Context, In) (Out, error)) {
	register(v, api, o, func(ctx context.Context, in *struct{ Body In }) (*out[Out], error) {
		t, err := work(ctx, in.Body)
		return &out[Out]{t}, reply.Of(ctx, err)
	})
}

// changes registers a change of a pane; the answer is the job as it is then.
func changes[In any](v *Server, api huma.API, o huma.Operation,
	change func(context.Context, record.Account, jobview.Bench, In) error) {
	register(v, api, o, func(ctx context.Context, in *struct {
		BenchID
		Body In
	}) (*out[jobview.View], error) {
		return v.show(ctx, in.BenchID, change(ctx, who(ctx), in.bench(ctx), in.Body))
	})
}
