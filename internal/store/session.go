package store

import (
	"context"
	"database/sql"
	"errors"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

// AddSession writes a session under the digest of its token.
func (t PeopleTx) AddSession(ctx context.Context, digest []byte, account int64, device, address string,
	at time.Time) error {
	return t.Run(ctx, "INSERT INTO session (digest, account_id, device, address, created_at, seen_at) VALUES (?, ?, ?, "+
		"?, ?, ?)", digest, account, device, address, at, at)
}

// Session finds a session by the digest of its token, with its person.
func (s People) Session(ctx context.Context, digest []byte) (v record.Session, a record.Account, err error) {
	err = s.db.QueryRowContext(ctx,
		`SELECT s.id, s.device, s.address, s.created_at, s.seen_at, a.id, a.name, a.login, a.role, a.active, a.version
FROM session s JOIN account a ON a.id = s.account_id WHERE s.digest = ?`, digest).
		Scan(&v.ID, &v.Device, &v.Address, &v.Since, &v.Seen, &a.ID, &a.Name, &a.Login, &a.Role, &a.Active, &a.Version)
	if errors.Is(err, sql.ErrNoRows) {
		err = &record.NotFound{What: "this session"}
	}
	return v, a, err
}

// SeeSession notes that a session was used. It changes nothing for one that
// has ended.
func (t PeopleTx) SeeSession(ctx context.Context, id int64, at time.Time) error {
	return t.Run(ctx, "UPDATE session SET seen_at = ? WHERE id = ?", at, id)
}

// Sessions lists the sessions of a person, the last used first.
func (s People) Sessions(ctx context.Context, account int64) ([]record.Session, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.Session, error) {
		var v record.Session
		return v, r.Scan(&v.ID, &v.Device, &v.Address, &v.Since, &v.Seen)
	}, "SELECT id, device, address, created_at, seen_at FROM session WHERE account_id = ? ORDER BY seen_at DESC, id DESC",
		account)
}

// EndSession ends one session of a person and says whether it was there.
func (t PeopleTx) EndSession(ctx context.Context, account, id int64) (bool, error) {
	return t.Changed(ctx, "DELETE FROM session WHERE id = ? AND account_id = ?", id, account)
}

// EndSessions ends all sessions of a person but one, 0 for all.
func (t PeopleTx) EndSessions(ctx context.Context, account, but int64) error {
	return t.Run(ctx, "DELETE FROM session WHERE account_id = ? AND id <> ?", account, but)
}

// SetResetWord keeps the digest of a word with which a person may set a new
// password once.
func (t PeopleTx) SetResetWord(ctx context.Context, account int64, digest []byte, until time.Time) error {
	return t.Run(ctx, "REPLACE INTO reset_word (account_id, digest, until_at) VALUES (?, ?, ?)", account, digest, until)
}

// UseResetWord takes a word away and says whether it was the right one.
func (t PeopleTx) UseResetWord(ctx context.Context, account int64, digest []byte, now time.Time) (bool, error) {
	return t.Changed(ctx, "DELETE FROM reset_word WHERE account_id = ? AND digest = ? AND until_at > ?", account, digest,
		now)
}

// Tidy forgets what has had its time: sessions not used since idle or older
// than old, failed sign-ins and words that are over, used keys, lines of
// instruments.
func (t PeopleTx) Tidy(ctx context.Context, now time.Time, idle, life, keys, signals, attempts time.Duration) error {
	for _, q := range []struct {
		q    string
		args []any
	}{
		{"DELETE FROM session WHERE seen_at < ? OR created_at < ?", []any{now.Add(-idle), now.Add(-life)}},
		{"DELETE FROM reset_word WHERE until_at < ?", []any{now}},
		{"DELETE FROM idempotency WHERE at < ?", []any{now.Add(-keys)}},
		{"DELETE FROM instrument_event WHERE at < ?", []any{now.Add(-signals)}},
		{"DELETE FROM sign_in_attempt WHERE last_at < ?", []any{now.Add(-attempts)}},
	} {
		if err := t.Run(ctx, q.q, q.args...); err != nil {
			return err
		}
	}
	return nil
}
