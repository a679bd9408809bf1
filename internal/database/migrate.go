package database

import (
	"context"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"time"

	"github.com/pressly/goose/v3"
)

//go:embed migrations/*.sql
var Migrations embed.FS

// FirstReleased is the lowest schema that a database may have. Those before it
// were never handed out.
const FirstReleased = 10

// migrateWait is how long a program waits for another one that migrates.
const migrateWait = 10 * time.Minute

// Newer is a database that a later version of the program has brought up to
// date.
type Newer struct{ Has, Knows int64 }

func (e *Newer) Error() string {
	return fmt.Sprintf("this database was brought to schema %d by a newer version of Fresh Shard; this one knows %d: "+
		"start the newer program, or restore a backup from before", e.Has, e.Knows)
}

// Older is a database from before the first schema that can be taken over.
type Older struct{ Has int64 }

func (e *Older) Error() string {
	return fmt.Sprintf("this database has schema %d, from before the first release; it cannot be taken over: start with "+
		"an empty database or another folder (make demo-fresh starts the demo over)", e.Has)
}

func provider(db *sql.DB) (*goose.Provider, error) {
	files, err := fs.Sub(Migrations, "migrations")
	if err != nil {
		return nil, err
	}
	return goose.NewProvider(goose.DialectMySQL, db, files, goose.WithDisableGlobalRegistry(true))
}

// Latest is the schema that this program brings a database to.
func Latest() (int64, error) {
	// The provider wants a database but asks it nothing here.
	p, err := provider(&sql.DB{})
	if err != nil {
		return 0, err
	}
	all := p.ListSources()
	return all[len(all)-1].Version, nil
}

// Schema tells which schema a database has, 0 for an empty one.
func Schema(ctx context.Context, db interface {
	QueryRowContext(ctx context.Context, q string, args ...any) *sql.Row
}) (int64, error) {
	var n int
	err := db.QueryRowContext(ctx,
		"SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name = "+
			"'goose_db_version'").Scan(&n)
	if err != nil || n == 0 {
		return 0, err
	}
	var v sql.NullInt64
	err = db.QueryRowContext(ctx, "SELECT MAX(version_id) FROM goose_db_version WHERE is_applied").Scan(&v)
	return v.Int64, err
}

// Migrate brings a database up to a schema, under a lock that makes a second
// program wait. before is called once when a database with records in it is
// about to change. Each statement of a migration can be run again, so what was
// cut off half way is finished by the next start.
func Migrate(ctx context.Context, db *sql.DB, to int64, before func(context.Context, int64) error) error {
	lock, err := db.Conn(ctx)
	if err != nil {
		return err
	}
	defer func() { _ = lock.Close() }()
	var got sql.NullInt64
	// The lock is the server's, so its name has the database's in it.
	if err := lock.QueryRowContext(ctx, "SELECT GET_LOCK(CONCAT(LEFT(DATABASE(), 40), '.migrate'), ?)",
		int(migrateWait.Seconds())).Scan(&got); err != nil {
		return fmt.Errorf("the lock for bringing the database up to date could not be had: %w", err)
	}
	if got.Int64 != 1 {
		return errors.New("another program has been bringing this database up to date for ten minutes: look whether it hangs")
	}
	defer func() {
		_, _ = lock.ExecContext(context.WithoutCancel(ctx), "DO RELEASE_LOCK(CONCAT(LEFT(DATABASE(), 40), '.migrate'))")
	}()
	has, err := Schema(ctx, lock)
	if err != nil {
		return err
	}
	switch {
	case has > to:
		return &Newer{has, to}
	case has > 0 && has < FirstReleased:
		return &Older{has}
	case has == to:
		return nil
	case has > 0 && before != nil:
		if err := before(ctx, has); err != nil {
			return fmt.Errorf("the database was not touched, because it could not be backed up first: %w", err)
		}
	}
	p, err := provider(db)
	if err != nil {
		return err
	}
	if _, err := p.UpTo(ctx, to); err != nil {
		return fmt.Errorf("the database could not be brought up to date: %w", err)
	}
	return nil
}
