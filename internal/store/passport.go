package store

import (
	"context"
	"database/sql"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

const linkQuery = "SELECT l.id, l.kind, l.token, COALESCE(l.job_id, 0), a.name, a.id, l.made_at, l.withdrawn_at " +
	"FROM link l " +
	"JOIN account a ON a.id = l.account_id WHERE "

func scanLink(r *sql.Rows) (record.Link, error) {
	var v record.Link
	return v, r.Scan(&v.ID, &v.Kind, &v.Token, &v.Job, &v.MadeBy, &v.Account, &v.MadeAt, &v.Withdrawn)
}

// linkOf is what an address opens: a person's days, a job, or the shop's for 0.
const linkOf = "kind = ? AND IF(kind = 'days', account_id, COALESCE(job_id, 0)) = ? AND withdrawn_at IS NULL"

// LinkBy finds what a token opens, nil where it opens nothing, was withdrawn, or shows the
// days of somebody who does not work here any more.
func (s Passports) LinkBy(ctx context.Context, kind record.LinkKind, token string) (*record.Link, error) {
	return firstOf(database.List(ctx, s.db, scanLink,
		linkQuery+"l.token = ? AND l.kind = ? AND l.withdrawn_at IS NULL AND (l.kind <> 'days' OR a.active)", token, kind))
}

// LinkOf is the address that opens a job, somebody's days, or the shop's for 0; nil where
// there is none.
func (s Passports) LinkOf(ctx context.Context, kind record.LinkKind, of int64) (*record.Link, error) {
	return firstOf(database.List(ctx, s.db, scanLink, linkQuery+linkOf+" ORDER BY l.id DESC LIMIT 1", kind, of))
}

func firstOf[T any](all []T, err error) (*T, error) {
	if err != nil || len(all) == 0 {
		return nil, err
	}
	return &all[0], nil
}

// AddLink writes an address.
func (t PassportsTx) AddLink(ctx context.Context, l record.Link, by int64) error {
	return t.Run(ctx, "INSERT INTO link (kind, token, job_id, account_id, made_at) VALUES (?, ?, NULLIF(?, 0), ?, ?)",
		l.Kind,
		l.Token, l.Job, by, l.MadeAt)
}

// WithdrawLinks ends the addresses that open a job, somebody's days, or the shop's for 0.
func (t PassportsTx) WithdrawLinks(ctx context.Context, kind record.LinkKind, of int64, at time.Time) error {
	return t.Run(ctx, "UPDATE link SET withdrawn_at = ? WHERE "+linkOf, at, kind, of)
}

const reminderQuery = "SELECT r.id, r.job_id, o.name, c.name, c.phone, r.rule, r.what, r.why, r.due_at, r.state, " +
	"r.note, " +
	"r.version FROM reminder r JOIN job j ON j.id = r.job_id JOIN object o ON o.id = j.object_id " +
	"JOIN customer c ON c.id = o.customer_id WHERE "

func scanReminder(r *sql.Rows) (record.Reminder, error) {
	var v record.Reminder
	return v, r.Scan(&v.ID, &v.Job, &v.Object, &v.Customer, &v.Phone, &v.Rule, &v.What, &v.Why, &v.Due, &v.State, &v.Note,
		&v.Version)
}

// Reminders lists what is open and due before a time, the soonest first.
func (s Passports) Reminders(ctx context.Context, before time.Time, most int) ([]record.Reminder, error) {
	return database.List(ctx, s.db, scanReminder,
		reminderQuery+"r.state = 'open' AND r.due_at < ? ORDER BY r.due_at, r.id LIMIT ?",
		before, most)
}

// Reminder reads one.
func (s Passports) Reminder(ctx context.Context, id int64) (record.Reminder, error) {
	v, err := firstOf(database.List(ctx, s.db, scanReminder, reminderQuery+"r.id = ?", id))
	if err == nil && v == nil {
		err = &record.NotFound{What: "this reminder"}
	}
	if err != nil {
		return record.Reminder{}, err
	}
	return *v, nil
}

// AddReminder writes one.
func (t PassportsTx) AddReminder(ctx context.Context, v record.Reminder, by int64, at time.Time) (int64, error) {
	return t.Insert(ctx, "INSERT INTO reminder (job_id, rule, what, why, due_at, account_id, at) VALUES (?, ?, ?, ?, "+
		"?, ?, ?)",
		v.Job, v.Rule, v.What, v.Why, v.Due, by, at)
}

// SetReminder changes one at the version that the caller saw.
func (t PassportsTx) SetReminder(ctx context.Context, v record.Reminder, by int64, at time.Time) (bool, error) {
	return t.Changed(ctx,
		"UPDATE reminder SET due_at = ?, state = ?, note = ?, version = version + 1, account_id = ?, at = ? "+
			"WHERE id = ? AND version = ?", v.Due, v.State, v.Note, by, at, v.ID, v.Version)
}

// SameObject is the first row of an object that came back, itself where it never did.
func (s Passports) SameObject(ctx context.Context, object int64) (int64, error) {
	var id int64
	return id, s.db.QueryRowContext(ctx, "SELECT COALESCE(same_as, id) FROM object WHERE id = ?", object).Scan(&id)
}

// SetSameObject says that an object is one that was here before.
func (t PassportsTx) SetSameObject(ctx context.Context, object, first int64) error {
	return t.Run(ctx, "UPDATE object SET same_as = ? WHERE id = ?", first, object)
}

// JobsOfObject lists the jobs of an object through time, the newest first.
func (s Passports) JobsOfObject(ctx context.Context, first int64) ([]int64, error) {
	return database.List(ctx, s.db, scanID,
		"SELECT j.id FROM job j JOIN object o ON o.id = j.object_id WHERE o.id = ? OR o.same_as = ? ORDER BY j.id DESC",
		first,
		first)
}

// NewerOf says whether an object was here again after a job, with one that was not withdrawn.
func (s Passports) NewerOf(ctx context.Context, first, job int64) (bool, error) {
	var n int
	err := s.db.QueryRowContext(ctx, "SELECT COUNT(*) FROM job j JOIN object o ON o.id = j.object_id "+
		"WHERE (o.id = ? OR o.same_as = ?) AND j.id > ? AND j.state <> 'withdrawn'", first, first, job).Scan(&n)
	return n > 0, err
}

const fittedQuery = "SELECT pane_id, job_id, object_id, family, exposure, material, thickness, seal, adhesive, " +
	"cause, " +
	"source, size, out_at, back_at, COALESCE(back_job, 0) FROM fitted WHERE "

func scanFitted(r *sql.Rows) (record.Fitted, error) {
	var v record.Fitted
	return v, r.Scan(&v.Pane, &v.Job, &v.Object, &v.Family, &v.Exposure, &v.Material, &v.Thickness, &v.Seal, &v.Adhesive,
		&v.Cause, &v.Source, &v.Size, &v.Out, &v.Back, &v.BackJob)
}

// FittedLike lists what was fitted in the same way of holding and heat since a time.
func (s Passports) FittedLike(ctx context.Context, family, exposure string, since time.Time, most int) ([]record.Fitted,
	error) {
	return database.List(ctx, s.db, scanFitted,
		fittedQuery+"family = ? AND exposure = ? AND out_at >= ? ORDER BY out_at DESC LIMIT ?", family, exposure, since, most)
}

// FittedIn lists what was fitted in an object through time, the newest first.
func (s Passports) FittedIn(ctx context.Context, first int64) ([]record.Fitted, error) {
	return database.List(ctx, s.db, scanFitted, fittedQuery+"object_id = ? ORDER BY out_at DESC, pane_id", first)
}

// AddFitted writes what went out in a pane.
func (t PassportsTx) AddFitted(ctx context.Context, v record.Fitted) error {
	return t.Run(ctx, "REPLACE INTO fitted (pane_id, job_id, object_id, family, exposure, material, thickness, seal, "+
		"adhesive, "+
		"cause, source, size, out_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)", v.Pane, v.Job, v.Object, v.Family,
		v.Exposure, v.Material, v.Thickness, v.Seal, v.Adhesive, v.Cause, v.Source, v.Size, v.Out)
}

// CameBack notes that what was fitted in an object since a time came back with a job.
func (t PassportsTx) CameBack(ctx context.Context, first, job int64, since, at time.Time) error {
	return t.Run(ctx,
		"UPDATE fitted SET back_at = ?, back_job = ? WHERE object_id = ? AND out_at >= ? AND back_at IS NULL", at, job, first,
		since)
}

// DropReminders ends what was to be looked at of an object's earlier jobs: it is here.
func (t PassportsTx) DropReminders(ctx context.Context, first, but int64, by int64, at time.Time) error {
	return t.Run(ctx, "UPDATE reminder r JOIN job j ON j.id = r.job_id JOIN object o ON o.id = j.object_id "+
		"SET r.state = 'dropped', r.note = 'it was here again', r.version = r.version + 1, r.account_id = ?, r.at = ?, "+
		"r.ended_by = ? "+
		"WHERE r.state = 'open' AND (o.id = ? OR o.same_as = ?) AND j.id <> ?", by, at, but, first, first, but)
}

// NotBack takes back that an object was here again with a job: what it ended is to be looked
// at as before, and what was fitted did not come back.
func (t PassportsTx) NotBack(ctx context.Context, job, by int64, at time.Time) error {
	if err := t.Run(ctx, "UPDATE reminder SET state = 'open', note = '', version = version + 1, account_id = ?, at = ?, "+
		"ended_by = NULL WHERE ended_by = ? AND state = 'dropped'", by, at, job); err != nil {
		return err
	}
	return t.Run(ctx, "UPDATE fitted SET back_at = NULL, back_job = NULL WHERE back_job = ?", job)
}
