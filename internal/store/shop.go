package store

import (
	"context"
	"database/sql"
	"errors"

	"freshshard/core/length"
	"freshshard/internal/record"
)

// Shop reads the workshop's own settings.
func (s Shops) Shop(ctx context.Context) (record.Shop, error) {
	var v record.Shop
	err := s.db.QueryRowContext(ctx, "SELECT name, town, unit, address, version FROM shop WHERE id = 1").Scan(&v.Name,
		&v.Town, &v.Unit, &v.Address, &v.Version)
	if errors.Is(err, sql.ErrNoRows) {
		return v, &record.NotFound{What: "the shop"}
	}
	return v, err
}

// AddShop writes the settings for the first time. The fixed key makes a second
// first start fail.
func (t ShopsTx) AddShop(ctx context.Context, v record.Shop) error {
	return t.Run(ctx, "INSERT INTO shop (id, name, town, unit) VALUES (1, ?, ?, ?)", v.Name, v.Town, v.Unit)
}

// SetShop changes the settings at the version that the caller saw.
func (t ShopsTx) SetShop(ctx context.Context, v record.Shop) (bool, error) {
	return t.Changed(ctx,
		"UPDATE shop SET name = ?, town = ?, unit = ?, address = ?, version = version + 1 WHERE id = 1 AND version = ?",
		v.Name, v.Town, v.Unit, v.Address, v.Version)
}

// UnitFor is the unit in which a person works at a job: their own choice, or the
// shop's. Nobody is 0.
func (s Shops) UnitFor(ctx context.Context, job, account int64) (length.Unit, error) {
	var u length.Unit
	err := s.db.QueryRowContext(ctx, `SELECT COALESCE((SELECT unit FROM job_unit WHERE job_id = ? AND account_id = ?),
		(SELECT unit FROM shop WHERE id = 1), '')`, job, account).Scan(&u)
	return u, err
}

// SetUnitFor keeps a person's unit for a job.
func (t ShopsTx) SetUnitFor(ctx context.Context, job, account int64, u length.Unit) error {
	return t.Run(ctx, "INSERT INTO job_unit (job_id, account_id, unit) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE unit = ?",
		job, account, u, u)
}
