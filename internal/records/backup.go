package records

import (
	"context"
	"encoding/json"
	"time"

	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Backup is the last good backup of the shop. At is nil when there is none.
type Backup struct {
	At    *time.Time `json:"at,omitempty"`
	File  string     `json:"file"`
	Bytes int64      `json:"bytes"`
	Old   bool       `json:"old" doc:"It is time for a new one, and none came"`
}

// backupMemo is where the last backup is noted.
const backupMemo = "backup"

// oldBackup is when a nightly backup has failed twice.
const oldBackup = 50 * time.Hour

// NoteBackup keeps what the last good backup was.
func (s *Service) NoteBackup(ctx context.Context, b Backup) error {
	v, err := json.Marshal(b)
	if err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error { return t.Shops.SetMemo(ctx, backupMemo, string(v), s.Now()) })
}

// LastBackup tells what the last good backup was, and whether it is old. A shop
// that was set up within the last days has not missed one yet.
func (s *Service) LastBackup(ctx context.Context) (Backup, error) {
	var b Backup
	v, at, err := s.Store.Shops.Memo(ctx, backupMemo)
	if err != nil {
		return b, err
	}
	if v == "" {
		since, err := s.Store.Shops.Since(ctx)
		b.Old = err == nil && s.Now().Sub(since) > oldBackup
		return b, err
	}
	err = json.Unmarshal([]byte(v), &b)
	b.At, b.Old = &at, s.Now().Sub(at) > oldBackup
	return b, err
}

// BackUp makes a backup now, by whatever makes the nightly ones; only an owner
// may.
func (s *Service) BackUp(ctx context.Context, by record.Account, make func(context.Context) error) (Backup, error) {
	if err := people.OwnerOnly(by); err != nil {
		return Backup{}, err
	}
	if make == nil {
		return Backup{}, &record.Denied{Why: "This program keeps no backups; whoever runs its database does."}
	}
	if err := make(ctx); err != nil {
		return Backup{}, err
	}
	if err := s.People.Trail(ctx, by.ID, "backup", "", "made", "backup made"); err != nil {
		return Backup{}, err
	}
	return s.LastBackup(ctx)
}

// FilledMemo is where it is noted that the made-up shop is filled to its end.
const FilledMemo = "filled"

// NoteFilled notes that the made-up shop is filled to its end.
func (s *Service) NoteFilled(ctx context.Context) error {
	return s.Store.Write(ctx, func(t *store.Tx) error { return t.Shops.SetMemo(ctx, FilledMemo, "yes", s.Now()) })
}
