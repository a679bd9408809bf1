package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"strings"

	"freshshard/internal/record"
)

const jobQuery = `SELECT j.id, j.story, j.place, j.promised_at, j.state = 'signed', j.version, j.pulse, a.name, j.created_at,
  c.id, c.name, c.phone, c.note, c.version,
  o.id, o.name, o.exposure, o.power, o.gas, o.vehicle, o.water, o.old, o.strike, o.stamp, o.version
FROM job j JOIN account a ON a.id = j.created_by JOIN object o ON o.id = j.object_id JOIN customer c ON c.id = o.customer_id
WHERE j.id IN (`

func scanJob(r *sql.Rows) (record.Job, error) {
	var j record.Job
	var exposure []byte
	c, o := &j.Customer, &j.Object
	err := r.Scan(&j.ID, &j.Story, &j.Place, &j.PromisedAt, &j.Signed, &j.Version, &j.Pulse, &j.CreatedBy, &j.CreatedAt,
		&c.ID, &c.Name, &c.Phone, &c.Note, &c.Version,
		&o.ID, &o.Name, &exposure, &o.Power, &o.Gas, &o.Vehicle, &o.Water, &o.Old, &o.Strike, &o.Stamp, &o.Version)
	if err != nil {
		return j, err
	}
	j.Photos, j.Strip, j.Panes = []record.Photo{}, []record.StripEntry{}, []record.Pane{}
	return j, json.Unmarshal(exposure, &o.Exposure)
}

// Job reads one job whole.
func (s queries) Job(ctx context.Context, id int64) (record.Job, error) {
	js, err := s.Jobs(ctx, []int64{id})
	if err != nil {
		return record.Job{}, err
	}
	if len(js) == 0 {
		return record.Job{}, &record.NotFound{What: "this job"}
	}
	return js[0], nil
}

// Jobs reads several jobs whole, in the order of ids, with one query a table.
func (s queries) Jobs(ctx context.Context, ids []int64) ([]record.Job, error) {
	if len(ids) == 0 {
		return []record.Job{}, nil
	}
	in, args := marks(ids)
	found, err := list(ctx, s.db, scanJob, jobQuery+in+")", args...)
	if err != nil {
		return nil, err
	}
	byID := map[int64]*record.Job{}
	for i := range found {
		byID[found[i].ID] = &found[i]
	}
	laid, err := s.Own(ctx)
	if err != nil {
		return nil, err
	}
	for i := range found {
		found[i].Own = laid
	}
	for _, fill := range []func(context.Context, string, []any, map[int64]*record.Job) error{s.panes, s.photos, s.stripped, s.tickets} {
		if err := fill(ctx, in, args, byID); err != nil {
			return nil, err
		}
	}
	out := make([]record.Job, 0, len(found))
	for _, id := range ids {
		if j := byID[id]; j != nil {
			out = append(out, *j)
		}
	}
	return out, nil
}

func marks(ids []int64) (string, []any) {
	args := make([]any, len(ids))
	for i, id := range ids {
		args[i] = id
	}
	return strings.TrimSuffix(strings.Repeat("?,", len(ids)), ","), args
}

const rowQuery = `SELECT j.id, o.name, c.name, j.story, j.promised_at, COALESCE(w.waits_for, ''), w.waits_until, j.state = 'signed'
FROM job j LEFT JOIN pane w ON w.id = (SELECT MIN(p.id) FROM pane p WHERE p.job_id = j.id AND p.waits_for <> '') JOIN object o ON o.id = j.object_id JOIN customer c ON c.id = o.customer_id `

func scanRow(r *sql.Rows) (record.Row, error) {
	var v record.Row
	err := r.Scan(&v.ID, &v.Object, &v.Customer, &v.Story, &v.PromisedAt, &v.WaitsFor, &v.WaitsUntil, &v.Signed)
	return v, err
}

// JobsLike lists the jobs whose object, customer, story or number hold the
// words, newest first; before is an id to go on from, 0 at the start.
func (s queries) JobsLike(ctx context.Context, words, state string, before int64, most int) ([]record.Row, error) {
	q, args := rowQuery+"WHERE TRUE", []any{}
	if state != "" {
		q, args = q+" AND j.state = ?", append(args, state)
	}
	if before > 0 {
		q, args = q+" AND j.id < ?", append(args, before)
	}
	for _, w := range strings.Fields(words) {
		like := "%" + likeEscape.Replace(w) + "%"
		q, args = q+" AND (o.name LIKE ? OR c.name LIKE ? OR j.story LIKE ? OR j.id = ?)", append(args, like, like, like, w)
	}
	return list(ctx, s.db, scanRow, q+" ORDER BY j.id DESC LIMIT ?", append(args, most)...)
}

