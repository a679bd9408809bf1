package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"

	"freshshard/core/catalogue"
	"freshshard/internal/database"
)

// Own reads the values that the shop has laid over the book's.
func (s Shops) Own(ctx context.Context) (catalogue.Values, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (catalogue.Value, error) {
		var v catalogue.Value
		return v, r.Scan(&v.Kind, &v.ID, &v.Item, &v.V, &v.Sheet, &v.By, &v.At, &v.Version)
	}, `SELECT v.kind, v.subject, v.item, v.value, v.sheet, a.name, v.at, v.version
FROM own_value v JOIN account a ON a.id = v.account_id ORDER BY v.kind, v.subject, v.item`)
}

// SetOwn lays a value over the book's: a new one at version 0, otherwise at the
// version that the caller saw. It reports false when that is not the one there.
func (t ShopsTx) SetOwn(ctx context.Context, v catalogue.Value, by int64) (bool, error) {
	if v.Version == 0 {
		err := t.Run(ctx, "INSERT INTO own_value (kind, subject, item, value, sheet, account_id, at) VALUES (?, ?, ?, ?, "+
			"?, ?, ?)", v.Kind, v.ID, v.Item, v.V, v.Sheet, by, v.At)
		if database.IsDuplicate(err) {
			return false, nil
		}
		return err == nil, err
	}
	return t.Changed(ctx,
		"UPDATE own_value SET value = ?, sheet = ?, account_id = ?, at = ?, version = version + 1 WHERE kind = ? AND "+
			"subject = ? AND item = ? AND version = ?",
		v.V, v.Sheet, by, v.At, v.Kind, v.ID, v.Item, v.Version)
}

// DropOwn takes a value off the book's again.
func (t ShopsTx) DropOwn(ctx context.Context, v catalogue.Value) (bool, error) {
	return t.Changed(ctx, "DELETE FROM own_value WHERE kind = ? AND subject = ? AND item = ? AND version = ?", v.Kind,
		v.ID, v.Item, v.Version)
}

// BookRevision is a word that changes whenever one of the values does.
func (s Shops) BookRevision(ctx context.Context) (string, error) {
	var n, versions int
	var last sql.NullTime
	err := s.db.QueryRowContext(ctx, "SELECT COUNT(*), COALESCE(SUM(version), 0), MAX(at) FROM own_value").Scan(&n,
		&versions, &last)
	return fmt.Sprintf("%d-%d-%d", n, versions, last.Time.UnixMilli()), err
}

// LockShop makes writers of what the whole shop shares wait for each other.
func (t ShopsTx) LockShop(ctx context.Context) error {
	var id int
	err := t.Tx.QueryRowContext(ctx, "SELECT id FROM shop WHERE id = 1 FOR UPDATE").Scan(&id)
	if errors.Is(err, sql.ErrNoRows) {
		return nil // before the first start nobody else is there
	}
	return err
}
