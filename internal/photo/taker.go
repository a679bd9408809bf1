package photo

import (
	"context"
	"fmt"

	"freshshard/core/fault"
)

// Pictures that are decoded at once: each may take 160 MB for a moment.
const atOnce = 2

// mostWork is how many points the pictures of one document may have together,
// each scan of a progressive picture counted: seconds of work, not minutes.
const mostWork = 400_000_000

// Taker takes pictures in, a few at a time.
type Taker struct{ turn chan struct{} }

// NewTaker makes one for a program.
func NewTaker() *Taker { return &Taker{turn: make(chan struct{}, atOnce)} }

// Take reads a picture when it is its turn. It stops, with the context's error,
// when the caller goes. Otherwise errors are those of Take.
func (t *Taker) Take(ctx context.Context, b []byte) (Photo, error) {
	select {
	case t.turn <- struct{}{}:
	case <-ctx.Done():
		return Photo{}, ctx.Err()
	}
	defer func() { <-t.turn }()
	return Take(ctx, b)
}

// TakeAll reads the pictures of one document and tells which of them an error
// is about. Before any is decoded their work is added up.
func (t *Taker) TakeAll(ctx context.Context, all [][]byte) (out []Photo, at int, err error) {
	work := 0
	for i, b := range all {
		w, _, err := look(b)
		if err != nil {
			return nil, i, err
		}
		if work += w; work > mostWork {
			return nil, i, fault.New("photo",
				fmt.Sprintf("from picture %d on the pictures have more points than one document may bring", i+1),
				"leave some out, or take them at a lower setting")
		}
	}
	for i, b := range all {
		p, err := t.Take(ctx, b)
		if err != nil {
			return nil, i, err
		}
		out = append(out, p)
	}
	return out, 0, nil
}
