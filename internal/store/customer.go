package store

import (
	"context"
	"database/sql"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

// CustomersLike lists customers whose name or phone holds the words.
func (s Jobs) CustomersLike(ctx context.Context, words string, most int) ([]record.Customer, error) {
	like := "%" + likeEscape.Replace(words) + "%"
	return database.List(ctx, s.db, func(r *sql.Rows) (record.Customer, error) {
		var c record.Customer
		return c, r.Scan(&c.ID, &c.Name, &c.Phone, &c.Note, &c.Version)
	}, "SELECT id, name, phone, note, version FROM customer WHERE name LIKE ? OR phone LIKE ? ORDER BY name, id LIMIT ?",
		like, like, most)
}

// AddCustomer writes a new customer.
func (t JobsTx) AddCustomer(ctx context.Context, c record.Customer) (int64, error) {
	return t.Insert(ctx, "INSERT INTO customer (name, phone, note) VALUES (?, ?, ?)", c.Name, c.Phone, c.Note)
}

// HasCustomer says whether a customer is there.
func (t JobsTx) HasCustomer(ctx context.Context, id int64) (bool, error) {
	var n int
	err := t.Tx.QueryRowContext(ctx, "SELECT COUNT(*) FROM customer WHERE id = ?", id).Scan(&n)
	return n > 0, err
}

// SetCustomer changes a customer at the version that the caller saw.
func (t JobsTx) SetCustomer(ctx context.Context, c record.Customer) (bool, error) {
	return t.Changed(ctx,
		"UPDATE customer SET name = ?, phone = ?, note = ?, version = version + 1 WHERE id = ? AND version = ?", c.Name,
		c.Phone, c.Note, c.ID, c.Version)
}
