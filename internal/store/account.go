package store

import (
	"context"
	"database/sql"
	"errors"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

const accountColumns = "id, name, login, role, active, version"

func scanAccount(row interface{ Scan(...any) error }, more ...any) (record.Account, error) {
	var a record.Account
	err := row.Scan(append([]any{&a.ID, &a.Name, &a.Login, &a.Role, &a.Active, &a.Version}, more...)...)
	if errors.Is(err, sql.ErrNoRows) {
		return a, &record.NotFound{What: "this person"}
	}
	return a, err
}

// Account finds a person by id.
func (s People) Account(ctx context.Context, id int64) (record.Account, error) {
	return scanAccount(s.db.QueryRowContext(ctx, "SELECT "+accountColumns+" FROM account WHERE id = ?", id))
}

// Credentials finds a person by sign-in name with the password's hash.
func (s People) Credentials(ctx context.Context, login string) (record.Account, string, error) {
	var hash string
	a, err := scanAccount(s.db.QueryRowContext(ctx, "SELECT "+accountColumns+
		", password_hash FROM account WHERE login = ?", login), &hash)
	return a, hash, err
}

// Accounts lists the people, by name.
func (s People) Accounts(ctx context.Context) ([]record.Account, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.Account, error) { return scanAccount(r) },
		"SELECT "+accountColumns+" FROM account ORDER BY name, id")
}

// HasOwner says whether the shop has been set up.
func (s People) HasOwner(ctx context.Context) (bool, error) {
	var n int
	err := s.db.QueryRowContext(ctx, "SELECT COUNT(*) FROM account WHERE role = 'owner'").Scan(&n)
	return n > 0, err
}

// AddAccount adds a person.
func (t PeopleTx) AddAccount(ctx context.Context, a record.Account, hash string, at time.Time) (int64, error) {
	return t.Insert(ctx,
		"INSERT INTO account (name, login, role, password_hash, active, created_at) VALUES (?, ?, ?, ?, TRUE, ?)",
		a.Name, a.Login, a.Role, hash, at)
}

// SetAccount changes role and whether the person may sign in, at the version
// that the caller saw.
func (t PeopleTx) SetAccount(ctx context.Context, id int64, role record.Role, active bool, version int) (bool, error) {
	return t.Changed(ctx, "UPDATE account SET role = ?, active = ?, version = version + 1 WHERE id = ? AND version = ?",
		role, active, id, version)
}

// SetPassword changes a person's password hash.
func (t PeopleTx) SetPassword(ctx context.Context, id int64, hash string) error {
	return t.Run(ctx, "UPDATE account SET password_hash = ?, version = version + 1 WHERE id = ?", hash, id)
}

// ActiveOwners counts the owners who may sign in, locking their rows.
func (t PeopleTx) ActiveOwners(ctx context.Context) (int, error) {
	var n int
	err := t.Tx.QueryRowContext(ctx, "SELECT COUNT(*) FROM account WHERE role = 'owner' AND active FOR UPDATE").Scan(&n)
	return n, err
}
