package store

import (
	"context"
	"database/sql"
	"errors"
	"time"
)

// Attempt tells how often something has failed to sign in since it last
// succeeded, locking the count until the transaction ends.
func (t PeopleTx) Attempt(ctx context.Context, scope, subject string) (n int, last time.Time, err error) {
	err = t.Tx.QueryRowContext(ctx,
		"SELECT failures, last_at FROM sign_in_attempt WHERE scope = ? AND subject = ? FOR UPDATE", scope, subject).Scan(&n,
		&last)
	if errors.Is(err, sql.ErrNoRows) {
		err = nil
	}
	return n, last, err
}

// HoldAttempt locks a count, making one at nothing where there is none: of many
// at once each sees what the one before it counted.
func (t PeopleTx) HoldAttempt(ctx context.Context, scope, subject string, at time.Time) error {
	return t.Run(ctx, "INSERT INTO sign_in_attempt (scope, subject, failures, last_at) VALUES (?, ?, 0, ?) ON DUPLICATE "+
		"KEY UPDATE failures = failures", scope, subject, at)
}

// CountAttempt counts one more. It stands before the password is looked at, so
// that many at once cannot all be let through.
func (t PeopleTx) CountAttempt(ctx context.Context, scope, subject string, at time.Time) error {
	return t.Run(ctx, "INSERT INTO sign_in_attempt (scope, subject, failures, last_at) VALUES (?, ?, 1, ?) ON DUPLICATE "+
		"KEY UPDATE failures = failures + 1, last_at = VALUES(last_at)", scope, subject, at)
}

// ForgetAttempt takes one count back, of an attempt that succeeded.
func (t PeopleTx) ForgetAttempt(ctx context.Context, scope, subject string) error {
	return t.Run(ctx, "UPDATE sign_in_attempt SET failures = GREATEST(failures - 1, 0) WHERE scope = ? AND subject = ?",
		scope, subject)
}

// ClearAttempts forgets all counts of a subject.
func (t PeopleTx) ClearAttempts(ctx context.Context, scope, subject string) error {
	return t.Run(ctx, "DELETE FROM sign_in_attempt WHERE scope = ? AND subject = ?", scope, subject)
}

// KnowsAddress says whether a person has signed in from an address before.
func (s People) KnowsAddress(ctx context.Context, account int64, address string) (bool, error) {
	var n int
	err := s.db.QueryRowContext(ctx, "SELECT COUNT(*) FROM known_address WHERE account_id = ? AND address = ?", account,
		address).Scan(&n)
	return n > 0, err
}

// LearnAddress notes that a person has signed in from an address.
func (t PeopleTx) LearnAddress(ctx context.Context, account int64, address string, at time.Time) error {
	return t.Run(ctx, "INSERT INTO known_address (account_id, address, at) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE at "+
		"= VALUES(at)", account, address, at)
}
