package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

const jobQuery = `SELECT j.id, j.story, j.place, j.promised_at, j.state = 'signed', j.version, j.pulse, a.name,
	j.created_at, COALESCE(k.name, ''), j.carried_at, j.carried_says, COALESCE(x.name, ''), j.withdrawn_at,
	j.withdrawn_why,
  c.id, c.name, c.phone, c.note, c.version,
  o.id, o.name, o.exposure, o.power, o.gas, o.vehicle, o.moves, o.water, o.old, o.strike, o.leaf, o.stamp, o.version,
  %s
FROM job j JOIN account a ON a.id = j.created_by JOIN object o ON o.id = j.object_id JOIN customer c
ON c.id = o.customer_id
LEFT JOIN account k ON k.id = j.carried_by LEFT JOIN account x ON x.id = j.withdrawn_by WHERE j.id IN (`

// parts are the tables that belong to a job, each with what tells whether one has any of it: a
// job is read with no query for what it does not have.
var parts = []struct {
	any  string
	fill func(context.Context, database.Querier, string, []any, map[int64]*record.Job) error
}{
	{"photo z WHERE z.job_id = j.id", photos},
	{"strip_entry z WHERE z.job_id = j.id", stripped},
	{"guest z WHERE z.job_id = j.id", guests},
	{"cure z JOIN pane p ON p.id = z.pane_id WHERE p.job_id = j.id", cures},
	{"timer z JOIN pane p ON p.id = z.pane_id WHERE p.job_id = j.id", timers},
	{"ticket z WHERE z.job_id = j.id", tickets},
}

// paneParts are those that belong to a pane.
var paneParts = []struct {
	table string
	fill  func(context.Context, database.Querier, string, []any, map[int64]*record.Pane) error
}{
	{"diagnosis", diagnoses}, {"reading", readings}, {"choice", choices}, {"step_tick", ticks},
	{"check_answer", answers}, {"failed_trial", trials}, {"taken_on", taken},
}

// hasParts is a number with a bit for each part that a job has, panes' parts first.
var hasParts = func() string {
	var bits []string
	bit := func(any string) { bits = append(bits, fmt.Sprintf("(EXISTS(SELECT 1 FROM %s) << %d)", any, len(bits))) }
	for _, p := range paneParts {
		bit(p.table + " z JOIN pane p ON p.id = z.pane_id WHERE p.job_id = j.id")
	}
	for _, p := range parts {
		bit(p.any)
	}
	return strings.Join(bits, " | ")
}()

// readJob is a job as its row is read, with the parts that it has.
type readJob struct {
	record.Job
	has uint
}

func scanJob(r *sql.Rows) (j readJob, err error) {
	var exposure []byte
	var carried record.Carriage
	var carriedAt, withdrawnAt *time.Time
	var withdrawn record.Withdrawal
	c, o := &j.Customer, &j.Object
	err = r.Scan(&j.ID, &j.Story, &j.Place, &j.PromisedAt, &j.Signed, &j.Version, &j.Pulse, &j.CreatedBy, &j.CreatedAt,
		&carried.By, &carriedAt, &carried.Says, &withdrawn.By, &withdrawnAt, &withdrawn.Why,
		&c.ID, &c.Name, &c.Phone, &c.Note, &c.Version,
		&o.ID, &o.Name, &exposure, &o.Power, &o.Gas, &o.Vehicle, &o.Moves, &o.Water, &o.Old, &o.Strike, &o.Leaf, &o.Stamp,
		&o.Version, &j.has)
	if err != nil {
		return j, err
	}
	if carriedAt != nil {
		carried.At = *carriedAt
		j.Carried = &carried
	}
	if withdrawnAt != nil {
		withdrawn.At = *withdrawnAt
		j.Withdrawn = &withdrawn
	}
	j.Photos, j.Strip, j.Panes, j.Guests = []record.Photo{}, []record.StripEntry{}, []record.Pane{}, []record.Guest{}
	return j, json.Unmarshal(exposure, &o.Exposure)
}

// Job reads one job whole.
func (s Jobs) Job(ctx context.Context, id int64) (record.Job, error) {
	js, err := s.Several(ctx, []int64{id})
	if err != nil {
		return record.Job{}, err
	}
	if len(js) == 0 {
		return record.Job{}, &record.NotFound{What: "this job"}
	}
	return js[0], nil
}

