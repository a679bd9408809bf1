package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

// Weeks are when people work, by account; who never said is not among them.
func (s Days) Weeks(ctx context.Context) (map[int64]record.Week, error) {
	all, err := database.List(ctx, s.db, func(r *sql.Rows) (record.Week, error) {
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
func (t DaysTx) SetWeek(ctx context.Context, w record.Week) (bool, error) {
	doc, err := json.Marshal(w)
	if err != nil {
		return false, err
	}
	if w.Version == 0 {
		return t.Changed(ctx, "INSERT IGNORE INTO work_week (account_id, doc) VALUES (?, ?)", w.Account, string(doc))
	}
	return t.Changed(ctx, "UPDATE work_week SET doc = ?, version = version + 1 WHERE account_id = ? AND version = ?",
		string(doc),
		w.Account, w.Version)
}

// DayPlan reads the plan of days as it was last taken, with its version; nil for none.
func (s Days) DayPlan(ctx context.Context) (doc []byte, version int, err error) {
	err = s.db.QueryRowContext(ctx, "SELECT doc, version FROM day_plan WHERE id = 1").Scan(&doc, &version)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, 0, nil
	}
	return doc, version, err
}

// FirstDayPlan keeps a plan of days where there is none; false where there is one.
func (t DaysTx) FirstDayPlan(ctx context.Context, doc []byte, by int64, at time.Time) (bool, error) {
	return t.Changed(ctx, "INSERT IGNORE INTO day_plan (id, doc, account_id, at) VALUES (1, ?, ?, ?)", string(doc), by, at)
}

// SetDayPlan keeps a plan of days in place of the one that the caller saw.
func (t DaysTx) SetDayPlan(ctx context.Context, doc []byte, by int64, at time.Time, version int) (bool, error) {
	return t.Changed(ctx,
		"UPDATE day_plan SET doc = ?, account_id = ?, at = ?, version = version + 1 WHERE id = 1 AND version = ?",
		string(doc), by, at, version)
}

// DayPins are the steps that somebody put where they are, the younger pins behind.
func (s Days) DayPins(ctx context.Context) ([]record.DayPin, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.DayPin, error) {
		var p record.DayPin
		var people []byte
		if err := r.Scan(&p.Step, &p.Job, &p.At, &people); err != nil {
			return p, err
		}
		return p, json.Unmarshal(people, &p.People)
	}, "SELECT d.step, d.job_id, d.at, d.people FROM day_pin d JOIN job j ON j.id = d.job_id WHERE j.state = 'open' "+
		"ORDER BY d.set_at")
}

// SetDayPin puts a step where somebody wants it.
func (t DaysTx) SetDayPin(ctx context.Context, p record.DayPin, by int64, at time.Time) error {
	people, err := json.Marshal(p.People)
	if err != nil {
		return err
	}
	return t.Run(ctx, "REPLACE INTO day_pin (step, job_id, at, people, account_id, set_at) VALUES (?, ?, ?, ?, ?, ?)",
		p.Step, p.Job,
		p.At, string(people), by, at)
}

// DropDayPin lets a step go where it fits best.
func (t DaysTx) DropDayPin(ctx context.Context, step string) (bool, error) {
	return t.Changed(ctx, "DELETE FROM day_pin WHERE step = ?", step)
}

// Postpone says that what the panes of a job wait for comes some days later.
func (t JobsTx) Postpone(ctx context.Context, job int64, days int) error {
	if err := t.Run(ctx, "UPDATE pane SET waits_until = waits_until + INTERVAL ? DAY, version = version + 1 WHERE "+
		"job_id = ? AND waits_until IS NOT NULL AND waits_for <> ''",
		days, job); err != nil {
		return err
	}
	return t.TouchJob(ctx, job)
}

// Ticks are the steps that people here ticked since a moment, the last ones first: who, at
// which job, how the pane is held, where, which step.
func (s Days) Ticks(ctx context.Context, since time.Time, most int) ([]record.TickSeen, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.TickSeen, error) {
		var v record.TickSeen
		return v, r.Scan(&v.Who, &v.Job, &v.Family, &v.Place, &v.Step, &v.At)
	}, `SELECT t.done_by, p.job_id, p.family, j.place, t.step, t.done_at FROM step_tick t JOIN pane p ON p.id = t.pane_id
JOIN job j ON j.id = p.job_id WHERE t.done_at >= ? AND t.outcome = 'done' AND t.author = '' ORDER BY t.done_at DESC
LIMIT ?`, since, most)
}

// DayPlaces are how many of each place there are, as far as the shop said.
func (s Days) DayPlaces(ctx context.Context) ([]record.DayPlace, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.DayPlace, error) {
		var v record.DayPlace
		return v, r.Scan(&v.Name, &v.Count)
	}, "SELECT name, count FROM day_place")
}

// SetDayPlace says how many of a place there are.
func (t DaysTx) SetDayPlace(ctx context.Context, v record.DayPlace) error {
	return t.Run(ctx, "REPLACE INTO day_place (name, count) VALUES (?, ?)", v.Name, v.Count)
}
