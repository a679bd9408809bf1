package store

import (
	"context"
	"database/sql"
	"errors"
	"time"
)

// Memo reads what the program noted under a name; empty for nothing.
func (s Shops) Memo(ctx context.Context, name string) (value string, at time.Time, err error) {
	err = s.db.QueryRowContext(ctx, "SELECT value, at FROM memo WHERE name = ?", name).Scan(&value, &at)
	if errors.Is(err, sql.ErrNoRows) {
		err = nil
	}
	return value, at, err
}

// SetMemo notes something under a name.
func (t ShopsTx) SetMemo(ctx context.Context, name, value string, at time.Time) error {
	return t.Run(ctx, "REPLACE INTO memo (name, value, at) VALUES (?, ?, ?)", name, value, at)
}

// AddMemo notes something under a name unless something is noted there, and
// gives what then stands there. The first of several writers wins.
func (t ShopsTx) AddMemo(ctx context.Context, name, value string, at time.Time) (string, error) {
	if err := t.Run(ctx, "INSERT IGNORE INTO memo (name, value, at) VALUES (?, ?, ?)", name, value, at); err != nil {
		return "", err
	}
	v := ""
	err := t.Tx.QueryRowContext(ctx, "SELECT value FROM memo WHERE name = ? FOR UPDATE", name).Scan(&v)
	return v, err
}

// Since is when the shop was set up; the zero time before that.
func (s Shops) Since(ctx context.Context) (time.Time, error) {
	var at sql.NullTime
	err := s.db.QueryRowContext(ctx, "SELECT MIN(created_at) FROM account").Scan(&at)
	return at.Time, err
}
