package database

import (
	"context"
	"database/sql"
	"strings"
)

// Querier is what a query runs on: the pool, or one transaction.
type Querier interface {
	QueryContext(ctx context.Context, q string, args ...any) (*sql.Rows, error)
	QueryRowContext(ctx context.Context, q string, args ...any) *sql.Row
}

// List runs a query and collects its rows.
func List[T any](ctx context.Context, db Querier, scan func(*sql.Rows) (T, error), q string, args ...any) ([]T, error) {
	rows, err := db.QueryContext(ctx, q, args...)
	if err != nil {
		return nil, err
	}
	defer func() { _ = rows.Close() }()
	out := []T{}
	for rows.Next() {
		v, err := scan(rows)
		if err != nil {
			return nil, err
		}
		out = append(out, v)
	}
	return out, rows.Err()
}

// First is the only row of a List, or the error that says that it is missing.
func First[T any](missing error) func(all []T, err error) (T, error) {
	return func(all []T, err error) (T, error) {
		if err == nil && len(all) == 0 {
			err = missing
		}
		if err != nil {
			var none T
			return none, err
		}
		return all[0], nil
	}
}

// Fill runs a query whose first column is an id and hands each row to the
// record that it belongs to.
func Fill[T any](ctx context.Context, db Querier, q string, args []any, records map[int64]*T,
	take func(scan func(...any) error) (func(*T), error)) error {
	rows, err := db.QueryContext(ctx, q, args...)
	if err != nil {
		return err
	}
	defer func() { _ = rows.Close() }()
	for rows.Next() {
		var id int64
		put, err := take(func(dest ...any) error { return rows.Scan(append([]any{&id}, dest...)...) })
		if err != nil {
			return err
		}
		if v := records[id]; v != nil {
			put(v)
		}
	}
	return rows.Err()
}

// Writer runs the writes of a transaction.
type Writer struct{ Tx *sql.Tx }

// Insert runs an insert and gives the new id.
func (t Writer) Insert(ctx context.Context, q string, args ...any) (int64, error) {
	r, err := t.Tx.ExecContext(ctx, q, args...)
	if err != nil {
		return 0, err
	}
	return r.LastInsertId()
}

// Changed runs an update and says whether a row was found.
func (t Writer) Changed(ctx context.Context, q string, args ...any) (bool, error) {
	r, err := t.Tx.ExecContext(ctx, q, args...)
	if err != nil {
		return false, err
	}
	n, err := r.RowsAffected()
	return n > 0, err
}

// Run runs a write.
func (t Writer) Run(ctx context.Context, q string, args ...any) error {
	_, err := t.Tx.ExecContext(ctx, q, args...)
	return err
}

// Marks are as many question marks as there are ids, and the ids as arguments.
func Marks(ids []int64) (string, []any) {
	args := make([]any, len(ids))
	for i, id := range ids {
		args[i] = id
	}
	return strings.TrimSuffix(strings.Repeat("?,", len(ids)), ","), args
}

// AsOne lets f read as if nobody wrote meanwhile. What is read in several queries would else
// be torn: a job's row of before with the readings of after. Within a transaction f reads
// there, under the locks that it holds.
func AsOne(ctx context.Context, q Querier, f func(Querier) error) error {
	db, alone := q.(*sql.DB)
	if !alone {
		return f(q)
	}
	tx, err := db.BeginTx(ctx, &sql.TxOptions{Isolation: sql.LevelRepeatableRead, ReadOnly: true})
	if err != nil {
		return err
	}
	defer func() { _ = tx.Rollback() }()
	if err := f(tx); err != nil {
		return err
	}
	return tx.Commit()
}

func OrNull(id int64) any {
	if id == 0 {
		return nil
	}
	return id
}
