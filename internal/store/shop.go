package store

import (
	"context"
	"database/sql"
	"errors"

	"freshshard/internal/record"
)

// Shop reads the workshop's own settings.
func (s queries) Shop(ctx context.Context) (record.Shop, error) {
	var v record.Shop
	err := s.db.QueryRowContext(ctx, "SELECT name, town, unit, version FROM shop WHERE id = 1").Scan(&v.Name, &v.Town,
		&v.Unit, &v.Version)
	if errors.Is(err, sql.ErrNoRows) {
		return v, &record.NotFound{What: "the shop"}
	}
	return v, err
}

// AddShop writes the settings for the first time. The fixed key makes a second
// first start fail.
func (t *Tx) AddShop(ctx context.Context, v record.Shop) error {
	return t.run(ctx, "INSERT INTO shop (id, name, town, unit) VALUES (1, ?, ?, ?)", v.Name, v.Town, v.Unit)
}

// SetShop changes the settings at the version that the caller saw.
func (t *Tx) SetShop(ctx context.Context, v record.Shop) (bool, error) {
	return t.changed(ctx,
		"UPDATE shop SET name = ?, town = ?, unit = ?, version = version + 1 WHERE id = 1 AND version = ?", v.Name, v.Town,
		v.Unit, v.Version)
}
