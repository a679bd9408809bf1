package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

// cures fills what hardens into the panes of jobs.
func cures(ctx context.Context, db database.Querier, in string, args []any, jobs map[int64]*record.Job) error {
	type of struct {
		job int64
		record.Cure
	}
	found, err := database.List(ctx, db, func(r *sql.Rows) (of, error) {
		var v of
		var stays []byte
		if err := r.Scan(&v.job, &v.ID, &v.Pane, &v.Step, &v.Adhesive, &v.Width, &v.Edges, &v.Depth24, &stays, &v.Since,
			&v.LetGo, &v.Ready, &v.Full,
			&v.Item, &v.Lot, &v.By, &v.Version); err != nil {
			return v, err
		}
		return v, json.Unmarshal(stays, &v.Stays)
	}, `SELECT p.job_id, c.id, c.pane_id, c.step, c.adhesive, c.width, c.edges, c.depth24, c.stays, c.since, c.let_go_at,
		c.ready_at, c.full_at,
COALESCE(c.item_id, 0), c.lot, a.name, c.version FROM cure c JOIN account a ON a.id = c.account_id
JOIN pane p ON p.id = c.pane_id WHERE p.job_id IN (`+in+") ORDER BY c.id", args...)
	if err != nil {
		return err
	}
	for _, c := range found {
		if p := jobs[c.job].Pane(c.Pane); p != nil {
			p.Cures = append(p.Cures, c.Cure)
		}
	}
	return nil
}

// Running is something that hardens in an open job.
type Running struct {
	record.Cure
	Job    int64
	Object string
}

// RunningCures lists what hardens in open jobs, at one place or everywhere.
func (s Cures) RunningCures(ctx context.Context, place record.Where) ([]Running, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (Running, error) {
		var v Running
		var stays []byte
		if err := r.Scan(&v.ID, &v.Pane, &v.Step, &v.Adhesive, &v.Width, &v.Edges, &v.Depth24, &stays, &v.Since, &v.LetGo,
			&v.Ready, &v.Full,
			&v.Item, &v.Lot, &v.Version, &v.Job, &v.Object); err != nil {
			return v, err
		}
		return v, json.Unmarshal(stays, &v.Stays)
	}, `SELECT c.id, c.pane_id, c.step, c.adhesive, c.width, c.edges, c.depth24, c.stays, c.since, c.let_go_at, c.ready_at,
		c.full_at,
COALESCE(c.item_id, 0), c.lot, c.version, p.job_id, o.name FROM cure c JOIN pane p ON p.id = c.pane_id
JOIN job j ON j.id = p.job_id JOIN object o ON o.id = j.object_id
WHERE j.state = 'open' AND (? = '' OR c.place = ?) ORDER BY c.ready_at, c.id LIMIT 200`, place, place)
}

// AddCure writes what was laid.
func (t CuresTx) AddCure(ctx context.Context, v record.Cure, by int64, at time.Time) (int64, error) {
	stays, err := json.Marshal(v.Stays)
	if err != nil {
		return 0, err
	}
	return t.Insert(ctx,
		"INSERT INTO cure (pane_id, step, adhesive, width, edges, depth24, place, stays, since, let_go_at, ready_at, "+
			"full_at, "+
			"item_id, lot, account_id, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)", v.Pane, v.Step, v.Adhesive,
		v.Width,
		v.Edges, v.Depth24, v.Here().Place, stays, v.Since, v.LetGo, v.Ready, v.Full, database.OrNull(v.Item), v.Lot, by, at)
}

// SetCure writes where it stands, at the version that the caller saw.
func (t CuresTx) SetCure(ctx context.Context, v record.Cure) (bool, error) {
	stays, err := json.Marshal(v.Stays)
	if err != nil {
		return false, err
	}
	return t.Changed(ctx,
		"UPDATE cure SET place = ?, stays = ?, let_go_at = ?, ready_at = ?, full_at = ?, version = version + 1 "+
			"WHERE id = ? AND version = ?", v.Here().Place, stays, v.LetGo, v.Ready, v.Full, v.ID, v.Version)
}

// SetReady writes what the air makes of it now.
func (t CuresTx) SetReady(ctx context.Context, v record.Cure) error {
	return t.Run(ctx, "UPDATE cure SET let_go_at = ?, ready_at = ?, full_at = ? WHERE id = ?", v.LetGo, v.Ready, v.Full,
		v.ID)
}

// DropCure takes one out.
func (t CuresTx) DropCure(ctx context.Context, pane, id int64) error {
	return t.Run(ctx, "DELETE FROM cure WHERE id = ? AND pane_id = ?", id, pane)
}

// AddAir writes a reading of the air.
func (t CuresTx) AddAir(ctx context.Context, v record.AirReading, by int64) error {
	return t.Run(ctx, "INSERT INTO air_reading (place, c, rh, account_id, at) VALUES (?, ?, ?, ?, ?)", v.Place, v.C, v.RH,
		by,
		v.At)
}

// Airs lists what was read at a place since a moment, the earliest first.
func (s Cures) Airs(ctx context.Context, place record.Where, since time.Time) ([]record.AirReading, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.AirReading, error) {
		var v record.AirReading
		return v, r.Scan(&v.Place, &v.C, &v.RH, &v.By, &v.At)
	}, `SELECT r.place, r.c, r.rh, a.name, r.at FROM air_reading r JOIN account a ON a.id = r.account_id
WHERE r.place = ? AND r.at >= ? ORDER BY r.at, r.id LIMIT 2000`, place, since)
}

// TubeOpened tells when a tube was opened; nil where it is shut.
func (s Cures) TubeOpened(ctx context.Context, item int64) (*time.Time, error) {
	var at *time.Time
	return at, s.db.QueryRowContext(ctx, "SELECT opened_at FROM stock_item WHERE id = ?", item).Scan(&at)
}

// OpenTube notes when a tube was opened.
func (t CuresTx) OpenTube(ctx context.Context, item int64, at time.Time) error {
	return t.Run(ctx, "UPDATE stock_item SET opened_at = ? WHERE id = ?", at, item)
}

// TubesOpened are the tubes that are open, with when.
func (s Cures) TubesOpened(ctx context.Context) (map[int64]time.Time, error) {
	type open struct {
		id int64
		at time.Time
	}
	all, err := database.List(ctx, s.db, func(r *sql.Rows) (o open, err error) { return o, r.Scan(&o.id, &o.at) },
		"SELECT id, opened_at FROM stock_item WHERE opened_at IS NOT NULL")
	out := map[int64]time.Time{}
	for _, o := range all {
		out[o.id] = o.at
	}
	return out, err
}
