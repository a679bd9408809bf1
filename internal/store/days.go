package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"time"

	"freshshard/internal/record"
)

// Weeks are when people work, by account; who never said is not among them.
func (s queries) Weeks(ctx context.Context) (map[int64]record.Week, error) {
	all, err := list(ctx, s.db, func(r *sql.Rows) (record.Week, error) {
		var id int64
		var version int
		var doc []byte
		var w record.Week
		if err := r.Scan(&id, &doc, &version); err != nil {
			return w, err
		}
		err := json.Unmarshal(doc, &w)
		w.Account, w.Version = id, version
		return w, err
	}, "SELECT account_id, doc, version FROM work_week")
	out := map[int64]record.Week{}
	for _, w := range all {
		out[w.Account] = w
	}
	return out, err
}

// SetWeek writes when a person works, at the version that the caller saw; 0 for the first.
func (t *Tx) SetWeek(ctx context.Context, w record.Week) (bool, error) {
	doc, err := json.Marshal(w)
	if err != nil {
		return false, err
	}
	if w.Version == 0 {
		return t.changed(ctx, "INSERT IGNORE INTO work_week (account_id, doc) VALUES (?, ?)", w.Account, string(doc))
	}
	return t.changed(ctx, "UPDATE work_week SET doc = ?, version = version + 1 WHERE account_id = ? AND version = ?", string(doc),
		w.Account, w.Version)
}

// DayPlan reads the plan of days as it was last taken; nil for none.
func (s queries) DayPlan(ctx context.Context) ([]byte, error) {
	return firstBytes(list(ctx, s.db, func(r *sql.Rows) ([]byte, error) {
		var doc []byte
		return doc, r.Scan(&doc)
	}, "SELECT doc FROM day_plan WHERE id = 1"))
}

func firstBytes(all [][]byte, err error) ([]byte, error) {
	if err != nil || len(all) == 0 {
		return nil, err
	}
	return all[0], nil
}

// SetDayPlan keeps a plan of days.
func (t *Tx) SetDayPlan(ctx context.Context, doc []byte, by int64, at time.Time) error {
	return t.run(ctx, "REPLACE INTO day_plan (id, doc, account_id, at) VALUES (1, ?, ?, ?)", string(doc), by, at)
}