var likeEscape = strings.NewReplacer(`\`, `\\`, "%", `\%`, "_", `\_`)

// OpenJobs lists ids of open jobs, the soonest promised first.
func (s queries) OpenJobs(ctx context.Context, most int) ([]int64, error) {
	return list(ctx, s.db, func(r *sql.Rows) (int64, error) {
		var id int64
		return id, r.Scan(&id)
	}, "SELECT id FROM job WHERE state = 'open' ORDER BY promised_at IS NULL, promised_at, id LIMIT ?", most)
}

// CountJobs counts the jobs in a state.
func (s queries) CountJobs(ctx context.Context, state string) (int, error) {
	var n int
	err := s.db.QueryRowContext(ctx, "SELECT COUNT(*) FROM job WHERE state = ?", state).Scan(&n)
	return n, err
}

// Pulse tells how often a job has changed.
func (s queries) Pulse(ctx context.Context, id int64) (int64, error) {
	var n int64
	err := s.db.QueryRowContext(ctx, "SELECT pulse FROM job WHERE id = ?", id).Scan(&n)
	if errors.Is(err, sql.ErrNoRows) {
		err = &record.NotFound{What: "this job"}
	}
	return n, err
}

// LockJob locks a job against other writers and tells whether it is signed.
func (t *Tx) LockJob(ctx context.Context, id int64) (signed bool, err error) {
	err = t.tx.QueryRowContext(ctx, "SELECT state = 'signed' FROM job WHERE id = ? FOR UPDATE", id).Scan(&signed)
	if errors.Is(err, sql.ErrNoRows) {
		err = &record.NotFound{What: "this job"}
	}
	return signed, err
}

// TouchJob counts the job's pulse up, so that other screens see that something
// changed.
func (t *Tx) TouchJob(ctx context.Context, id int64) error {
	return t.run(ctx, "UPDATE job SET pulse = pulse + 1 WHERE id = ?", id)
}

// TouchOpenJobs counts a change to every open job.
func (t *Tx) TouchOpenJobs(ctx context.Context) error {
	return t.run(ctx, "UPDATE job SET pulse = pulse + 1 WHERE state = 'open'")
}

// AddJob writes a new job for an object.
func (t *Tx) AddJob(ctx context.Context, j record.Job, by int64) (int64, error) {
	return t.insert(ctx, "INSERT INTO job (object_id, story, place, promised_at, created_by, created_at) VALUES (?, ?, ?, ?, ?, ?)",
		j.Object.ID, j.Story, j.Place, j.PromisedAt, by, j.CreatedAt)
}

// SetJob changes story, place and promise, at the version that
// the caller saw.
func (t *Tx) SetJob(ctx context.Context, j record.Job) (bool, error) {
	return t.changed(ctx, "UPDATE job SET story = ?, place = ?, promised_at = ?, version = version + 1 WHERE id = ? AND version = ?",
		j.Story, j.Place, j.PromisedAt, j.ID, j.Version)
}

// AddObject writes a new object of a customer.
func (t *Tx) AddObject(ctx context.Context, o record.Object, customer int64) (int64, error) {
	e, err := json.Marshal(o.Exposure)
	if err != nil {
		return 0, err
	}
	return t.insert(ctx, "INSERT INTO object (customer_id, name, exposure, power, gas, vehicle, water, old, strike, stamp) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
		customer, o.Name, string(e), o.Power, o.Gas, o.Vehicle, o.Water, o.Old, o.Strike, o.Stamp)
}

// SetObject changes an object at the version that the caller saw.
func (t *Tx) SetObject(ctx context.Context, o record.Object) (bool, error) {
	e, err := json.Marshal(o.Exposure)
	if err != nil {
		return false, err
	}
	return t.changed(ctx, "UPDATE object SET name = ?, exposure = ?, power = ?, gas = ?, vehicle = ?, water = ?, old = ?, strike = ?, stamp = ?, version = version + 1 WHERE id = ? AND version = ?",
		o.Name, string(e), o.Power, o.Gas, o.Vehicle, o.Water, o.Old, o.Strike, o.Stamp, o.ID, o.Version)
}
