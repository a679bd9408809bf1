package change

import (
	"context"
	"crypto/hmac"
	"crypto/rand"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"

	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// sealMemo is where the shop's key is noted. It is made once and goes with the
// database, so that every process and every restored shop can tell whether a
// ticket is as it was signed.
const sealMemo = "seal-key"

// SealKey is the shop's key; the first who asks makes it.
func (s *Keeper) SealKey(ctx context.Context, t *store.Tx) ([]byte, error) {
	text, _, err := t.Shops.Memo(ctx, sealMemo)
	if err != nil {
		return nil, err
	}
	if text == "" {
		fresh := make([]byte, 32)
		if _, err := rand.Read(fresh); err != nil {
			return nil, err
		}
		if text, err = t.Shops.AddMemo(ctx, sealMemo, hex.EncodeToString(fresh), s.Now()); err != nil {
			return nil, err
		}
	}
	return hex.DecodeString(text)
}

func SignedOf(document string) (jobview.Signed, error) {
	var d jobview.Signed
	err := json.Unmarshal([]byte(document), &d)
	return d, err
}

// sealOf is the keyed digest of all that a ticket says.
func sealOf(key []byte, job int64, t record.Ticket) []byte {
	m := hmac.New(sha256.New, key)
	// Lengths before the texts: no two tickets give the same bytes.
	for _, part := range []string{fmt.Sprint(job), fmt.Sprint(t.Number), t.By,
		t.At.UTC().Format("2006-01-02T15:04:05.000Z"), t.Override, t.Document} {
		fmt.Fprintf(m, "%d:%s;", len(part), part)
	}
	return m.Sum(nil)
}

// Seal fixes a ticket that has just been given its number.
func (s *Keeper) Seal(ctx context.Context, t *store.Tx, job int64, k record.Ticket) error {
	key, err := s.SealKey(ctx, t)
	if err != nil {
		return err
	}
	return t.Panes.SealTicket(ctx, k.Number, k.Document, sealOf(key, job, k))
}

// sealed gives a signed job as it was signed and says on its ticket whether
// anything was changed since, past the program.
func (s *Keeper) sealed(ctx context.Context, j record.Job) (record.Job, *jobview.Signed, error) {
	if j.Ticket == nil {
		return j, nil, nil
	}
	text, _, err := s.Store.Shops.Memo(ctx, sealMemo)
	if err != nil {
		return j, nil, err
	}
	key, err := hex.DecodeString(text)
	if err != nil {
		return j, nil, err
	}
	t := *j.Ticket
	t.Changed = len(key) == 0 || !hmac.Equal(t.Seal, sealOf(key, j.ID, t))
	d, err := SignedOf(t.Document)
	if err != nil {
		// Nothing can be read of it: the rows are all there is to show.
		t.Changed = true
		j.Ticket = &t
		return j, nil, nil
	}
	was := d.Job
	was.ID, was.Pulse, was.Signed, was.Ticket, was.Own = j.ID, j.Pulse, true, &t, j.Own
	return was, &d, nil
}
