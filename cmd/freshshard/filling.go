package main

import (
	"context"
	"errors"
	"fmt"
	"sync/atomic"

	"freshshard/internal/demo"
	"freshshard/internal/reply"
	"freshshard/internal/shop"
)

// errNotFilled is a made-up shop whose filling broke, for want of its database or of room.
var errNotFilled = errors.New("the made-up shop could not be filled")

// tries is how often the program begins with its made-up shop anew.
const tries = 3

// filling is a made-up shop that is filled while the program serves already: whoever opens
// it sees how far it is.
type filling struct {
	of   int
	in   atomic.Int32
	over atomic.Bool
}

// filling looks whether there is something to be filled.
func (s settings) filling(ctx context.Context, sh *shop.Shop) (*filling, error) {
	f := &filling{of: demo.Jobs()}
	f.over.Store(true)
	if !s.fill {
		return f, nil
	}
	needs, err := sh.People.NeedsSetup(ctx)
	f.over.Store(!needs)
	return f, err
}

// far is how far it is. The last job is said to be in when nothing else is left to do.
func (f *filling) far() reply.Filled {
	if f.over.Load() {
		return reply.Filled{}
	}
	return reply.Filled{Done: min(int(f.in.Load()), f.of-1), Of: f.of}
}

// run fills it. What is stopped on the way is made anew at the next start, and is no error.
func (f *filling) run(ctx context.Context, sh *shop.Shop) error {
	if f.over.Load() {
		return nil
	}
	if err := demo.Fill(ctx, sh, func() { f.in.Add(1) }); err != nil {
		if ctx.Err() != nil {
			return nil
		}
		return fmt.Errorf("%w: %w", errNotFilled, err)
	}
	f.over.Store(true)
	say(fmt.Sprintf("  Lantern Yard is filled, with %d jobs.\n", f.of))
	return nil
}
