package store

import (
	"context"
	"database/sql"
	"errors"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"sync"
	"testing"

	"freshshard/internal/database"
	"freshshard/internal/localdb/dbtest"
)

func raw(t *testing.T) (*sql.DB, string) {
	t.Helper()
	dsn := dbtest.Fresh(t, server)
	db, _, err := database.Connect(dsn, 0)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = db.Close() })
	return db, dsn
}

// tablesAre describes all tables of a database.
func tablesAre(t *testing.T, db *sql.DB) string {
	t.Helper()
	rows, err := db.Query("SHOW TABLES")
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = rows.Close() }()
	var names []string
	for rows.Next() {
		var n string
		if err := rows.Scan(&n); err != nil {
			t.Fatal(err)
		}
		names = append(names, n)
	}
	b := &strings.Builder{}
	for _, n := range names {
		var text string
		if err := db.QueryRow("SHOW CREATE TABLE `"+n+"`").Scan(&n, &text); err != nil {
			t.Fatal(err)
		}
		b.WriteString(regexp.MustCompile(` AUTO_INCREMENT=\d+`).ReplaceAllString(text, "") + "\n")
	}
	return b.String()
}

// statements are those of a migration file, in order.
func statements(t *testing.T, name string) []string {
	t.Helper()
	b, err := fs.ReadFile(database.Migrations, "migrations/"+name)
	if err != nil {
		t.Fatal(err)
	}
	up, _, _ := strings.Cut(string(b), "-- +goose Down")
	var out []string
	for _, s := range strings.Split(up, ";\n") {
		if s = regexp.MustCompile(`(?m)^--.*$`).ReplaceAllString(s, ""); strings.TrimSpace(s) != "" {
			out = append(out, s)
		}
	}
	return out
}

// Wherever a migration was cut off, the next start finishes it.
func TestCutOffMigrationsAreFinished(t *testing.T) {
	want := tablesAre(t, open(t).DB)
	files, err := fs.Glob(database.Migrations, "migrations/*.sql")
	if err != nil || len(files) == 0 {
		t.Fatal(err)
	}
	name := filepath.Base(files[len(files)-1])
	version := int64(0)
	for _, r := range strings.TrimLeft(name[:5], "0") {
		version = version*10 + int64(r-'0')
	}
	all := statements(t, name)
	step := 1
	if len(all) > 12 {
		step = len(all) / 8
	}
	for cut := 0; cut <= len(all); cut += step {
		db, dsn := raw(t)
		if version > database.FirstReleased {
			s, err := Open(ctx, dsn, Options{To: version - 1})
			if err != nil {
				t.Fatal(err)
			}
			_ = s.Close()
		}
		for _, q := range all[:cut] {
			if _, err := db.Exec(q); err != nil {
				t.Fatalf("%v\n%s", err, q)
			}
		}
		s, err := Open(ctx, dsn)
		if err != nil {
			t.Fatalf("cut off after %d of %d statements: %v", cut, len(all), err)
		}
		if got := tablesAre(t, s.DB); got != want {
			t.Errorf("cut off after %d statements it differs", cut)
		}
		_ = s.Close()
	}
}

// Eight programs start on one empty database: one migrates, the others wait.
func TestTwoProgramsMigrateOneAfterTheOther(t *testing.T) {
	_, dsn := raw(t)
	var wg sync.WaitGroup
	for range 8 {
		wg.Go(func() {
			s, err := Open(ctx, dsn)
			if err != nil {
				t.Error(err)
				return
			}
			_ = s.Close()
		})
	}
	wg.Wait()
}

func TestOtherVersions(t *testing.T) {
	latest, err := database.Latest()
	if err != nil {
		t.Fatal(err)
	}
	s := open(t)
	if has, err := database.Schema(ctx, s.DB); err != nil || has != latest {
		t.Errorf("%d, %v", has, err)
	}
	for version, check := range map[int64]func(error) bool{
		latest + 1: func(err error) bool {
			var e *database.Newer
			return errors.As(err, &e) && strings.Contains(err.Error(), "newer")
		},
		database.FirstReleased - 1: func(err error) bool {
			var e *database.Older
			return errors.As(err, &e) && strings.Contains(err.Error(), "demo-fresh")
		},
	} {
		db, dsn := raw(t)
		for _, q := range []string{
			"CREATE TABLE goose_db_version (id INT NOT NULL AUTO_INCREMENT PRIMARY KEY, version_id BIGINT NOT NULL, " +
				"is_applied BOOLEAN NOT NULL, tstamp TIMESTAMP NULL DEFAULT NOW())",
			"INSERT INTO goose_db_version (version_id, is_applied) VALUES (0, TRUE)",
		} {
			if _, err := db.Exec(q); err != nil {
				t.Fatal(err)
			}
		}
		if _, err := db.Exec("INSERT INTO goose_db_version (version_id, is_applied) VALUES (?, TRUE)", version); err != nil {
			t.Fatal(err)
		}
		before := tablesAre(t, db)
		if _, err := Open(ctx, dsn); !check(err) || strings.Contains(err.Error(), "\n") {
			t.Errorf("schema %d: %v", version, err)
		}
		if tablesAre(t, db) != before {
			t.Errorf("schema %d was touched", version)
		}
	}
}

// Nothing is changed when what was there could not be kept first, and nothing
// is kept of an empty database or one that is up to date.
func TestBeforeAMigration(t *testing.T) {
	db, dsn := raw(t)
	calls := 0
	keep := func(context.Context, *sql.DB, int64) error { calls++; return os.ErrPermission }
	for range 2 {
		s, err := Open(ctx, dsn, Options{Before: keep})
		if err != nil || calls != 0 {
			t.Fatalf("%d calls, %v", calls, err)
		}
		_ = s.Close()
	}
	latest, err := database.Latest()
	if err != nil {
		t.Fatal(err)
	}
	before := tablesAre(t, db)
	err = database.Migrate(ctx, db, latest+1, func(ctx context.Context, has int64) error {
		if has != latest {
			t.Errorf("it has schema %d", has)
		}
		return keep(ctx, db, has)
	})
	if !errors.Is(err, os.ErrPermission) || calls != 1 || tablesAre(t, db) != before {
		t.Errorf("%d calls, %v", calls, err)
	}
}
