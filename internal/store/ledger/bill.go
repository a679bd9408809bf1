// Package ledger keeps what the shop asks, prices, quotes, invoices, and what was paid. It has the
// queries and knows no rules.
package ledger

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"time"

	"freshshard/core/price"
	"freshshard/internal/database"
	"freshshard/internal/record"
)

// Ledger reads.
type Ledger struct{ DB database.Querier }

// Tx writes in a transaction, and reads what it needs on the way.
type Tx struct {
	Ledger
	database.Writer
}

// Rates are what the shop asks; ok is false where nobody set them.
func (s Ledger) Rates(ctx context.Context) (v price.Rates, ok bool, err error) {
	err = s.DB.QueryRowContext(ctx, `SELECT CAST(hour * 100 AS SIGNED), CAST(call_out * 100 AS SIGNED),
CAST(disposal * 100 AS SIGNED), CAST(least * 100 AS SIGNED), margin, tax, behind, days, terms, deposit,
version FROM rates
WHERE id = 1`).
		Scan(&v.Hour, &v.CallOut, &v.Disposal, &v.Least, &v.Margin, &v.Tax, &v.Behind, &v.Days, &v.Terms, &v.Deposit,
			&v.Version)
	if errors.Is(err, sql.ErrNoRows) {
		return v, false, nil
	}
	return v, err == nil, err
}

// SetRates writes them at the version that the caller saw, 0 for the first time.
func (t Tx) SetRates(ctx context.Context, v price.Rates) (bool, error) {
	if v.Version == 0 {
		return t.Changed(ctx, "INSERT IGNORE INTO rates (id, hour, call_out, disposal, least, margin, tax, behind, days, "+
			"terms, deposit) VALUES (1, ? / 100, ? / 100, ? / 100, ? / 100, ?, ?, ?, ?, ?, ?)", v.Hour, v.CallOut, v.Disposal,
			v.Least, v.Margin, v.Tax, v.Behind, v.Days, v.Terms, v.Deposit)
	}
	return t.Changed(ctx, "UPDATE rates SET hour = ? / 100, call_out = ? / 100, disposal = ? / 100, least = ? / 100, "+
		"margin = ?, tax = ?, behind = ?, days = ?, terms = ?, deposit = ?, "+
		"version = version + 1 WHERE id = 1 AND version = ?",
		v.Hour, v.CallOut, v.Disposal, v.Least, v.Margin, v.Tax, v.Behind, v.Days, v.Terms, v.Deposit, v.Version)
}

// document reads the one document of a table under a number, with its version; nothing where there
// is none.
func document(ctx context.Context, db database.Querier, table, key string, id int64, v any) (version int, err error) {
	var body []byte
	err = db.QueryRowContext(ctx, "SELECT body, version FROM "+table+" WHERE "+key+" = ?", id).Scan(&body, &version)
	if errors.Is(err, sql.ErrNoRows) {
		return 0, nil
	}
	if err == nil {
		err = json.Unmarshal(body, v)
	}
	return version, err
}

// setDocument writes it at the version that the caller saw, 0 for the first time.
func (t Tx) setDocument(ctx context.Context, table, key string, id int64, v any, version int) (bool, error) {
	body, err := json.Marshal(v)
	if err != nil {
		return false, err
	}
	if version == 0 {
		return t.Changed(ctx, "INSERT IGNORE INTO "+table+" ("+key+", body) VALUES (?, ?)", id, body)
	}
	return t.Changed(ctx, "UPDATE "+table+" SET body = ?, version = version + 1 WHERE "+key+" = ? AND version = ?", body,
		id, version)
}

// Priced is what a person changed on the price of a job.
func (s Ledger) Priced(ctx context.Context, job int64) (v price.Adjust, err error) {
	v.Version, err = document(ctx, s.DB, "job_price", "job_id", job, &v)
	return v, err
}