// Several reads jobs whole, in the order of ids, with one query a table and as of one moment.
func (s Jobs) Several(ctx context.Context, ids []int64) (js []record.Job, err error) {
	if len(ids) == 0 {
		return []record.Job{}, nil
	}
	err = database.AsOne(ctx, s.db, func(q database.Querier) error {
		js, err = Jobs{q}.several(ctx, ids)
		return err
	})
	return js, err
}

func (s Jobs) several(ctx context.Context, ids []int64) ([]record.Job, error) {
	in, args := database.Marks(ids)
	which := fmt.Sprint(1<<(len(paneParts)+len(parts)) - 1) // of many jobs some have each
	if len(ids) == 1 {
		which = hasParts
	}
	found, err := database.List(ctx, s.db, scanJob, fmt.Sprintf(jobQuery, which)+in+")", args...)
	if err != nil || len(found) == 0 {
		return []record.Job{}, err
	}
	laid, err := Shops(s).Own(ctx)
	if err != nil {
		return nil, err
	}
	byID, has := map[int64]*record.Job{}, uint(0)
	for i := range found {
		found[i].Own = laid
		byID[found[i].ID] = &found[i].Job
		has |= found[i].has
	}
	if err := panes(ctx, s.db, in, args, byID, has); err != nil {
		return nil, err
	}
	for i, p := range parts {
		if has>>(len(paneParts)+i)&1 == 0 {
			continue
		}
		if err := p.fill(ctx, s.db, in, args, byID); err != nil {
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

// Turned is an open job with its pulse.
type Turned struct{ ID, Pulse int64 }

// OpenJobs lists the open jobs, the soonest promised first.
func (s Jobs) OpenJobs(ctx context.Context, most int) ([]Turned, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (Turned, error) {
		var v Turned
		return v, r.Scan(&v.ID, &v.Pulse)
	}, openJobsQuery, most)
}

const openJobsQuery = "SELECT id, pulse FROM job WHERE state = 'open' ORDER BY due_at, id LIMIT ?"

// CountOpen counts the open jobs.
func (s Jobs) CountOpen(ctx context.Context) (int, error) {
	var n int
	err := s.db.QueryRowContext(ctx, "SELECT COUNT(*) FROM job WHERE state = 'open'").Scan(&n)
	return n, err
}

// LastTicket is the highest number of a ticket, 0 for none.
func (s Jobs) LastTicket(ctx context.Context) (n int64, err error) {
	err = s.db.QueryRowContext(ctx, "SELECT COALESCE(MAX(number), 0) FROM ticket").Scan(&n)
	return n, err
}

// CountTickets counts the signed jobs.
func (s Jobs) CountTickets(ctx context.Context) (n int64, err error) {
	err = s.db.QueryRowContext(ctx, "SELECT COUNT(*) FROM ticket").Scan(&n)
	return n, err
}

// Pulse tells how often a job has changed.
func (s Jobs) Pulse(ctx context.Context, id int64) (int64, error) {
	var n int64
	err := s.db.QueryRowContext(ctx, "SELECT pulse FROM job WHERE id = ?", id).Scan(&n)
	if errors.Is(err, sql.ErrNoRows) {
		err = &record.NotFound{What: "this job"}
	}
	return n, err
}

// LockJob locks a job against other writers and tells whether it is signed.
func (t JobsTx) LockJob(ctx context.Context, id int64) (signed bool, err error) {
	state, err := t.JobState(ctx, id)
	if err == nil && state == "withdrawn" {
		err = &record.Conflict{Says: "This job was withdrawn. Take it up again first."}
	}
	return state == "signed", err
}

// JobState locks a job and tells how it stands: open, signed or withdrawn.
func (t JobsTx) JobState(ctx context.Context, id int64) (state string, err error) {
	err = t.Tx.QueryRowContext(ctx, "SELECT state FROM job WHERE id = ? FOR UPDATE", id).Scan(&state)
	if errors.Is(err, sql.ErrNoRows) {
		err = &record.NotFound{What: "this job"}
	}
	return state, err
}

// Withdraw closes an open job that came to nothing.
func (t JobsTx) Withdraw(ctx context.Context, job, by int64, w record.Withdrawal) error {
	return t.Run(ctx, "UPDATE job SET state = 'withdrawn', withdrawn_by = ?, withdrawn_at = ?, withdrawn_why = ?, "+
		"version = version + 1 "+
		"WHERE id = ? AND state = 'open'", by, w.At, w.Why, job)
}

// TakeUp opens a job again that was withdrawn.
func (t JobsTx) TakeUp(ctx context.Context, job int64) error {
	return t.Run(ctx, "UPDATE job SET state = 'open', withdrawn_by = NULL, withdrawn_at = NULL, withdrawn_why = '', "+
		"version = version + 1 WHERE id = ? AND state = 'withdrawn'", job)
}

// Turn counts the pulse of an open job up, if it is still the one that was read, and locks the
// job by it.
func (t JobsTx) Turn(ctx context.Context, id, pulse int64) (bool, error) {
	return t.Changed(ctx, "UPDATE job SET pulse = pulse + 1 WHERE id = ? AND pulse = ? AND state = 'open'", id, pulse)
}

// TouchJob counts the job's pulse up, so that other screens see that something
// changed.
func (t JobsTx) TouchJob(ctx context.Context, id int64) error {
	return t.Run(ctx, "UPDATE job SET pulse = pulse + 1 WHERE id = ?", id)
}

// TouchJobsOf counts a change to every job of a customer.
func (t JobsTx) TouchJobsOf(ctx context.Context, customer int64) error {
	return t.Run(ctx, "UPDATE job j JOIN object o ON o.id = j.object_id SET j.pulse = j.pulse + 1 WHERE o.customer_id = ?",
		customer)
}

// TouchOpenJobs counts a change to every open job.
func (t JobsTx) TouchOpenJobs(ctx context.Context) error {
	return t.Run(ctx, "UPDATE job SET pulse = pulse + 1 WHERE state = 'open'")
}

// AddJob writes a new job for an object.
func (t JobsTx) AddJob(ctx context.Context, j record.Job, by int64) (int64, error) {
	return t.Insert(ctx,
		"INSERT INTO job (object_id, story, place, promised_at, created_by, created_at) VALUES (?, ?, ?, ?, ?, ?)",
		j.Object.ID, j.Story, j.Place, j.PromisedAt, by, j.CreatedAt)
}

// CarryJob marks a job as brought in from a document.
func (t JobsTx) CarryJob(ctx context.Context, id, by int64, says string, at time.Time) error {
	return t.Run(ctx, "UPDATE job SET carried_by = ?, carried_at = ?, carried_says = ? WHERE id = ?", by, at, says, id)
}

// SetJob changes story, place and promise, at the version that
// the caller saw.
func (t JobsTx) SetJob(ctx context.Context, j record.Job) (bool, error) {
	return t.Changed(ctx,
		"UPDATE job SET story = ?, place = ?, promised_at = ?, version = version + 1 WHERE id = ? AND version = ?",
		j.Story, j.Place, j.PromisedAt, j.ID, j.Version)
}

// AddObject writes a new object of a customer.
func (t JobsTx) AddObject(ctx context.Context, o record.Object, customer int64) (int64, error) {
	e, err := json.Marshal(o.Exposure)
	if err != nil {
		return 0, err
	}
	return t.Insert(ctx,
		"INSERT INTO object (customer_id, name, exposure, power, gas, vehicle, moves, water, old, strike, leaf, stamp) "+
			"VALUES "+
			"(?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
		customer, o.Name, string(e), o.Power, o.Gas, o.Vehicle, o.Moves, o.Water, o.Old, o.Strike, o.Leaf, o.Stamp)
}

// SetObject changes an object at the version that the caller saw.
func (t JobsTx) SetObject(ctx context.Context, o record.Object) (bool, error) {
	e, err := json.Marshal(o.Exposure)
	if err != nil {
		return false, err
	}
	return t.Changed(ctx,
		"UPDATE object SET name = ?, exposure = ?, power = ?, gas = ?, vehicle = ?, moves = ?, water = ?, old = ?, strike "+
			"= ?, leaf = ?, stamp = ?, version = version + 1 WHERE id = ? AND version = ?",
		o.Name, string(e), o.Power, o.Gas, o.Vehicle, o.Moves, o.Water, o.Old, o.Strike, o.Leaf, o.Stamp, o.ID, o.Version)
}
