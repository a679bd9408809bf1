package store

import (
	"context"
	"time"

	"freshshard/core/guest"
	"freshshard/internal/database"
	"freshshard/internal/record"
)

// guests reads what was put in only for now, in the order of putting in.
func guests(ctx context.Context, db database.Querier, in string, args []any, jobs map[int64]*record.Job) error {
	return database.Fill(ctx, db,
		`SELECT g.job_id, g.id, g.what, g.place, g.before_step, g.stays, g.seen, a.name, g.put_at, COALESCE(o.name, ''),
			g.out_at
FROM guest g JOIN account a ON a.id = g.put_by LEFT JOIN account o ON o.id = g.out_by
WHERE g.job_id IN (`+in+`) ORDER BY g.id`, args, jobs,
		func(scan func(...any) error) (func(*record.Job), error) {
			var v record.Guest
			err := scan(&v.ID, &v.What, &v.Where, &v.Before, &v.Stays, &v.Seen, &v.By, &v.At, &v.OutBy, &v.Out)
			return func(j *record.Job) { j.Guests = append(j.Guests, v) }, err
		})
}

// AddGuest notes what was put in.
func (t StripsTx) AddGuest(ctx context.Context, job int64, g guest.Guest, by int64, at time.Time) (int64, error) {
	return t.Insert(ctx, "INSERT INTO guest (job_id, what, place, before_step, stays, seen, put_by, put_at) VALUES "+
		"(?, ?, ?, ?, ?, ?, ?, ?)", job, g.What, g.Where, g.Before, g.Stays, g.Seen, by, at)
}

// SetGuestOut says that one is out, or in again for a nil time. It must run
// under the job's lock.
func (t StripsTx) SetGuestOut(ctx context.Context, job, id int64, by *int64, at *time.Time) error {
	return t.Run(ctx, "UPDATE guest SET out_by = ?, out_at = ? WHERE job_id = ? AND id = ?", by, at, job, id)
}