// SetPriced writes it at the version that the caller saw, 0 for the first time.
func (t Tx) SetPriced(ctx context.Context, job int64, v price.Adjust) (bool, error) {
	return t.setDocument(ctx, "job_price", "job_id", job, v, v.Version)
}

// Letterhead is what stands on every paper; nothing while nobody said it.
func (s Ledger) Letterhead(ctx context.Context) (v record.Letterhead, err error) {
	v.Version, err = document(ctx, s.DB, "letterhead", "id", 1, &v)
	return v, err
}

// SetLetterhead writes it at the version that the caller saw, 0 for the first time.
func (t Tx) SetLetterhead(ctx context.Context, v record.Letterhead) (bool, error) {
	return t.setDocument(ctx, "letterhead", "id", 1, v, v.Version)
}

// Payer is who pays for a job; nothing where nobody said more than whose it is.
func (s Ledger) Payer(ctx context.Context, job int64) (v record.Payer, err error) {
	v.Version, err = document(ctx, s.DB, "payer", "job_id", job, &v)
	return v, err
}

// SetPayer writes it at the version that the caller saw, 0 for the first time.
func (t Tx) SetPayer(ctx context.Context, job int64, v record.Payer) (bool, error) {
	return t.setDocument(ctx, "payer", "job_id", job, v, v.Version)
}

const billColumns = `SELECT b.id, b.job_id, b.number, COALESCE(b.of_id, 0), COALESCE(o.number, 0), b.body, a.name, b.at
FROM bill b JOIN account a ON a.id = b.account_id LEFT JOIN bill o ON o.id = b.of_id`

func scanBill(r *sql.Rows) (record.Bill, error) {
	var v record.Bill
	var id, job, number, of, ofNumber int64
	var body []byte
	var by string
	var at time.Time
	if err := r.Scan(&id, &job, &number, &of, &ofNumber, &body, &by, &at); err != nil {
		return v, err
	}
	err := json.Unmarshal(body, &v)
	v.ID, v.Job, v.Number, v.Of, v.OfNumber, v.By, v.At = id, job, number, of, ofNumber, by, at
	return v, err
}

// OfJob lists the papers of a job, in the order in which they were written.
func (s Ledger) OfJob(ctx context.Context, job int64) ([]record.Bill, error) {
	return database.List(ctx, s.DB, scanBill, billColumns+" WHERE b.job_id = ? ORDER BY b.id", job)
}

// Bill reads one.
func (s Ledger) Bill(ctx context.Context, job, id int64) (record.Bill, error) {
	return database.First[record.Bill](&record.NotFound{What: "this paper"})(database.List(ctx, s.DB, scanBill,
		billColumns+" WHERE b.job_id = ? AND b.id = ?", job, id))
}

// Between lists invoices and credits from a moment up to another.
func (s Ledger) Between(ctx context.Context, from, to time.Time) ([]record.Bill, error) {
	return database.List(ctx, s.DB, scanBill,
		billColumns+" WHERE b.kind <> 'quote' AND b.at >= ? AND b.at < ? ORDER BY b.at, b.id", from, to)
}

// AddBill writes a paper under the next number of its kind.
func (t Tx) AddBill(ctx context.Context, v record.Bill, by int64) (int64, error) {
	if err := t.Tx.QueryRowContext(ctx, "SELECT COALESCE(MAX(number), 0) + 1 FROM bill WHERE kind = ?",
		v.Kind).Scan(&v.Number); err != nil {
		return 0, err
	}
	body, err := json.Marshal(v)
	if err != nil {
		return 0, err
	}
	return t.Insert(ctx, "INSERT INTO bill (job_id, kind, number, of_id, net, tax, total, body, account_id, at, due) "+
		"VALUES (?, ?, ?, ?, ? / 100, ? / 100, ? / 100, ?, ?, ?, ?)", v.Job, v.Kind, v.Number,
		database.OrNull(v.Of), v.Net, v.Tax,
		v.Total, body, by, v.At, v.Due)
}
