package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"time"

	"freshshard/core/pace"
	"freshshard/core/supply"
	"freshshard/internal/database"
	"freshshard/internal/record"
)

const orderColumns = `SELECT id, kind, who, state, body, CAST(carriage * 100 AS SIGNED), due, note, version
	FROM supply_order`

func scanOrder(r *sql.Rows) (supply.Order, error) {
	var v supply.Order
	var lines []byte
	if err := r.Scan(&v.ID, &v.Kind, &v.Who, &v.State, &lines, &v.Carriage, &v.Due, &v.Note, &v.Version); err != nil {
		return v, err
	}
	return v, json.Unmarshal(lines, &v.Lines)
}

// OfJob lists what was ordered for a job, in the order in which it was.
func (s Orders) OfJob(ctx context.Context, job int64) ([]supply.Order, error) {
	return database.List(ctx, s.db, scanOrder, orderColumns+" WHERE job_id = ? ORDER BY id", job)
}

// Order reads one of them.
func (s Orders) Order(ctx context.Context, job, id int64) (supply.Order, error) {
	return database.First[supply.Order](&record.NotFound{What: "this order"})(database.List(ctx, s.db, scanOrder,
		orderColumns+" WHERE job_id = ? AND id = ?", job, id))
}

// AddOrder writes an order.
func (t OrdersTx) AddOrder(ctx context.Context, job int64, v supply.Order, by int64, at time.Time) (int64, error) {
	lines, err := json.Marshal(v.Lines)
	if err != nil {
		return 0, err
	}
	return t.Insert(ctx,
		"INSERT INTO supply_order (job_id, kind, who, state, body, carriage, total, due, note, account_id, at) "+
			"VALUES (?, ?, ?, ?, ?, ? / 100, ? / 100, ?, ?, ?, ?)", job, v.Kind, v.Who, v.State, lines, v.Carriage, v.Cents(),
		v.Due, v.Note, by, at)
}

// SetOrder writes how it stands at the version that the caller saw.
func (t OrdersTx) SetOrder(ctx context.Context, job int64, v supply.Order, at time.Time) (bool, error) {
	lines, err := json.Marshal(v.Lines)
	if err != nil {
		return false, err
	}
	return t.Changed(ctx, "UPDATE supply_order SET here_at = IF(? = 'here', COALESCE(here_at, ?), NULL), kind = ?, "+
		"who = ?, state = ?, body = ?, carriage = ? / 100, total = ? / 100, due = ?, note = ?, version = version + 1 "+
		"WHERE id = ? AND job_id = ? AND version = ?", v.State, at, v.Kind, v.Who, v.State, lines, v.Carriage, v.Cents(),
		v.Due, v.Note, v.ID, job, v.Version)
}

// Came are orders that came since a moment, for when each was said and when it was here,
// the last ones first.
func (s Orders) Came(ctx context.Context, since time.Time, most int) ([]pace.Came, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (pace.Came, error) {
		var v pace.Came
		return v, r.Scan(&v.Who, &v.Due, &v.Here)
	}, "SELECT who, due, here_at FROM supply_order WHERE here_at >= ? AND due IS NOT NULL ORDER BY here_at DESC LIMIT ?",
		since, most)
}

// Suppliers lists who sells, by name.
func (s Orders) Suppliers(ctx context.Context) ([]record.Supplier, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.Supplier, error) {
		var v record.Supplier
		return v, r.Scan(&v.ID, &v.Name, &v.Kind, &v.Way, &v.Address, &v.Phone, &v.Mail, &v.Number, &v.Sells, &v.Terms,
			&v.Days)
	}, "SELECT id, name, kind, way, address, phone, mail, number, sells, terms, days FROM supplier ORDER BY name")
}

// SetSupplier writes a new one, or changes the one whose number is given.
func (t OrdersTx) SetSupplier(ctx context.Context, v record.Supplier) error {
	const set = "name = ?, kind = ?, way = ?, address = ?, phone = ?, mail = ?, number = ?, sells = ?, terms = ?, days = ?"
	all := []any{v.Name, v.Kind, v.Way, v.Address, v.Phone, v.Mail, v.Number, v.Sells, v.Terms, v.Days}
	if v.ID == 0 {
		return t.Run(ctx, "INSERT INTO supplier SET "+set, all...)
	}
	return t.Run(ctx, "UPDATE supplier SET "+set+" WHERE id = ?", append(all, v.ID)...)
}

// DropSupplier takes one out.
func (t OrdersTx) DropSupplier(ctx context.Context, id int64) error {
	return t.Run(ctx, "DELETE FROM supplier WHERE id = ?", id)
}
