package store

import (
	"context"
	"encoding/json"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

func stripped(ctx context.Context, db database.Querier, in string, args []any, jobs map[int64]*record.Job) error {
	return database.Fill(ctx, db,
		`SELECT e.job_id, e.position, e.entry, e.version, COALESCE(NULLIF(e.author, ''), a.name), e.noted_at
FROM strip_entry e JOIN account a ON a.id = e.noted_by WHERE e.job_id IN (`+in+`) ORDER BY e.position`, args, jobs,
		func(scan func(...any) error) (func(*record.Job), error) {
			var v record.StripEntry
			var entry []byte
			err := scan(&v.Position, &entry, &v.Version, &v.By, &v.At)
			if err == nil {
				err = json.Unmarshal(entry, &v.Entry)
			}
			return func(j *record.Job) { j.Strip = append(j.Strip, v) }, err
		})
}

// AddStrip writes an entry of the strip log.
func (t StripsTx) AddStrip(ctx context.Context, job int64, v record.StripEntry, by int64) error {
	b, err := json.Marshal(v.Entry)
	if err != nil {
		return err
	}
	return t.Run(ctx, "INSERT INTO strip_entry (job_id, entry_id, position, entry, version, noted_by, author, noted_at) "+
		"VALUES (?, ?, ?, ?, ?, ?, ?, ?)", job, v.Entry.ID, v.Position, string(b), v.Version, by, v.Author, v.At)
}

// SetStrip changes an entry. It must run under the job's lock.
func (t StripsTx) SetStrip(ctx context.Context, job int64, v record.StripEntry, by int64) error {
	b, err := json.Marshal(v.Entry)
	if err != nil {
		return err
	}
	return t.Run(ctx, "UPDATE strip_entry SET entry = ?, version = version + 1, noted_by = ?, author = '', noted_at = ? "+
		"WHERE job_id = ? AND entry_id = ?", string(b), by, v.At, job, v.Entry.ID)
}

// PlaceStrip gives the entries of a job their places in the order of removal. It
// must run under the job's lock.
func (t StripsTx) PlaceStrip(ctx context.Context, job int64, entries []string, places []int) error {
	// Out of the way first: no two may have one place, not even for a moment.
	if err := t.Run(ctx, "UPDATE strip_entry SET position = position + 100000 WHERE job_id = ?", job); err != nil {
		return err
	}
	for i, id := range entries {
		if err := t.Run(ctx, "UPDATE strip_entry SET position = ? WHERE job_id = ? AND entry_id = ?", places[i], job,
			id); err != nil {
			return err
		}
	}
	return nil
}

// DropStrip takes an entry out; the trail keeps what it was.
func (t StripsTx) DropStrip(ctx context.Context, job int64, entry string) error {
	return t.Run(ctx, "DELETE FROM strip_entry WHERE job_id = ? AND entry_id = ?", job, entry)
}

// Stripped lists earlier jobs of a family that have a strip log, newest first.
func (s Strips) Stripped(ctx context.Context, family string, but int64, most int) ([]record.Row, error) {
	q, args := rowsQuery(strippedWhere, []any{family, but}, Filter{Most: most})
	return database.List(ctx, s.db, scanRow, q, args...)
}

const strippedWhere = " AND EXISTS (SELECT 1 FROM pane p WHERE p.job_id = j.id AND p.family = ?) AND j.id <> ? AND " +
	"EXISTS (SELECT 1 FROM strip_entry e WHERE e.job_id = j.id)"
