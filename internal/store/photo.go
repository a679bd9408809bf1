package store

import (
	"context"
	"database/sql"
	"errors"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/photo"
	"freshshard/internal/record"
)

func photos(ctx context.Context, db database.Querier, in string, args []any, jobs map[int64]*record.Job) error {
	return database.Fill(ctx, db,
		`SELECT p.job_id, p.id, p.entry_id, p.width, p.height, COALESCE(NULLIF(p.author, ''), a.name), p.taken_at
FROM photo p JOIN account a ON a.id = p.taken_by WHERE p.job_id IN (`+in+`) ORDER BY p.id`, args, jobs,
		func(scan func(...any) error) (func(*record.Job), error) {
			var v record.Photo
			err := scan(&v.ID, &v.Entry, &v.Width, &v.Height, &v.By, &v.At)
			return func(j *record.Job) { j.Photos = append(j.Photos, v) }, err
		})
}

// AddPhoto writes a picture to a job; entry may be empty.
func (t PhotosTx) AddPhoto(ctx context.Context, job int64, entry string, p photo.Photo, by int64, author string,
	at time.Time) (int64, error) {
	return t.Insert(ctx,
		"INSERT INTO photo (job_id, entry_id, width, height, full_jpeg, thumb_jpeg, taken_by, author, taken_at) VALUES (?, "+
			"?, ?, ?, ?, ?, ?, ?, ?)",
		job, entry, p.Width, p.Height, p.Full, p.Thumb, by, author, at)
}

// DropPhoto takes a picture of a job away and says whether it was there.
func (t PhotosTx) DropPhoto(ctx context.Context, job, id int64) (bool, error) {
	return t.Changed(ctx, "DELETE FROM photo WHERE id = ? AND job_id = ?", id, job)
}

// Picture reads one picture of a job as JPEG, small or full.
func (s Photos) Picture(ctx context.Context, job, id int64, small bool) ([]byte, error) {
	column := "full_jpeg"
	if small {
		column = "thumb_jpeg"
	}
	var b []byte
	err := s.db.QueryRowContext(ctx, "SELECT "+column+" FROM photo WHERE id = ? AND job_id = ?", id, job).Scan(&b)
	if errors.Is(err, sql.ErrNoRows) {
		err = &record.NotFound{What: "this picture"}
	}
	return b, err
}

// ShownPhotos are the pictures of a job that stand on its page, in their order.
func (s Photos) ShownPhotos(ctx context.Context, job int64) ([]int64, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (int64, error) {
		var id int64
		return id, r.Scan(&id)
	}, "SELECT p.id FROM photo p JOIN photo_shown w ON w.photo_id = p.id WHERE p.job_id = ? ORDER BY p.id", job)
}

// ShowPhoto puts a picture of a job on its page, or takes it off; false where the job has
// no such picture.
func (t PhotosTx) ShowPhoto(ctx context.Context, job, id int64, shown bool) (bool, error) {
	var n int
	err := t.Tx.QueryRowContext(ctx, "SELECT COUNT(*) FROM photo WHERE id = ? AND job_id = ?", id, job).Scan(&n)
	switch {
	case err != nil || n == 0:
		return false, err
	case shown:
		return true, t.Run(ctx, "INSERT IGNORE INTO photo_shown (photo_id) VALUES (?)", id)
	}
	return true, t.Run(ctx, "DELETE FROM photo_shown WHERE photo_id = ?", id)
}
