package store

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

// Rates are what the shop asks; ok is false where nobody set them.
func (s Bills) Rates(ctx context.Context) (v price.Rates, ok bool, err error) {
	err = s.db.QueryRowContext(ctx, `SELECT CAST(hour * 100 AS SIGNED), CAST(call_out * 100 AS SIGNED),
CAST(disposal * 100 AS SIGNED), CAST(least * 100 AS SIGNED), margin, tax, behind, days, version FROM rates
WHERE id = 1`).
		Scan(&v.Hour, &v.CallOut, &v.Disposal, &v.Least, &v.Margin, &v.Tax, &v.Behind, &v.Days, &v.Version)
	if errors.Is(err, sql.ErrNoRows) {
		return v, false, nil
	}
	return v, err == nil, err
}

// SetRates writes them at the version that the caller saw, 0 for the first time.
func (t BillsTx) SetRates(ctx context.Context, v price.Rates) (bool, error) {
	if v.Version == 0 {
		return t.Changed(ctx, "INSERT IGNORE INTO rates (id, hour, call_out, disposal, least, margin, tax, behind, days) "+
			"VALUES (1, ? / 100, ? / 100, ? / 100, ? / 100, ?, ?, ?, ?)", v.Hour, v.CallOut, v.Disposal, v.Least, v.Margin,
			v.Tax,
			v.Behind, v.Days)
	}
	return t.Changed(ctx, "UPDATE rates SET hour = ? / 100, call_out = ? / 100, disposal = ? / 100, least = ? / 100, "+
		"margin = ?, tax = ?, behind = ?, days = ?, version = version + 1 WHERE id = 1 AND version = ?", v.Hour, v.CallOut,
		v.Disposal, v.Least, v.Margin, v.Tax, v.Behind, v.Days, v.Version)
}

// Priced is what a person changed on the price of a job.
func (s Bills) Priced(ctx context.Context, job int64) (price.Adjust, error) {
	var v price.Adjust
	var body []byte
	var version int
	err := s.db.QueryRowContext(ctx, "SELECT body, version FROM job_price WHERE job_id = ?", job).Scan(&body, &version)
	if errors.Is(err, sql.ErrNoRows) {
		return v, nil
	}
	if err == nil {
		err = json.Unmarshal(body, &v)
	}
	v.Version = version
	return v, err
}

// SetPriced writes it at the version that the caller saw, 0 for the first time.
func (t BillsTx) SetPriced(ctx context.Context, job int64, v price.Adjust) (bool, error) {
	body, err := json.Marshal(v)
	if err != nil {
		return false, err
	}
	if v.Version == 0 {
		return t.Changed(ctx, "INSERT IGNORE INTO job_price (job_id, body) VALUES (?, ?)", job, body)
	}
	return t.Changed(ctx, "UPDATE job_price SET body = ?, version = version + 1 WHERE job_id = ? AND version = ?", body,
		job,
		v.Version)
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
func (s Bills) OfJob(ctx context.Context, job int64) ([]record.Bill, error) {
	return database.List(ctx, s.db, scanBill, billColumns+" WHERE b.job_id = ? ORDER BY b.id", job)
}

// Bill reads one.
func (s Bills) Bill(ctx context.Context, job, id int64) (record.Bill, error) {
	return database.First[record.Bill](&record.NotFound{What: "this paper"})(database.List(ctx, s.db, scanBill,
		billColumns+" WHERE b.job_id = ? AND b.id = ?", job, id))
}

// Ledger lists invoices and credits from a moment up to another.
func (s Bills) Ledger(ctx context.Context, from, to time.Time) ([]record.Bill, error) {
	return database.List(ctx, s.db, scanBill,
		billColumns+" WHERE b.kind <> 'quote' AND b.at >= ? AND b.at < ? ORDER BY b.at, b.id", from, to)
}

// AddBill writes a paper under the next number of its kind.
func (t BillsTx) AddBill(ctx context.Context, v record.Bill, by int64) (int64, error) {
	if err := t.Tx.QueryRowContext(ctx, "SELECT COALESCE(MAX(number), 0) + 1 FROM bill WHERE kind = ?",
		v.Kind).Scan(&v.Number); err != nil {
		return 0, err
	}
	body, err := json.Marshal(v)
	if err != nil {
		return 0, err
	}
	return t.Insert(ctx, "INSERT INTO bill (job_id, kind, number, of_id, net, tax, total, body, account_id, at) "+
		"VALUES (?, ?, ?, ?, ? / 100, ? / 100, ? / 100, ?, ?, ?)", v.Job, v.Kind, v.Number, orNull(v.Of), v.Net, v.Tax,
		v.Total, body, by, v.At)
}
