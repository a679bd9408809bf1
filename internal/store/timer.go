package store

import (
	"context"
	"database/sql"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

const timerColumns = "t.id, t.pane_id, t.usual, t.what, t.stage, t.gates, t.of_check, t.since, t.until_at, a.name, " +
	"t.version"

func timerInto(v *record.Timer) []any {
	return []any{&v.ID, &v.Pane, &v.Usual, &v.What, &v.Stage, &v.Gates, &v.Check, &v.Since, &v.Until, &v.By, &v.Version}
}

// timers fills the clocks that are no chemistry into the panes of jobs.
func timers(ctx context.Context, db database.Querier, in string, args []any, jobs map[int64]*record.Job) error {
	return database.Fill(ctx, db, "SELECT p.job_id, "+timerColumns+" FROM timer t JOIN account a ON a.id = t.account_id "+
		"JOIN pane p ON p.id = t.pane_id WHERE p.job_id IN ("+in+") ORDER BY t.id", args, jobs,
		func(scan func(...any) error) (func(*record.Job), error) {
			var v record.Timer
			err := scan(timerInto(&v)...)
			return func(j *record.Job) {
				if p := j.Pane(v.Pane); p != nil {
					p.Timers = append(p.Timers, v)
				}
			}, err
		})
}

// RunningTimer is a clock of an open job whose step or check is still open.
type RunningTimer struct {
	record.Timer
	Job    int64
	Object string
}

// RunningTimers lists the clocks of open jobs that are out after a moment, without those
// whose step is ticked or whose check is answered.
func (s Cures) RunningTimers(ctx context.Context, after time.Time) ([]RunningTimer, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (RunningTimer, error) {
		var v RunningTimer
		return v, r.Scan(append(timerInto(&v.Timer), &v.Job, &v.Object)...)
	}, "SELECT "+timerColumns+`, p.job_id, o.name FROM timer t JOIN account a ON a.id = t.account_id JOIN pane p
		ON p.id = t.pane_id
JOIN job j ON j.id = p.job_id JOIN object o ON o.id = j.object_id
LEFT JOIN step_tick k ON k.pane_id = t.pane_id AND k.step = t.gates AND NOT t.of_check
LEFT JOIN check_answer c ON c.pane_id = t.pane_id AND c.proof = t.gates AND t.of_check
WHERE j.state = 'open' AND t.until_at > ? AND k.pane_id IS NULL AND c.pane_id IS NULL ORDER BY t.until_at, t.id
LIMIT 200`, after)
}

// AddTimer writes a clock.
func (t CuresTx) AddTimer(ctx context.Context, v record.Timer, by int64, at time.Time) (int64, error) {
	return t.Insert(ctx, "INSERT INTO timer (pane_id, usual, what, stage, gates, of_check, since, until_at, "+
		"account_id, at) "+
		"VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)", v.Pane, v.Usual, v.What, v.Stage, v.Gates, v.Check, v.Since, v.Until, by, at)
}

// SetTimer changes one at the version that the caller saw.
func (t CuresTx) SetTimer(ctx context.Context, v record.Timer) (bool, error) {
	return t.Changed(ctx, "UPDATE timer SET what = ?, stage = ?, since = ?, until_at = ?, version = version + 1 "+
		"WHERE id = ? AND version = ?", v.What, v.Stage, v.Since, v.Until, v.ID, v.Version)
}

// DropTimer takes one out.
func (t CuresTx) DropTimer(ctx context.Context, pane, id int64) error {
	return t.Run(ctx, "DELETE FROM timer WHERE id = ? AND pane_id = ?", id, pane)
}

// Arriving is an order that is waited for on a day.
type Arriving struct {
	Job    int64
	Object string
	Who    string
	Due    time.Time
}

// ArrivingOrders lists what is sent and not here, due before a moment, of open jobs.
func (s Orders) ArrivingOrders(ctx context.Context, before time.Time) ([]Arriving, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (Arriving, error) {
		var v Arriving
		return v, r.Scan(&v.Job, &v.Object, &v.Who, &v.Due)
	}, `SELECT q.job_id, o.name, q.who, q.due FROM supply_order q JOIN job j ON j.id = q.job_id JOIN object o
		ON o.id = j.object_id
WHERE j.state = 'open' AND q.state IN ('sent', 'confirmed') AND q.due IS NOT NULL AND q.due < ? ORDER BY q.due, q.id
LIMIT 100`, before)
}
