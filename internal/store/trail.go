package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

// Change is one entry for the audit trail. Before and After are kept as JSON.
type Change struct {
	Job     int64 // 0 when it belongs to no job
	Account int64 // 0 when nobody was signed in
	At      time.Time
	Noun    string
	Item    string
	Action  string
	Said    string // in words, for the history on the screen
	Before  any
	After   any
}

// Hands tells who did something at which job since then, the last to do so first.
func (s Trail) Hands(ctx context.Context, since time.Time) (map[int64][]record.Hand, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT t.job_id, t.account_id, a.name, MAX(t.at) AS last FROM audit t
JOIN account a ON a.id = t.account_id WHERE t.at >= ? AND t.job_id IS NOT NULL AND t.action <> 'promised'
GROUP BY t.job_id, t.account_id, a.name ORDER BY last DESC, t.account_id`, since)
	if err != nil {
		return nil, err
	}
	defer func() { _ = rows.Close() }()
	out := map[int64][]record.Hand{}
	for rows.Next() {
		var job int64
		var h record.Hand
		if err := rows.Scan(&job, &h.ID, &h.Name, &h.At); err != nil {
			return nil, err
		}
		out[job] = append(out[job], h)
	}
	return out, rows.Err()
}

// Audit writes an entry in the same transaction as what it tells of.
func (t TrailTx) Audit(ctx context.Context, c Change) error {
	before, err := asJSON(c.Before)
	if err != nil {
		return err
	}
	after, err := asJSON(c.After)
	if err != nil {
		return err
	}
	return t.Run(ctx, "INSERT INTO audit (job_id, account_id, at, noun, item, action, said, before_value, after_value) "+
		"VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
		database.OrNull(c.Job), database.OrNull(c.Account), c.At, c.Noun, short(c.Item, 200), c.Action,
		short(c.Said, 1000), before, after)
}

// short keeps a text within its column, in characters.
func short(s string, most int) string {
	if r := []rune(s); len(r) > most {
		return string(r[:most-1]) + "…"
	}
	return s
}

func asJSON(v any) (any, error) {
	if v == nil {
		return nil, nil
	}
	b, err := json.Marshal(v)
	return string(b), err
}

// History lists what happened to a job, newest first.
func (s Trail) History(ctx context.Context, job int64, most int) ([]record.Event, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.Event, error) {
		var e record.Event
		return e, r.Scan(&e.At, &e.By, &e.Noun, &e.Item, &e.Action, &e.Said)
	}, "SELECT x.at, COALESCE(a.name, ''), x.noun, x.item, x.action, x.said FROM audit x LEFT JOIN account a ON a.id = "+
		"x.account_id WHERE x.job_id = ? ORDER BY x.id DESC LIMIT ?", job, most)
}

// Once is whether a call was made before under its key, and what it made. A key of another call is
// refused.
func (s Trail) Once(ctx context.Context, account int64, key, call, hash string) (result int64, done bool, err error) {
	return once(ctx, s.db, "", account, key, call, hash)
}

// Once claims an idempotency key for a call. done is true when the same call
// was made before; then result is what it made. The key is claimed in the same
// transaction as the creation, so a retry can never make a second record.
func (t TrailTx) Once(ctx context.Context, account int64, key, call, hash string) (result int64, done bool, err error) {
	return once(ctx, t.Tx, " FOR UPDATE", account, key, call, hash)
}

// oneRow is what can be asked for one row.
type oneRow interface {
	QueryRowContext(ctx context.Context, query string, args ...any) *sql.Row
}

func once(ctx context.Context, of oneRow, lock string, account int64, key, call, hash string) (result int64, done bool,
	err error) {
	var was, name string
	err = of.QueryRowContext(ctx,
		"SELECT result_id, request_hash, call_name FROM idempotency WHERE account_id = ? AND token = ?"+lock, account,
		key).Scan(&result, &was, &name)
	if errors.Is(err, sql.ErrNoRows) {
		return 0, false, nil
	}
	if err != nil {
		return 0, false, err
	}
	if was != hash || name != call {
		return 0, false, &record.Reused{}
	}
	return result, true, nil
}

// Made stores what a call made under its key. When another transaction got in
// between, the whole write runs again and finds what that one made.
func (t TrailTx) Made(ctx context.Context, account int64, key, call, hash string, result int64, at time.Time) error {
	err := t.Run(ctx, "INSERT INTO idempotency (account_id, token, call_name, request_hash, result_id, at) VALUES (?, "+
		"?, ?, ?, ?, ?)", account, key, call, hash, result, at)
	if database.IsDuplicate(err) {
		return database.ErrRaced
	}
	return err
}

// LastChange is the number of the last entry of the trail; 0 for none.
func (s Trail) LastChange(ctx context.Context) (int64, error) {
	var id int64
	return id, s.db.QueryRowContext(ctx, "SELECT COALESCE(MAX(id), 0) FROM audit").Scan(&id)
}
