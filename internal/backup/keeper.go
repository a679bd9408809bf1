package backup

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"os"
	"path/filepath"
	"sort"
	"strings"
	"sync"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/records"
	"freshshard/internal/shop"
)

// Keeper writes backups into a folder and keeps as many as are wanted.
type Keeper struct {
	Dir  string
	DSN  string
	Shop *shop.Shop
	Now  func() time.Time // nil is the real clock
	mu   sync.Mutex
}

const (
	prefix = "freshshard-"
	ending = ".zip"
	// nightHour is from when on a night's backup is made, local time.
	nightHour = 2
	lookEvery = 10 * time.Minute
	// Of the newest each is kept, of older ones the first of each month.
	keptDays   = 14
	keptMonths = 12
)

func (k *Keeper) now() time.Time {
	if k.Now != nil {
		return k.Now()
	}
	return time.Now()
}

// ToFile writes one backup of an open database into a folder, reads it through
// and only then gives it its name. what is put before the date.
func ToFile(ctx context.Context, db *sql.DB, dir, what string, now time.Time) (path string, m Manifest, err error) {
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return "", m, fmt.Errorf("the folder for backups %s cannot be made: %w", dir, err)
	}
	path = filepath.Join(dir, prefix+what+now.UTC().Format("20060102-150405")+ending)
	part := path + ".part"
	// As secret as the database: for nobody else's eyes.
	f, err := os.OpenFile(part, os.O_RDWR|os.O_CREATE|os.O_TRUNC, 0o600)
	if err != nil {
		return "", m, err
	}
	defer func() {
		_ = f.Close()
		if err != nil {
			_ = os.Remove(part)
		}
	}()
	if m, err = Write(ctx, db, f, now.UTC().Truncate(time.Millisecond)); err != nil {
		return "", m, err
	}
	if err = f.Sync(); err != nil {
		return "", m, err
	}
	info, err := f.Stat()
	if err != nil {
		return "", m, err
	}
	if _, err = Verify(f, info.Size()); err != nil {
		return "", m, fmt.Errorf("the backup could not be read back: %w", err)
	}
	return path, m, os.Rename(part, path)
}

// Once makes a backup now, notes it in the shop and clears old ones away.
func (k *Keeper) Once(ctx context.Context) error {
	k.mu.Lock()
	defer k.mu.Unlock()
	db, _, err := database.Connect(k.DSN, 0)
	if err != nil {
		return err
	}
	defer func() { _ = db.Close() }()
	path, _, err := ToFile(ctx, db, k.Dir, "", k.now())
	if err != nil {
		return err
	}
	info, err := os.Stat(path)
	if err != nil {
		return err
	}
	if err := k.Shop.Records.NoteBackup(ctx, records.Backup{File: filepath.Base(path), Bytes: info.Size()}); err != nil {
		return err
	}
	return k.clear()
}

// Run makes one each night until ctx ends; the first at once, when there is
// none of today or yesterday.
func (k *Keeper) Run(ctx context.Context) {
	look := time.NewTicker(lookEvery)
	defer look.Stop()
	for {
		if due, err := k.due(ctx); err != nil && ctx.Err() == nil {
			slog.ErrorContext(ctx, "whether a backup is due cannot be told", "error", err)
		} else if due {
			if err := k.Once(ctx); err != nil && ctx.Err() == nil {
				slog.ErrorContext(ctx, "the backup failed", "error", err)
			}
		}
		select {
		case <-ctx.Done():
			return
		case <-look.C:
		}
	}
}

// due says whether the last backup is from before the last night.
func (k *Keeper) due(ctx context.Context) (bool, error) {
	needs, err := k.Shop.People.NeedsSetup(ctx)
	if err != nil || needs {
		return false, err
	}
	last, err := k.Shop.Records.LastBackup(ctx)
	if err != nil {
		return false, err
	}
	return last.At == nil || last.At.Before(lastNight(k.now())), nil
}

// lastNight is the last time that the hour of backups struck.
func lastNight(now time.Time) time.Time {
	n := time.Date(now.Year(), now.Month(), now.Day(), nightHour, 0, 0, 0, now.Location())
	if n.After(now) {
		n = time.Date(now.Year(), now.Month(), now.Day()-1, nightHour, 0, 0, 0, now.Location())
	}
	return n
}

// clear removes backups that need not be kept. Those from before a migration
// stay.
func (k *Keeper) clear() error {
	entries, err := os.ReadDir(k.Dir)
	if err != nil {
		return err
	}
	var all []string
	for _, e := range entries {
		if _, ok := madeAt(e.Name()); ok {
			all = append(all, e.Name())
		}
	}
	for _, name := range surplus(all) {
		if err := os.Remove(filepath.Join(k.Dir, name)); err != nil && !errors.Is(err, fs.ErrNotExist) {
			return err
		}
	}
	return nil
}

func madeAt(name string) (time.Time, bool) {
	t, err := time.Parse("20060102-150405", strings.TrimSuffix(strings.TrimPrefix(name, prefix), ending))
	return t, err == nil && strings.HasPrefix(name, prefix) && strings.HasSuffix(name, ending)
}

// surplus are the names that neither the newest nor the months keep.
func surplus(names []string) []string {
	names = append([]string(nil), names...)
	sort.Strings(names) // by date
	var drop []string
	months := map[string]bool{}
	first := map[string]bool{}
	for _, n := range names {
		t, _ := madeAt(n)
		if m := t.Format("200601"); !months[m] {
			months[m], first[n] = true, true
		}
	}
	kept := 0
	for i, n := range names {
		old := len(names)-i > keptDays
		if old && !first[n] {
			drop = append(drop, n)
			continue
		}
		if old {
			kept++
		}
	}
	for _, n := range names { // months beyond the last twelve
		if kept > keptMonths && first[n] {
			drop, kept = append(drop, n), kept-1
		}
	}
	return drop
}

// String is a manifest in a line.
func (m Manifest) String() string {
	rows := 0
	for _, t := range m.Tables {
		rows += t.Rows
	}
	return fmt.Sprintf("schema %d, %d tables, %d rows, %d files, made %s", m.Schema, len(m.Tables), rows, len(m.Files),
		m.MadeAt.Format(time.RFC3339))
}

// JSON is a manifest as it stands in the archive.
func (m Manifest) JSON() ([]byte, error) { return json.MarshalIndent(m, "", " ") }
