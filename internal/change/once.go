package change

import (
	"context"

	"freshshard/internal/record"
	"freshshard/internal/store"
)

type callKey struct{}

// call is a change as it was sent: under which key, and which it was.
type call struct{ key, hash string }

// keyedCall is how a change that was sent with a key stands in the list of calls.
const keyedCall = "change"

// Keyed notes the key under which a change was sent and a digest of which call it was: a change that
// is sent again, because its answer got lost, is not made again.
func Keyed(ctx context.Context, key, hash string) context.Context {
	return context.WithValue(ctx, callKey{}, call{key, hash})
}

// calls is the list of calls that were made, read with or without a lock.
type calls interface {
	Once(ctx context.Context, account int64, key, call, hash string) (result int64, done bool, err error)
}

// made is whether this change was made before.
func made(ctx context.Context, by record.Account, of calls) (bool, error) {
	c, ok := ctx.Value(callKey{}).(call)
	if !ok {
		return false, nil
	}
	_, done, err := of.Once(ctx, by.ID, c.key, keyedCall, c.hash)
	return done, err
}

// madeNow notes that it is.
func madeNow(ctx context.Context, t *store.Tx, c store.Change) error {
	k, ok := ctx.Value(callKey{}).(call)
	if !ok {
		return nil
	}
	return t.Trail.Made(ctx, c.Account, k.key, keyedCall, k.hash, c.Job, c.At)
}
