package store

import (
	"context"
	"database/sql"
	"time"

	"freshshard/internal/database"
)

// Signal is one line that an instrument sent to a person. Breaks marks one on
// which the simulated connection drops.
type Signal struct {
	ID     int64
	Line   string
	Breaks bool
}

// AddSignal keeps a line.
func (t SignalsTx) AddSignal(ctx context.Context, account int64, line string, breaks bool, at time.Time) (int64,
	error) {
	return t.Insert(ctx, "INSERT INTO instrument_event (account_id, line, breaks, at) VALUES (?, ?, ?, ?)", account, line,
		breaks, at)
}

// DropSignals forgets what was sent before a time.
func (t SignalsTx) DropSignals(ctx context.Context, account int64, before time.Time) error {
	return t.Run(ctx, "DELETE FROM instrument_event WHERE account_id = ? AND at < ?", account, before)
}

// Signals lists what came for a person after an id.
func (s Signals) Signals(ctx context.Context, account, after int64) ([]Signal, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (Signal, error) {
		var v Signal
		return v, r.Scan(&v.ID, &v.Line, &v.Breaks)
	}, "SELECT id, line, breaks FROM instrument_event WHERE account_id = ? AND id > ? ORDER BY id LIMIT 50", account,
		after)
}

// LastSignal is the highest id for a person, 0 for none.
func (s Signals) LastSignal(ctx context.Context, account int64) (int64, error) {
	var id int64
	err := s.db.QueryRowContext(ctx, "SELECT COALESCE(MAX(id), 0) FROM instrument_event WHERE account_id = ?",
		account).Scan(&id)
	return id, err
}
