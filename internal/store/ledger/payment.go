package ledger

import (
	"context"
	"database/sql"
	"time"

	"freshshard/core/owed"
	"freshshard/internal/database"
	"freshshard/internal/record"
)

// Payments lists what was paid for a job, in the order in which it was written down.
func (s Ledger) Payments(ctx context.Context, job int64) ([]owed.Payment, error) {
	return database.List(ctx, s.DB, func(r *sql.Rows) (owed.Payment, error) {
		var p owed.Payment
		return p, r.Scan(&p.ID, &p.Cents, &p.Way, &p.Day, &p.Note, &p.By, &p.At)
	}, `SELECT p.id, CAST(p.amount * 100 AS SIGNED), p.way, DATE_FORMAT(p.day, '%Y-%m-%d'), p.note, a.name, p.at
FROM payment p JOIN account a ON a.id = p.account_id WHERE p.job_id = ? ORDER BY p.id`, job)
}

// AddPayment writes one down.
func (t Tx) AddPayment(ctx context.Context, job int64, p owed.Entry, by int64, at time.Time) (int64, error) {
	return t.Insert(ctx, "INSERT INTO payment (job_id, amount, way, day, note, account_id, at) "+
		"VALUES (?, ? / 100, ?, ?, ?, ?, ?)", job, p.Cents, p.Way, p.Day, p.Note, by, at)
}

// Owing lists jobs of which less or more was paid than was billed, with their last invoice, the
// soonest due first. How they stand is still to be reckoned. Jobs without an invoice or a credit are
// not among them: what was paid ahead is not owed.
func (s Ledger) Owing(ctx context.Context) ([]record.Owing, error) {
	return database.List(ctx, s.DB, func(r *sql.Rows) (record.Owing, error) {
		var o record.Owing
		return o, r.Scan(&o.Job, &o.Object, &o.Customer, &o.Phone, &o.Billed, &o.Paid, &o.Number, &o.Bill, &o.Due)
	}, `SELECT j.id, o.name, c.name, c.phone, CAST(b.billed * 100 AS SIGNED), CAST(COALESCE(p.paid, 0) * 100 AS SIGNED),
COALESCE(i.number, 0), COALESCE(i.id, 0), i.due
FROM (SELECT job_id, SUM(total) AS billed, MAX(IF(kind = 'invoice', id, 0)) AS last FROM bill WHERE kind <> 'quote'
  GROUP BY job_id) b
JOIN job j ON j.id = b.job_id JOIN object o ON o.id = j.object_id JOIN customer c ON c.id = o.customer_id
LEFT JOIN (SELECT job_id, SUM(amount) AS paid FROM payment GROUP BY job_id) p ON p.job_id = b.job_id
LEFT JOIN bill i ON i.id = b.last AND NOT EXISTS (SELECT 1 FROM bill x WHERE x.of_id = i.id)
WHERE b.billed <> COALESCE(p.paid, 0) ORDER BY i.due IS NULL, i.due, j.id`)
}

// Received lists payments of the days from one to another, both with, with whose job they are of.
func (s Ledger) Received(ctx context.Context, from, to string) ([]record.Received, error) {
	return database.List(ctx, s.DB, func(r *sql.Rows) (record.Received, error) {
		var p record.Received
		return p, r.Scan(&p.ID, &p.Cents, &p.Way, &p.Day, &p.Note, &p.By, &p.At, &p.Job, &p.Customer)
	}, `SELECT p.id, CAST(p.amount * 100 AS SIGNED), p.way, DATE_FORMAT(p.day, '%Y-%m-%d'), p.note, a.name, p.at,
p.job_id, c.name FROM payment p JOIN account a ON a.id = p.account_id JOIN job j ON j.id = p.job_id
JOIN object o ON o.id = j.object_id JOIN customer c ON c.id = o.customer_id
WHERE p.day BETWEEN ? AND ? ORDER BY p.day, p.id`, from, to)
}

// Replies lists what was said to the quotes of a job, in order.
func (s Ledger) Replies(ctx context.Context, job int64) ([]record.Reply, error) {
	return database.List(ctx, s.DB, func(r *sql.Rows) (record.Reply, error) {
		var v record.Reply
		return v, r.Scan(&v.ID, &v.Bill, &v.Yes, &v.Name, &v.Words, &v.By, &v.At, &v.Withdrawn)
	}, `SELECT q.id, q.bill_id, q.yes, q.name, q.words, COALESCE(a.name, ''), q.at, q.withdrawn_at
FROM quote_reply q JOIN bill b ON b.id = q.bill_id LEFT JOIN account a ON a.id = q.account_id
WHERE b.job_id = ? ORDER BY q.id`, job)
}

// AddReply writes one down; by is 0 for the customer.
func (t Tx) AddReply(ctx context.Context, v record.Reply, by int64) error {
	return t.Run(ctx, "INSERT INTO quote_reply (bill_id, yes, name, words, account_id, at) VALUES (?, ?, ?, ?, ?, ?)",
		v.Bill, v.Yes, v.Name, v.Words, database.OrNull(by), v.At)
}

// WithdrawReplies takes back what was said to the quotes of a job; it stays as it was said.
func (t Tx) WithdrawReplies(ctx context.Context, job int64, at time.Time) error {
	return t.Run(ctx, "UPDATE quote_reply q JOIN bill b ON b.id = q.bill_id SET q.withdrawn_at = ? "+
		"WHERE b.job_id = ? AND q.withdrawn_at IS NULL", at, job)
}
